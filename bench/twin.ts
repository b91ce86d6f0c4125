import { brainDoes } from "../core/src/twin/index.ts";
import { twinDoes, twinRuns } from "../core/src/twin/step/index.ts";
import { knowingTwin, usualPlan } from "../core/src/testing/twins.ts";
import { medianMs, report } from "./measure.ts";

/**
 * Two leaves that open, stand and close again, over and over for ten minutes, against the time that takes on site: circuit,
 * inputs and conditions included.
 */
export async function benchTwin(): Promise<void> {
  const seconds = 600;
  const plan = usualPlan("osierbeck-quernish");
  const cycles = () => {
    const twin = knowingTwin(plan);
    for (let n = 0; n < seconds / 30; n += 1) {
      twinDoes(twin, (brain) => void brainDoes(brain, { command: n % 2 ? "close" : "open" }));
      twinRuns(twin, 30);
      twin.brain.events = [];
    }
  };
  // What is measured is the pace it keeps, not how soon it is compiled.
  for (let n = 0; n < 4; n += 1) cycles();
  const ms = await medianMs(9, cycles);
  report(
    "twin of two leaves, time on site against the time it takes",
    (seconds * 1_000) / ms,
    "budget: at least 2000",
  );
}
