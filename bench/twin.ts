import { brainAtRest, brainDoes } from "../core/src/twin/index.ts";
import { twinDoes, twinOf, twinRuns } from "../core/src/twin/step/index.ts";
import { arrange } from "../core/src/twin/index.ts";
import { boardOnSite } from "../core/src/job/index.ts";
import { bundleOn, usualDevices } from "../core/src/testing/shipped.ts";
import { medianMs, report } from "./measure.ts";

/** Two leaves that open, stand and close again, over and over for ten minutes, against the time that takes on site. */
export async function benchTwin(): Promise<void> {
  const seconds = 600;
  const id = "osierbeck-quernish";
  const bundle = bundleOn(id, usualDevices(id));
  const ms = await medianMs(3, () => {
    const brain = brainAtRest(boardOnSite(bundle.job, bundle.board), { leaves: 2 });
    brain.power = true;
    const travel = brain.board.memories.filter(({ holds }) => holds === "travel");
    arrange(
      brain,
      travel.map((memory) => ({ learned: memory.id })),
    );
    const twin = twinOf(brain, bundle);
    for (let n = 0; n < seconds / 30; n += 1) {
      twinDoes(twin, () => void brainDoes(brain, { command: n % 2 ? "close" : "open" }));
      twinRuns(twin, 30);
      brain.events = [];
    }
  });
  report(
    "twin of two leaves, time on site against the time it takes",
    (seconds * 1_000) / ms,
    "budget: at least 2000",
  );
}
