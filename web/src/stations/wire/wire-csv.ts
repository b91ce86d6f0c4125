import { plainNumber, wireRows, type CablePlan, type Core, type SiteDevice } from "@anvilcloud/core";
import Papa from "papaparse";

/**
 * How a cell begins that a table program may run (after OWASP, CSV Injection): blanks before it are skipped, lines after
 * it do not matter, and some programs take the wide forms of the signs for the signs. A sign by itself is a pin's label.
 */
const formula = /^[\s\p{Z}\p{C}]*[=+\-@＝＋－＠][\s\S]|^[\t\r\n]/u;
const options = { escapeFormulae: formula };

/** The wire list as CSV (RFC 4180) with a heading; what a table program would run as a formula is made plain text. */
export function wireCsv(cores: readonly Core[], devices: readonly SiteDevice[]): string {
  return Papa.unparse(wireRows(cores, devices), options);
}

/** The cutting list as CSV, one line a cable. */
export function cablesCsv(cables: readonly CablePlan[]): string {
  const rows = cables.map((cable) => ({
    cable: cable.label,
    ends: cable.ends.map((end) => end.name).join("; "),
    cores: cable.cores,
    "cores to bring": cable.soldCores,
    "size mm²": plainNumber(cable.sizeMm2, 2),
    "enough mm²": cable.enoughMm2 === undefined ? "" : plainNumber(cable.enoughMm2, 2),
    "run m": plainNumber(cable.lengthM),
    "cut m": plainNumber(cable.cutM),
    carries: cable.carries,
  }));
  return Papa.unparse(rows, options);
}
