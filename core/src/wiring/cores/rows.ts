import { plainNumber } from "../../quantity/index.ts";
import type { SiteDevice } from "../place/index.ts";
import type { Core } from "./cores.ts";
import { seatText } from "./seat.ts";

/** A line of the wire list as it goes on paper or into a table: every column a text. */
export interface WireRow {
  device: string;
  pin: string;
  core: string;
  to: string;
  "size mm²": string;
  "length m": string;
  why: string;
}

/** The wire list in rows, in the order of the cores; a core inside the cabinet has no cable. */
export function wireRows(cores: readonly Core[], devices: readonly SiteDevice[]): WireRow[] {
  return cores.map(({ deviceName, pinLabel, colour, to, cable, why }) => ({
    device: deviceName,
    pin: pinLabel,
    core: colour,
    to: seatText(to, devices),
    "size mm²": cable ? plainNumber(cable.sizeMm2, 2) : "",
    "length m": cable ? plainNumber(cable.lengthM) : "",
    why,
  }));
}
