import { wireRows, type Core } from "@anvilcloud/core";
import Papa from "papaparse";

/** The wire list as CSV (RFC 4180) with a heading; what a table program would run as a formula is made plain text. */
export function wireCsv(cores: readonly Core[]): string {
  return Papa.unparse(wireRows(cores), { escapeFormulae: /^[=+\-@\t\r].+$/ });
}
