import type { BoardProfile } from "../board/index.ts";
import { controlKinds } from "../controls/index.ts";
import type { LogEntry, SettingsEntry, StateEffect, StepEntry } from "../job/index.ts";
import { applyEffect, stateAsFound, type BenchState, type Planned } from "./bench.ts";

/** The latest word on each step; a withdrawn one counts as open again. */
export function outcomes(log: readonly LogEntry[]): Map<string, StepEntry> {
  const latest = new Map<string, StepEntry>();
  for (const entry of log) if (entry.kind === "step") latest.set(entry.step, entry);
  for (const [step, entry] of latest) if (entry.outcome === "withdrawn") latest.delete(step);
  return latest;
}

/** What controls noted on a visit come to: where they are found they are in force, where they are left only what owes no gesture. */
function settingsEffects(board: BoardProfile, entry: SettingsEntry): StateEffect[] {
  const links = Object.entries(entry.links ?? {}).map(([id, to]): StateEffect => ({ kind: "link", id, to }));
  const kinds = controlKinds.filter((kind) => Object.keys(entry[kind] ?? {}).length > 0);
  return [
    ...links,
    ...kinds.map((kind): StateEffect => ({ kind, to: entry[kind]! })),
    ...kinds
      .filter((kind) => entry.as === "found" || !board.commits.some((commit) => commit.for === kind))
      .map((which): StateEffect => ({ kind: "commit", which })),
  ];
}

/** What an entry of the log changed at the bench; a step that was not seen done changed nothing. */
export function entryEffects(board: BoardProfile, entry: LogEntry): readonly StateEffect[] {
  switch (entry.kind) {
    case "wired":
      return [{ kind: "move", moves: entry.moves }];
    case "settings":
      return settingsEffects(board, entry);
    case "step":
      return entry.outcome === "seen" ? entry.effects : [];
    default:
      return [];
  }
}

/** The bench as a log leaves it: as found, then the effects of every step that was seen done, in the order they came. */
export function stateAfter({ bundle }: Pick<Planned, "bundle">, log: readonly LogEntry[]): BenchState {
  const said = outcomes(log);
  return log
    .filter((entry) => entry.kind !== "step" || said.get(entry.step)?.id === entry.id)
    .flatMap((entry) => entryEffects(bundle.board, entry))
    .reduce(applyEffect, stateAsFound(bundle));
}

/** The bench as the whole log leaves it. */
export const stateNow = (planned: Pick<Planned, "bundle">): BenchState =>
  stateAfter(planned, planned.bundle.log);
