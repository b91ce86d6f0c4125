import type { Station } from "@anvilcloud/core";

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
  return new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short" }).format(new Date(iso));
}

export const dayText = (iso: string) =>
  new Intl.DateTimeFormat("en-GB", { dateStyle: "medium" }).format(new Date(iso));

export const stepAddress = (job: string, station: string, step: string) =>
  `/jobs/${job}/${station}/${encodeURIComponent(step)}`;
