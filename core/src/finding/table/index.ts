import type { FindingEntry } from "./entry.ts";
import { foundFindings } from "./found.ts";
import { runningFindings } from "./running.ts";
import { placingFindings } from "./placing.ts";
import { settingsFindings } from "./settings.ts";
import { siteFindings } from "./site.ts";
import { supplyFindings } from "./supply.ts";

/** Every code the core can report, with severity, trap and sentences. */
export const findingTable = {
  ...placingFindings,
  ...supplyFindings,
  ...foundFindings,
  ...settingsFindings,
  ...siteFindings,
  ...runningFindings,
} as const satisfies Record<string, FindingEntry>;

export type { FindingEntry, Severity } from "./entry.ts";
