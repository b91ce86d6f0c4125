import {
  controlName,
  entryName,
  menuValues,
  behaviour,
  behaviourText,
  leafName,
  travelMemories,
  type BehaviourId,
  type BoardInput,
  type BoardProfile,
} from "../board/index.ts";
import { behavioursAt, type PlannedControl } from "../controls/index.ts";
import { mechanics, type Mechanic } from "../job/index.ts";
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

/** Controls that carry some of these settings, each where it is planned: left otherwise, what rests on them is void. */
function controlsOf(planned: Planned, ids: readonly BehaviourId[]): NonNullable<VoidBy["controls"]> {
  const { board } = planned.bundle;
  return planned.controls.controls
    .filter(({ gives }) => gives.some(({ behaviour: id }) => ids.includes(id)))
    .flatMap((control) => standsAt(board, control));
}

/** Every part of a control with where it is planned. */
export const standsAt = (
  board: BoardProfile,
  { kind, parts, planned }: Pick<PlannedControl, "kind" | "parts" | "planned">,
): NonNullable<VoidBy["controls"]> =>
  parts.map((id, at) => ({ id, kind, name: partName(board, kind, id), at: planned[at] ?? "" }));

/** What a part of a control is called. */
function partName(board: BoardProfile, kind: PlannedControl["kind"], id: string): string {
  if (kind === "values") {
    const entry = menuValues(board).find(({ item }) => item.id === id);
    return entry ? entryName(entry.item) : id;
  }
  const dial = board.dials.find((each) => kind === "dials" && each.id === id);
  return dial ? controlName(dial) : id;
}

/** Every change of the mechanics: travel, speed and force are learned and measured with them as they are. */
const anyMechanic: readonly Mechanic[] = mechanics;

/** What a learning rests on: leaves and settings, until it is forgotten or a drive's cores are moved. */
export const learningBasis = (
  planned: Planned,
  memories: readonly string[],
): { rests: Fact[]; voidBy: VoidBy } => ({
  rests: [...leafFacts(planned), ...settingFacts(planned, learnedWith)],
  voidBy: {
    forgotten: memoriesOf(planned, memories),
    moved: drives(planned),
    controls: controlsOf(planned, learnedWith),
    mechanics: anyMechanic,
  },
});

/** What filled a memory: void once it is emptied. */
export const filledBasis = (planned: Planned, memories: readonly string[]): { voidBy: VoidBy } => ({
  voidBy: { forgotten: memoriesOf(planned, memories) },
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
    voidBy: {
      learned: memories,
      forgotten: memories,
      moved: drives(planned),
      controls: controlsOf(planned, feltBy),
      mechanics: anyMechanic,
    },
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
    voidBy: { moved: [{ id, name }], controls: controlsOf(planned, [...ids, ...tested]) },
  };
}
