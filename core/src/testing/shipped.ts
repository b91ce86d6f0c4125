import { readdirSync, readFileSync } from "node:fs";
import { readBoard, type BoardProfile } from "../board/index.ts";
import { readDevice, type DeviceProfile } from "../device/index.ts";
import { ProblemsError } from "../finding/index.ts";
import { jobFormat, draftInstance, draftJob, parseBundle, type Job, type JobBundle } from "../job/index.ts";
import { answerStep, type Step } from "../runsheet/index.ts";
import { planJob, type JobPlan } from "../plan/index.ts";

const root = new URL("../../../", import.meta.url);
const text = (path: string) => readFileSync(new URL(path, root), "utf8");

/** The shipped board, read anew so that a test may change it. */
export const duet = (): BoardProfile => shippedBoard("quillmarsh-duet");
export const duetText = () => boardText("quillmarsh-duet");

/** Text of a shipped board. */
export const boardText = (id: string) => text(`boards/${id}.yaml`);

/** Text of a shipped device. */
export const deviceText = (id: string) => text(`devices/${id}.yaml`);

/** Text of a file in docs. */
export const docText = (file: string) => text(`docs/${file}`);

const boards = new Map<string, BoardProfile>();

/** A shipped board: read once, and copied each time so that a test may change it. */
export function shippedBoard(id: string): BoardProfile {
  const read = boards.get(id) ?? readBoard(boardText(id), `${id}.yaml`);
  boards.set(id, read);
  return structuredClone(read);
}

/** What a reader says against something: every problem as a line of text; "nothing" when it takes it. */
export function refusal(read: () => unknown): string {
  try {
    read();
  } catch (error) {
    if (error instanceof ProblemsError) return error.message;
    throw error;
  }
  return "nothing";
}

/** Ids of every shipped board. */
export const boardIds = (): string[] =>
  readdirSync(new URL("boards/", root)).map((file) => file.replace(/\.yaml$/, ""));

/** The shipped board of the first format, as it was then. */
export const oldBoardText = () => text("core/src/testing/old/board-1.yaml");

let devices: readonly DeviceProfile[] | undefined;

/** Every shipped device: read once, and copied each time so that a test may change it. */
export function shippedDevices(): DeviceProfile[] {
  devices ??= readdirSync(new URL("devices/", root)).map((file) => readDevice(text(`devices/${file}`), file));
  return structuredClone([...devices]);
}

/** A demo job as a bundle with an empty log; `change` may alter the job first. */
export function demoBundle(name: string, change: (job: Job) => void = () => {}): JobBundle {
  const job = (JSON.parse(text(`demo/${name}.json`)) as { job: Job }).job;
  change(job);
  return parseBundle({ format: jobFormat, job, board: duet(), devices: shippedDevices(), log: [] });
}

/** A job drafted on a shipped board with these devices, planned; `given` is the bundle before its board was read for the site. */
export function planOn(
  board: string,
  devices: readonly string[],
  wishes: Job["wishes"] = {},
  firmware = "",
  use?: "gate" | "door",
  cards?: string[],
): JobPlan & { given: JobBundle } {
  const profile = shippedBoard(board);
  const all = shippedDevices();
  let job = draftJob("site", "A site", "Ivet Carrandine", profile);
  for (const id of devices) {
    const device = all.find((each) => each.id === id);
    if (!device) throw new Error(`no device ${id}`);
    job = { ...job, devices: [...job.devices, draftInstance(job, device)] };
  }
  job = {
    ...job,
    wishes: { ...job.wishes, ...wishes },
    survey: { ...job.survey, ...(use ? { use } : {}) },
    found: { ...job.found, firmware },
    ...(cards ? { cards } : {}),
  };
  const given: JobBundle = { format: jobFormat, job, board: profile, devices: all, log: [] };
  return { ...planJob(given), given };
}

/** Devices that are usual on each board's site, by board. */
export const usualDevices: Record<string, string[]> = {
  "quillmarsh-duet": [
    "quillmarsh-heron",
    "quillmarsh-heron",
    "ostwick-glance",
    "lathbury-softline",
    "tallow-turnkey",
  ],
  "osierbeck-egret": [
    "marlstreet-strut",
    "marlstreet-strut",
    "ostwick-glance",
    "ostwick-glance",
    "lathbury-softline",
    "lathbury-halt",
    "tallow-turnkey",
    "ostwick-ember",
  ],
  "marlstreet-plover": ["marlstreet-strut", "marlstreet-strut", "ostwick-glance", "tallow-turnkey"],
  "fennimore-otter": ["fennimore-rack", "ostwick-glance", "lathbury-halt", "tallow-turnkey", "ostwick-ember"],
  "penhallow-drover": [
    "penhallow-haul",
    "ostwick-glance",
    "lathbury-softline",
    "tallow-turnkey",
    "ostwick-ember",
  ],
  "hexby-trestle": ["hexby-shaft", "ostwick-glance", "hexby-triple"],
  "tarn-weir": ["tarn-drum", "ostwick-glance", "ostwick-glance", "hexby-triple"],
  "larkrise-passage": ["sorrel-runner", "larkrise-inside", "larkrise-outside", "larkrise-sill"],
  "sorrel-mender": ["sorrel-runner", "larkrise-inside", "larkrise-outside", "larkrise-sill"],
  "copperfold-lantern": ["copperfold-chain", "copperfold-chain", "copperfold-drop", "lathbury-softline"],
  "copperfold-sash": ["copperfold-chain", "lathbury-softline"],
  "tollard-nightjar": ["tollard-gate-board"],
};

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
