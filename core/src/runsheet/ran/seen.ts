import { readCircuit } from "../../circuit/index.ts";
import { listed } from "../../quantity/index.ts";
import { lampReason, type LampState, type Planned } from "../../state/index.ts";
import { askOf, lookSeconds, type BrainEvent } from "../../twin/index.ts";
import type { Seen, Step } from "../step.ts";
import type { StepPlayed } from "./play.ts";

/** What a lamp shows for less than this is overlooked, s. */
const noticed = 0.5;

const times = (count: number) => (count === 1 ? "once" : count === 2 ? "twice" : `${count} times`);

/** What is heard, in a sentence. */
export function heard(events: readonly BrainEvent[]): string[] {
  const beeps = events.flatMap((event) => (event.kind === "beeps" ? [event] : []));
  const count = beeps.reduce((sum, event) => sum + event.times, 0);
  const long = beeps.some((event) => event.long);
  return count ? [`The board beeps ${listed([times(count), ...(long ? ["long"] : [])])}.`] : [];
}

/** What a lamp showed for a while and shows no more. */
function meanwhile({ before, after, looks }: StepPlayed, lamp: string): LampState | undefined {
  const counts = new Map<LampState, number>();
  for (const { lamps } of looks) {
    const is = lamps[lamp] ?? "dark";
    if (is !== (before.lamps[lamp] ?? "dark") && is !== (after.lamps[lamp] ?? "dark"))
      counts.set(is, (counts.get(is) ?? 0) + 1);
  }
  const [longest] = [...counts].sort(([, a], [, b]) => b - a);
  return longest && longest[1] * lookSeconds >= noticed ? longest[0] : undefined;
}

/** Lamps that change, or that are to be looked at, each with its reason. */
export function lampsSeen(planned: Planned, step: Step, made: StepPlayed): Seen[] {
  const { before, after, kept } = made;
  const { brain, circuit } = kept;
  const justPowered = step.effects.some((effect) => effect.kind === "power" && effect.on);
  const standing = { ...brain, powered: brain.power, ask: askOf(brain), readings: readCircuit(circuit) };
  return planned.bundle.board.lamps.flatMap((lamp): Seen[] => {
    const [is, was] = [after.lamps[lamp.id] ?? "dark", before.lamps[lamp.id] ?? "dark"];
    const passing = meanwhile(made, lamp.id);
    const asked = justPowered || step.alwaysSee?.includes(lamp.id);
    if (!asked && is === was && passing === undefined) return [];
    const look = after.looks[lamp.id];
    return [
      {
        ...{ kind: "lamp", lamp: lamp.id, label: lamp.label, is, was },
        why: lampReason(planned, standing, lamp),
        ...(look ? { look } : {}),
        ...(passing ? { meanwhile: passing } : {}),
      },
    ];
  });
}
