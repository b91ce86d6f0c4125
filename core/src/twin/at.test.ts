import { applyEffect, readFace, stateAsFound } from "../state/index.ts";
import { planJob } from "../plan/index.ts";
import { demoBundle, demoJobs } from "../testing/shipped.ts";
import { faceOf, twinAt } from "./index.ts";

let steps = 0;

test.each(demoJobs())("%s: at every step the twin at rest shows what the state shows", (id) => {
  const plan = planJob(demoBundle(id));
  let state = stateAsFound(plan.bundle);
  for (const step of [undefined, ...plan.sheet]) {
    state = (step?.effects ?? []).reduce(applyEffect, state);
    const { lamps, looks, display } = readFace(plan, state);
    const twin = twinAt(plan, state);
    expect([step?.id, faceOf(twin.brain)]).toEqual([step?.id, { lamps, looks, display }]);
    steps += 1;
  }
});

test("and there are steps enough to tell", () => {
  expect(steps).toBeGreaterThan(200);
});
