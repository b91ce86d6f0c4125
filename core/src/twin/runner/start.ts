import {
  wordsSet,
  type BoardProfile,
  type Condition,
  type Fitting,
  type Procedure,
} from "../../board/index.ts";
import { behavioursAt, planControls, type Positions, type Wishes } from "../../controls/index.ts";
import { panelAtRest } from "../../panel/index.ts";
import { brainAtRest, brainDoes, type Brain } from "../brain/index.ts";

/** Everything a list of conditions asks for; of several of which one is enough, the first. */
const partsOf = (needs: readonly Condition[]): Condition[] =>
  needs.flatMap(({ all = [], any = [], ...own }) => [own, ...partsOf(all), ...partsOf(any.slice(0, 1))]);

/** An input that is to read open must not be switched off: the first setting that switches it on. */
function switchedOn({ board, inForce }: Brain, parts: readonly Condition[]): Wishes {
  const given = behavioursAt(board, inForce);
  return Object.fromEntries(
    parts.flatMap(({ open }) => {
      const off = board.inputs.find(({ id }) => id === open)?.off;
      const on = off && wordsSet(board, off.behaviour).find((word) => word !== off.is);
      return off && on !== undefined && given[off.behaviour] === off.is ? [[off.behaviour, on]] : [];
    }),
  );
}

/** Beyond the least, so that what can be read off a dial still reaches it. Assumed. */
const clearOf = (least: number) => least * 1.25;

/** The values that behaviours must have. */
const wished = (parts: readonly Condition[]): Wishes =>
  Object.fromEntries(
    parts.flatMap(({ behaviour, is, atLeast }) => {
      const value = is ?? (atLeast === undefined ? undefined : clearOf(atLeast));
      return behaviour === undefined || value === undefined ? [] : [[behaviour, value]];
    }),
  );

/** A memory, and where it is the travel, those that are learned with it. */
const comesWith = ({ board: { memories } }: Brain, id: string): string[] => {
  const travel = memories.some((memory) => memory.id === id && memory.holds === "travel");
  return [id, ...memories.flatMap((memory) => (travel && memory.afterTravel ? [memory.id] : []))];
};

/** Brings a board to where conditions hold: inputs, memories, controls and settings as they are asked for. */
export function arrange(brain: Brain, conditions: readonly Condition[]): void {
  const parts = partsOf(conditions);
  for (const part of parts) {
    const { learned, unlearned, mode, leaf, supply, battery } = part;
    if (learned !== undefined)
      for (const id of comesWith(brain, learned)) brain.held[id] = Math.max(1, brain.held[id] ?? 0);
    if (unlearned !== undefined) brain.held[unlearned] = 0;
    if (mode !== undefined) brain.mode = mode;
    if (leaf === "closed" || leaf === "open") brain.at = { first: leaf, second: leaf };
    if (leaf === "between" || leaf === "stopped") brain.at = { first: "between", second: "between" };
    if (supply !== undefined) brain.mains = supply === "mains";
    if (battery !== undefined) brain.battery = battery;
    for (const as of ["closed", "open"] as const) {
      const input = brain.board.inputs.find(({ id }) => id === part[as]);
      if (input) brain.tripped[input.contact === as ? "delete" : "add"](input.id);
    }
    if (part.control !== undefined && part.at !== undefined)
      brainDoes(brain, { set: { control: part.control, to: part.at } });
  }
  const wishes = { ...switchedOn(brain, parts), ...wished(parts) };
  if (Object.keys(wishes).length) {
    const { positions } = planControls(brain.board, wishes, brain.positions);
    brain.positions = positions;
    brain.inForce = positions;
    brain.panel = panelAtRest(brain.board, positions.values);
  }
  // A control that is moved and not read: any that owes a gesture.
  if (parts.some(({ pending }) => pending === true)) leavePending(brain);
}

/** Moves a control of a kind that has to be read by a gesture. */
function leavePending(brain: Brain): void {
  const { board, positions } = brain;
  const dials = board.commits.some((each) => each.for === "dials");
  const [dial] = board.dials;
  if (dials && dial) {
    const to = positions.dials[dial.id] === "12:00" ? "11:00" : "12:00";
    brain.positions = { ...positions, dials: { ...positions.dials, [dial.id]: to } };
    return;
  }
  const [slide] = board.slides;
  if (slide) {
    const to = slide.positions.find((each) => each !== positions.switches[slide.id])!;
    brain.positions = { ...positions, switches: { ...positions.switches, [slide.id]: to } };
  }
}

/**
 * The board as it stands when a procedure begins: what it needs is so, what it clears or keeps is there; else as delivered,
 * or as `positions` have it.
 */
export function startOf(
  profile: BoardProfile,
  fitting: Fitting,
  procedure: Procedure,
  positions?: Positions,
): Brain {
  const brain = brainAtRest(profile, fitting);
  if (positions) {
    brain.positions = positions;
    brain.inForce = positions;
    brain.panel = panelAtRest(brain.board, positions.values);
  }
  brain.power = procedure.kind !== "power-up";
  for (const memory of [...procedure.clears, ...procedure.keeps])
    brain.held[memory] = brain.board.memories.find(({ id }) => id === memory)?.capacity === 1 ? 1 : 2;
  arrange(brain, procedure.needs);
  brain.noted = brain.positions;
  brain.events = [];
  return brain;
}
