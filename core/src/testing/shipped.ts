import { readdirSync, readFileSync } from "node:fs";
import { readBoard, type BoardProfile } from "../board/index.ts";
import { readDevice, type DeviceProfile } from "../device/index.ts";
import { parseBundle, type Job, type JobBundle } from "../job/index.ts";
import { answerStep, planJob, type JobPlan, type Step } from "../runsheet/index.ts";

const root = new URL("../../../", import.meta.url);
const text = (path: string) => readFileSync(new URL(path, root), "utf8");

/** The shipped board, read anew so that a test may change it. */
export const duet = (): BoardProfile =>
  readBoard(text("boards/quillmarsh-duet.yaml"), "quillmarsh-duet.yaml");
export const duetText = () => text("boards/quillmarsh-duet.yaml");

/** Every shipped device. */
export const shippedDevices = (): DeviceProfile[] =>
  readdirSync(new URL("devices/", root)).map((file) => readDevice(text(`devices/${file}`), file));

/** A demo job as a bundle with an empty log; `change` may alter the job first. */
export function demoBundle(name: string, change: (job: Job) => void = () => {}): JobBundle {
  const job = (JSON.parse(text(`demo/${name}.json`)) as { job: Job }).job;
  change(job);
  return parseBundle({ format: "anvilcloud/job@1", job, board: duet(), devices: shippedDevices(), log: [] });
}

let serial = 0;

/** The bundle with these steps answered as seen, one a minute. */
export function answered(
  bundle: JobBundle,
  steps: readonly Step[],
  outcome: "seen" | "not-seen" = "seen",
): JobBundle {
  const entries = steps.map((step) => {
    const at = new Date(Date.UTC(2026, 9, 5, 9, serial)).toISOString();
    return answerStep(step, outcome, { id: `e${++serial}`, at, by: "Ivet Carrandine" });
  });
  return { ...bundle, log: [...bundle.log, ...entries] };
}

/** The job planned with every step for which `take` is true answered as seen. */
export function planAfter(bundle: JobBundle, take: (step: Step) => boolean): JobPlan {
  return planJob(answered(bundle, planJob(bundle).sheet.filter(take)));
}
