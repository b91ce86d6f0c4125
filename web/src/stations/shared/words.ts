import type { Station } from "@anvilcloud/core";
import { format, parseISO } from "date-fns";

/** The stations' names, in the order of the work. */
export const stationNames: Record<Station, string> = {
  survey: "Survey",
  wire: "Wire",
  set: "Set",
  "power-up": "Power up",
  travel: "Travel",
  force: "Force",
  remotes: "Remotes",
  prove: "Prove",
  "hand-over": "Hand over",
};

/** A moment as people on site write it, in their own time zone. */
export function whenText(iso: string): string {
  return format(parseISO(iso), "d MMM yyyy, HH:mm");
}

/** A day as people write it: "8 Oct 2026". */
export const dayText = (iso: string) => format(parseISO(iso), "d MMM yyyy");

export const stepAddress = (job: string, station: string, step: string) =>
  `/jobs/${job}/${station}/${encodeURIComponent(step)}`;
