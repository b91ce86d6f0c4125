import { applyEffect, circumstancesOf, faceIn, readingsOf, stateAsFound } from "../state/index.ts";
import { planJob } from "../plan/index.ts";
import { demoBundle, demoJobs } from "../testing/shipped.ts";
import { faceOf, twinAt } from "./index.ts";

let steps = 0;

test.each(demoJobs())("%s: at every step the twin at rest shows what the state shows", (id) => {
  const plan = planJob(demoBundle(id));
  let state = stateAsFound(plan.bundle);
  for (const step of [undefined, ...plan.sheet]) {
    state = (step?.effects ?? []).reduce(applyEffect, state);
    // Asked of the state alone, as conditions of the run sheet ask it.
    const ask = circumstancesOf(plan, state, readingsOf(plan, state));
    const { lamps, looks, display } = faceIn(plan.bundle.board, ask);
    const twin = twinAt(plan, state);
    expect([step?.id, faceOf(twin.brain)]).toEqual([step?.id, { lamps, looks, display }]);
    steps += 1;
  }
});

test("and there are steps enough to tell", () => {
  expect(steps).toBeGreaterThan(200);
});
