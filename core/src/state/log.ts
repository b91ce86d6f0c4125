import type { LogEntry, StateEffect, StepEntry } from "../job/index.ts";
import { applyEffect, stateAsFound, type BenchState, type Planned } from "./bench.ts";

/** The latest word on each step; a withdrawn one counts as open again. */
export function outcomes(log: readonly LogEntry[]): Map<string, StepEntry> {
  const latest = new Map<string, StepEntry>();
  for (const entry of log) if (entry.kind === "step") latest.set(entry.step, entry);
  for (const [step, entry] of latest) if (entry.outcome === "withdrawn") latest.delete(step);
  return latest;
}

/** The bench as the log leaves it: as found, then the effects of every step that was seen done, in the order they came. */
export function stateNow({ bundle }: Pick<Planned, "bundle">): BenchState {
  const said = outcomes(bundle.log);
  return bundle.log
    .flatMap((entry): readonly StateEffect[] => {
      if (entry.kind === "wired") return [{ kind: "move", moves: entry.moves }];
      const counts = entry.kind === "step" && said.get(entry.step)?.id === entry.id;
      return counts && entry.outcome === "seen" ? entry.effects : [];
    })
    .reduce(applyEffect, stateAsFound(bundle));
}
