import { plainNumber, type StepEntry } from "@anvilcloud/core";

const outcomeText = { seen: "seen", "not-seen": "not seen", withdrawn: "opened again" } as const;

/** Readings in a line. */
export const readingsText = (readings: StepEntry["readings"]): string =>
  (readings ?? []).map(({ value, unit }) => `${plainNumber(value, 2)} ${unit}`).join(", ");

/** An answer in a line: what was said, what was read, what was noted. */
export const answerText = ({ outcome, readings, note }: Pick<StepEntry, "outcome" | "readings" | "note">) =>
  [outcomeText[outcome], readingsText(readings), note && `“${note}”`].filter(Boolean).join(", ");
