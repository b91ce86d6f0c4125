import { plainNumber } from "../quantity/index.ts";
import type { ReadingAsked } from "./step.ts";

/** Why a measured value is not acceptable, in a sentence; undefined when it is. */
export function readingMisfit(asked: ReadingAsked, value: number): string | undefined {
  const text = (n: number) => `${plainNumber(n)} ${asked.unit}`;
  const over = asked.most !== undefined && value > asked.most;
  const under = asked.least !== undefined && value < asked.least;
  if (!over && !under) return undefined;
  const limit = over ? `at most ${text(asked.most ?? 0)}` : `at least ${text(asked.least ?? 0)}`;
  return `${text(value)} measured, ${limit} allowed${asked.source ? ` (${asked.source})` : ""}.`;
}
