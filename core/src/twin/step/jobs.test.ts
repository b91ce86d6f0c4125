import { planJob } from "../../plan/index.ts";
import { stateAhead } from "../../runsheet/ahead.ts";
import { stateNow } from "../../state/index.ts";
import { demoBundle, demoJobs } from "../../testing/shipped.ts";
import { brainDoes, placeOf } from "../brain/index.ts";
import { twinAt } from "../at.ts";
import { twinDoes, twinRuns, type Twin } from "./index.ts";

/** Commands, and runs until the leaves stand; what happened meanwhile. */
function commanded(it: Twin, command: "open" | "close"): string[] {
  it.brain.events = [];
  twinDoes(it, (brain) => void brainDoes(brain, { command }));
  for (let n = 0; n < 3_000 && it.brain.run; n += 1) twinRuns(it, 0.1);
  return it.brain.events.map(({ kind }) => kind);
}

test.each(demoJobs())(
  "%s: once every step is done it opens and closes, its lock lets go and takes hold",
  (id) => {
    const plan = planJob(demoBundle(id));
    const it = twinAt(plan, stateAhead(plan, plan.sheet, stateNow(plan)));
    if (!it.brain.leaves || !Object.keys(it.plant.leaves).length) return;
    twinRuns(it, 1);
    const opened = commanded(it, "open");
    expect([id, opened, placeOf(it.brain)]).toEqual([id, expect.not.arrayContaining(["obstructed"]), "open"]);
    it.brain.pause = undefined;
    const closed = commanded(it, "close");
    expect([id, closed, placeOf(it.brain)]).toEqual([
      id,
      expect.not.arrayContaining(["obstructed"]),
      "closed",
    ]);
    twinRuns(it, 1);
    for (const { engaged } of it.locks) expect([id, engaged]).toEqual([id, true]);
  },
);
