import { planJob, type Installation, type Moment } from "@anvilcloud/core";
import { measureAfresh } from "../core/src/circuit/measure.ts";
import { watchSolutions } from "../core/src/circuit/solved.ts";
import { largeBoards } from "../core/src/testing/many.ts";
import { largeJob } from "./large-job.ts";
import { median, medianMs, report } from "./measure.ts";

/**
 * The whole plan of a job of 60 devices, run sheet included, against solving each of
 * its distinct circuits once; how many those are is printed, and that none was solved twice.
 */
export async function benchWholePlan(): Promise<void> {
  for (const board of largeBoards()) {
    const bundle = largeJob(board, 60);
    const circuits: [Installation, Moment][] = [];
    const whole = () => {
      const plan = planJob(bundle);
      return plan.sheet.length;
    };
    watchSolutions((at, moment) => circuits.push([at, moment]));
    const steps = whole();
    watchSolutions(undefined);
    const solve = () => circuits.forEach(([at, moment]) => void measureAfresh(at, moment));
    // Both as they run once they are compiled: a plan is many times as much code, and is slow for longer.
    for (let run = 0; run < 40; run++) whole();
    // In turn, for a machine has slower times.
    const times = { plan: [] as number[], solutions: [] as number[] };
    for (let round = 0; round < 15; round++) {
      times.plan.push(await medianMs(1, () => void whole()));
      times.solutions.push(await medianMs(1, solve));
    }
    const [plan, solutions] = [median(times.plan), median(times.solutions)];
    report(
      `whole plan of 60 devices on ${board.name}, ${steps} steps and ${circuits.length} distinct circuits ` +
        `(${plan.toFixed(0)} ms), against solving those once (${solutions.toFixed(0)} ms)`,
      plan / solutions,
      "budget: at most 3",
    );
  }
}
