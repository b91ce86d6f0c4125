import {
  actWord,
  conditionHolds,
  type Act,
  type BoardInput,
  type Condition,
  type ReactionMoment,
} from "../../board/index.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { askOf, brainDoes, works, type Brain } from "../brain/index.ts";
import { isOff } from "../brain/ask.ts";
import { edgeOf } from "../plant/index.ts";
import { twinDoes, twinRuns, type Twin } from "./index.ts";

/** A board on its site that knows its travel, its leaves somewhere, set so that a row of reactions counts. */
const twin = (id: string, leaf: "closed" | "open", when: Condition | undefined): Twin =>
  knowingTwin(usualPlan(id), { leaf }, ...(when ? [when] : []));

/** Way of the edges from closed, m, all leaves together. */
const edges = ({ plant }: Twin) => Object.values(plant.leaves).reduce((sum, leaf) => sum + edgeOf(leaf), 0);
const way = ({ plant }: Twin) =>
  Object.values(plant.leaves).reduce((sum, { body }) => sum + body.travel * body.arm, 0);

const trips = (it: Twin, input: string, to: boolean) => twinDoes(it, (brain) => works(brain, input, to));
const rests = (it: Twin, most = 150) => {
  for (let n = 0; n < most && (n < 2 || it.brain.run); n += 1) twinRuns(it, 1);
};

/** What is seen of a leaf that is tripped under way, told by where it truly goes. */
function seenMoving(
  id: string,
  input: BoardInput,
  when: Condition | undefined,
  toward: "open" | "close",
): string {
  const it = twin(id, toward === "open" ? "closed" : "open", when);
  twinDoes(it, (brain) => void brainDoes(brain, { command: toward }));
  const sign = toward === "open" ? 1 : -1;
  const from = edges(it);
  for (let n = 0; n < 600 && Math.abs(edges(it) - from) < 0.2 * way(it); n += 1) twinRuns(it, 0.1);
  let furthest = -Infinity;
  /** How far it comes in a moment; how far it came at most is kept. */
  const goes = (seconds: number) => {
    const at = edges(it);
    for (let n = 0; n < seconds / 0.05; n += 1) {
      twinRuns(it, 0.05);
      furthest = Math.max(furthest, edges(it) * sign);
    }
    return Math.abs(edges(it) - at);
  };
  const quick = goes(0.25);
  trips(it, input.id, true);
  goes(0.25);
  const slow = goes(0.25);
  for (let n = 0; n < 40 && it.brain.run; n += 1) goes(0.1);
  rests(it);
  const part = edges(it) / way(it);
  const end = part > 0.97 ? "open" : part < 0.03 ? "close" : "between";
  if (end === toward) return slow < quick * 0.8 ? "slow" : "ignore";
  if (end !== "between") return "reverse";
  const back = furthest - edges(it) * sign;
  const stands = edges(it);
  trips(it, input.id, false);
  rests(it);
  if (Math.abs(edges(it) - stands) > 0.05 * way(it)) return "stop-until-clear";
  return back > 0.02 ? "back-off" : "stop";
}

/** What is seen at rest, as a command is given while it is held tripped. */
function seenAtRest(
  id: string,
  input: BoardInput,
  when: Condition | undefined,
  moment: "closed" | "open",
): string {
  const it = twin(id, moment, when);
  const from = edges(it);
  trips(it, input.id, true);
  twinDoes(it, (brain) => void brainDoes(brain, { command: moment === "closed" ? "open" : "close" }));
  twinRuns(it, 12);
  return Math.abs(edges(it) - from) > 0.03 * way(it) ? "goes" : "refuse";
}

const sameAs: Partial<Record<string, string>> = { "stop-reverse": "reverse", hold: "refuse" };
/** Which of an input's rows counts on a board as it is set. */
const countingRow = (brain: Brain, id: string): number =>
  brain.board.inputs
    .find((each) => each.id === id)!
    .reactions.findIndex(({ when }) => conditionHolds(when, askOf(brain)));

let proved = 0;

test.each(boardIds().filter((id) => shippedBoard(id).leaves > 0))(
  "%s: every protection in every state does what its profile says, judged by where the leaf goes",
  (id) => {
    for (const input of shippedBoard(id).inputs.filter(({ guards }) => guards.length))
      for (const [at, row] of input.reactions.entries()) {
        const { when } = row;
        const { brain } = twin(id, "closed", when);
        if (countingRow(brain, input.id) !== at) continue;
        // One that a setting switches off does nothing, whatever its rows say.
        if (isOff(brain, input)) continue;
        for (const moment of ["closed", "opening", "open", "closing"] as ReactionMoment[]) {
          const act = actWord(row[moment] as Act);
          if (act === undefined) continue;
          const seen =
            moment === "closed" || moment === "open"
              ? seenAtRest(id, input, when, moment)
              : seenMoving(id, input, when, moment === "opening" ? "open" : "close");
          const wanted = sameAs[act] ?? act;
          const told =
            moment === "closed" || moment === "open" ? (wanted === "refuse" ? "refuse" : "goes") : wanted;
          proved += 1;
          expect([id, input.id, when, moment, seen]).toEqual([id, input.id, when, moment, told]);
        }
      }
  },
);

test("there were many of them", () => expect(proved).toBeGreaterThan(120));
