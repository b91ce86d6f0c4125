import { plainNumber, wireRows, type CablePlan, type Core, type SiteDevice } from "@anvilcloud/core";
import Papa from "papaparse";

const options = { escapeFormulae: /^[=+\-@\t\r].+$/ };

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
