import {
  behaviour,
  behaviourText,
  leafName,
  travelMemories,
  type BehaviourId,
  type BoardInput,
} from "../board/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { plainNumber } from "../quantity/index.ts";
import type { Planned } from "../state/index.ts";
import type { Fact, Named, VoidBy } from "./step.ts";

/** Settings that travel and force are learned with: another value, and what was learned is no longer that. */
const learnedWith: readonly BehaviourId[] = [
  "drive-model",
  "leaf-count",
  "limit-sensing",
  "limit-wiring",
  "rotation",
  "travel-start",
  "opening-speed",
  "closing-speed",
  "slow-down-distance",
  "slow-down-speed",
  "acceleration",
  "deceleration",
  "force",
  "force-opening",
  "force-closing",
  "electric-brake",
  "brake-off",
  "soft-stop",
];

/** Settings that decide what an obstacle feels. */
const feltBy: readonly BehaviourId[] = [...learnedWith, "push-time", "low-energy", "edge-reaction"];

/** The planned values of these settings, as far as the board has them. */
export function settingFacts({ bundle: { board }, controls }: Planned, ids: readonly BehaviourId[]): Fact[] {
  const given = behavioursAt(board, controls.positions);
  return [...new Set(ids)].flatMap((id): Fact[] => {
    const value = given[id];
    return value === undefined ? [] : [{ fact: behaviour(id).label, is: behaviourText(id, value) }];
  });
}

/** How heavy each leaf is and how far it goes. */
function leafFacts({ bundle: { board, job } }: Planned): Fact[] {
  return job.survey.leaves.flatMap(({ id, massKg, openingDegrees, travelMm }): Fact[] => {
    const leaf = job.survey.leaves.length > 1 ? ` of the ${leafName(board, id)}` : "";
    const travel =
      openingDegrees !== undefined
        ? `${plainNumber(openingDegrees)}°`
        : travelMm !== undefined
          ? `${plainNumber(travelMm)} mm`
          : "not given";
    return [
      { fact: `Mass${leaf}`, is: `${plainNumber(massKg)} kg` },
      { fact: `Travel${leaf}`, is: travel },
    ];
  });
}

const drives = ({ wiring }: Planned) =>
  wiring.devices.filter(({ profile }) => profile.kind === "drive").map(({ id, name }) => ({ id, name }));

/** Memories with their labels. */
const memoriesOf = ({ bundle: { board } }: Planned, ids: readonly string[]): Named[] =>
  board.memories.filter(({ id }) => ids.includes(id)).map(({ id, label }) => ({ id, name: label }));

/** What a learning rests on: leaves and settings, until it is forgotten or a drive's cores are moved. */
export const learningBasis = (
  planned: Planned,
  memories: readonly string[],
): { rests: Fact[]; voidBy: VoidBy } => ({
  rests: [...leafFacts(planned), ...settingFacts(planned, learnedWith)],
  voidBy: { forgotten: memoriesOf(planned, memories), moved: drives(planned) },
});

/** What a force reading rests on: all that decides what an obstacle feels, until travel or force is learned anew. */
export function forceBasis(planned: Planned): { rests: Fact[]; voidBy: VoidBy } {
  const { board } = planned.bundle;
  const learned = board.memories
    .filter(({ holds }) => holds === "force" || holds === "speed")
    .map(({ id }) => id);
  const memories = memoriesOf(planned, [...travelMemories(board), ...learned]);
  return {
    rests: [...leafFacts(planned), ...settingFacts(planned, feltBy)],
    voidBy: { learned: memories, forgotten: memories, moved: drives(planned) },
  };
}

/** What a safety test rests on: what the input is set to, and the device's own cores. */
export function proofBasis(
  planned: Planned,
  { id, name }: Named,
  input: BoardInput,
): { rests: Fact[]; voidBy: VoidBy } {
  const ids = [...input.setBy, ...(input.off ? [input.off.behaviour] : [])];
  const tested: BehaviourId[] = input.test === undefined ? [] : ["photocell-test", "edge-test"];
  return {
    rests: settingFacts(planned, [...ids, ...tested]),
    voidBy: { moved: [{ id, name }] },
  };
}
