import { planJob } from "../core/src/plan/index.ts";
import { sightsOf } from "../core/src/runsheet/index.ts";
import { demoBundle } from "../core/src/testing/shipped.ts";
import { report } from "./measure.ts";

/** The steps of the shipped jobs that take longest. */
const longest = [
  ["ropewalk", "do:learn-half-way:cycles"],
  ["sailloft", "do:calibrate:close"],
  ["netloft", "do:first-cycle:cycle"],
  ["icehouse", "prove:closes-by-itself"],
] as const;

/** Answers to be had: the first of them, and all, s. On two quiet cores. */
const budget = { first: 2, all: 10 };

/** "Not seen" at the slowest steps: until the first fault that shows is named, and until every fault was tried. */
export function benchNotSeen(): void {
  let first = 0;
  let all = 0;
  for (const [id, step] of longest) {
    const plan = planJob(demoBundle(id));
    const began = performance.now();
    const since = () => (performance.now() - began) / 1_000;
    let named: number | undefined;
    for (const { faulty } of sightsOf(plan, plan.sheet, step)) if (faulty.length) named ??= since();
    process.stdout.write(
      `${id}, ${step}: first answer ${named?.toFixed(1)} s, all ${since().toFixed(1)} s\n`,
    );
    first = Math.max(first, named ?? since());
    all = Math.max(all, since());
  }
  report(
    "not seen, 2 s against the first answer at the slowest step",
    budget.first / first,
    "budget: at least 1",
  );
  report("not seen, 10 s against all answers at the slowest step", budget.all / all, "budget: at least 1");
}
