import type { BehaviourId, BehaviourValue, BoardInput, BoardProfile } from "../board/index.ts";
import { atWork, type Situation } from "./situation.ts";

/** What the settings in force make of the board; a behaviour that is left out stands as the profile has it. */
export type BoardSet = Readonly<Partial<Record<BehaviourId, BehaviourValue>>>;

/** The end resistor an input looks for as it is set, Ω; undefined where it takes a plain contact or the pulses of an optical edge. */
export function soughtOhms(input: BoardInput, set: BoardSet = {}): number | undefined {
  const chosen = input.setBy.includes("edge-sensing") ? set["edge-sensing"] : undefined;
  return chosen === undefined || chosen === "resistor" ? input.ohms : undefined;
}

/** False for the input of an edge that is set for a plain contact: nothing of that can be taken away to test it. */
export const canTest = (input: BoardInput, set: BoardSet = {}): boolean =>
  !(input.setBy.includes("edge-sensing") && set["edge-sensing"] === "contact");

type Output = BoardProfile["outputs"][number];

/** Situations in which a relay with this task is pulled in; a lock is let go as the leaf sets off. */
const pulledIn: Readonly<Record<string, readonly Situation[]>> = {
  none: [],
  fault: [],
  moving: ["opening", "closing"],
  brake: ["opening", "closing"],
  open: ["open"],
  closed: ["idle", "awake", "testing"],
  "not-closed": ["opening", "open", "closing"],
  courtesy: ["opening", "open", "closing"],
  lock: ["opening"],
  "traffic-go": ["open"],
  "traffic-wait": ["opening", "closing"],
};

/** True while a relay with this task is pulled in; without a task, while the leaf is under way or open. */
export const pullsIn = (task: BehaviourValue | undefined, situation: Situation): boolean =>
  typeof task === "string" ? (pulledIn[task] ?? []).includes(situation) : atWork(situation);

/** The contact that conducts of a relay just now, by its terminals: its common with the one that works, or with the one that rests. */
export function relayJoins(
  { terminals: [common, works, rests], setBy }: Output,
  set: BoardSet,
  pulled: { powered: boolean; situation: Situation },
): [string, string] | undefined {
  const on = pulled.powered && pullsIn(setBy && set[setBy], pulled.situation);
  const other = on ? works : rests;
  return common === undefined || other === undefined ? undefined : [common, other];
}

/** Behaviours of the settings by which this board's circuit differs. */
export const circuitSettings = (board: BoardProfile): BehaviourId[] => [
  ...(board.inputs.some((input) => input.ohms !== undefined && input.setBy.includes("edge-sensing"))
    ? ["edge-sensing" as const]
    : []),
  ...board.outputs.flatMap(({ kind, setBy }) => (kind === "relay" && setBy ? [setBy] : [])),
];
