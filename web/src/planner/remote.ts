import { proxy, wrap } from "comlink";
import type { Planner } from "./planner.ts";

/** The planner in a worker of its own, so that the page never waits for it. */
export function remotePlanner(): Planner {
  const worker = new Worker(new URL("./planner.worker.ts", import.meta.url), { type: "module" });
  const remote = wrap<Planner>(worker);
  return {
    plan: (bundle, onStage) => remote.plan(bundle, proxy(onStage)),
    ran: (step) => remote.ran(step),
    trial: () => remote.trial(),
    sights: (step, onPart) => remote.sights(step, proxy(onPart)),
    meter: (probes) => remote.meter(probes),
    keys: (changes, step, at) => remote.keys(changes, step, at),
    find: (seen, step) => remote.find(seen, step),
    board: (profile, moment) => remote.board(profile, moment),
    revision: (bundle, board) => remote.revision(bundle, board),
    suits: (devices) => remote.suits(devices),
    runs: (profile) => remote.runs(profile),
  };
}
