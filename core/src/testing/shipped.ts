import { readdirSync, readFileSync } from "node:fs";
import { readBoard, type BoardProfile } from "../board/index.ts";
import { readDevice, type DeviceProfile } from "../device/index.ts";
import { parseWith, ProblemsError } from "../finding/index.ts";
import {
  boardOnSite,
  draftInstance,
  draftJob,
  jobFormat,
  jobSchema,
  readPreset,
  type Job,
  type JobBundle,
  type LogEntry,
  type LeafId,
} from "../job/index.ts";
import { answerStep, type Step } from "../runsheet/index.ts";
import { planJob, type JobPlan } from "../plan/index.ts";
import { demandsOf } from "../wiring/index.ts";
import { placesFor } from "../wiring/place/fit.ts";

const root = new URL("../../../", import.meta.url);
const text = (path: string) => readFileSync(new URL(path, root), "utf8");

/** The shipped board, read anew so that a test may change it. */
export const tandrel = (): BoardProfile => shippedBoard("quillmarsh-tandrel");
export const tandrelText = () => boardText("quillmarsh-tandrel");

/** Text of a shipped board. */
export const boardText = (id: string) => text(`boards/${id}.yaml`);

/** Text of a shipped device. */
export const deviceText = (id: string) => text(`devices/${id}.yaml`);

/** Every shipped preset. */
export const shippedPresets = () =>
  readdirSync(new URL("presets/", root)).map((file) => readPreset(text(`presets/${file}`), file));

/** Text of a file in docs. */
export const docText = (file: string) => text(`docs/${file}`);

/** Profiles as they were read, in a text that is quickly read again. */
const boards = new Map<string, string>();

/** A shipped board: read once, and made anew each time so that a test may change it. */
export function shippedBoard(id: string): BoardProfile {
  const read = boards.get(id) ?? JSON.stringify(readBoard(boardText(id), `${id}.yaml`));
  boards.set(id, read);
  return JSON.parse(read) as BoardProfile;
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
export const oldBoardText = () => oldText("board-1.yaml");

/** A file of an earlier format, as it was written then. */
export const oldText = (file: string) => text(`core/src/testing/old/${file}`);

let devices: string | undefined;

/** Every shipped device: read once, and made anew each time so that a test may change it. */
export function shippedDevices(): DeviceProfile[] {
  devices ??= JSON.stringify(
    readdirSync(new URL("devices/", root)).map((file) => readDevice(text(`devices/${file}`), file)),
  );
  return JSON.parse(devices) as DeviceProfile[];
}

/** Names of every demo job. */
export const demoJobs = (): string[] =>
  readdirSync(new URL("demo/", root)).map((file) => file.replace(/\.json$/, ""));

/** Sites that only the tests know, on the board of the first demo job. */
const testSites = ["sheds", "slip"];

/** A demo job, or a site of the tests, as a bundle with an empty log; `change` may alter the job first. */
export function demoBundle(name: string, change: (job: Job) => void = () => {}): JobBundle {
  const folder = testSites.includes(name) ? "core/src/testing/sites" : "demo";
  const job = (JSON.parse(text(`${folder}/${name}.json`)) as { job: Job }).job;
  change(job);
  return {
    format: jobFormat,
    job: parseWith(jobSchema, job, `${name}.json`),
    board: shippedBoard(job.board.id),
    devices: shippedDevices(),
    log: [],
  };
}

/** A job drafted on a shipped board with these devices. */
export function bundleOn(
  board: string,
  devices: readonly string[],
  wishes: Job["wishes"] = {},
  firmware = "",
  use?: "gate" | "door",
  cards?: string[],
): JobBundle {
  const profile = shippedBoard(board);
  const all = shippedDevices();
  const drafted = devices.reduce(
    (job, id) => {
      const device = all.find((each) => each.id === id);
      if (!device) throw new Error(`no device ${id}`);
      return { ...job, devices: [...job.devices, draftInstance(job, device)] };
    },
    draftJob("site", "A site", "Ivet Carrandine", profile),
  );
  const job: Job = {
    ...drafted,
    wishes: { ...drafted.wishes, ...wishes },
    survey: { ...drafted.survey, ...(use ? { use } : {}) },
    found: { ...drafted.found, firmware },
    ...(cards ? { cards } : {}),
  };
  return { format: jobFormat, job, board: profile, devices: all, log: [] };
}

const plannedOnce = new Map<string, JobPlan>();

/** The plan of a bundle: made once for all that ask for the same. A test that changes what it is given plans its own. */
export function planOnce(bundle: JobBundle): JobPlan {
  const key = JSON.stringify(bundle);
  const plan = plannedOnce.get(key) ?? planJob(bundle);
  plannedOnce.set(key, plan);
  return plan;
}

const plannedOn = new Map<string, JobPlan & { given: JobBundle }>();

/**
 * The same, planned; `given` is the bundle before its board was read for the site. Planned once for each site: a test
 * that changes what it is given plans its own.
 */
export function planOn(...site: Parameters<typeof bundleOn>): JobPlan & { given: JobBundle } {
  const key = JSON.stringify(site);
  const known = plannedOn.get(key);
  if (known) return known;
  const given = bundleOn(...site);
  const plan = { ...planJob(given), given };
  plannedOn.set(key, plan);
  return plan;
}

/** Devices that are usual on the sites of the shipped boards; a board that is not listed gets some that fit it. */
const listedDevices: Record<string, string[]> = {
  "quillmarsh-tandrel": [
    "quillmarsh-heron",
    "quillmarsh-heron",
    "oddlume-glance",
    "lumbrick-plushet",
    "tallow-turnkey",
  ],
  "osierbeck-quernish": [
    "marlstreet-strut",
    "marlstreet-strut",
    "oddlume-glance",
    "oddlume-glance",
    "lumbrick-plushet",
    "lumbrick-halt",
    "tallow-turnkey",
    "oddlume-winkard",
  ],
  "marlstreet-pewlark": ["marlstreet-strut", "marlstreet-strut", "oddlume-glance", "tallow-turnkey"],
  "furzel-slathorn": ["furzel-rack", "oddlume-glance", "lumbrick-halt", "tallow-turnkey", "oddlume-winkard"],
  "pengrath-drawmel": [
    "pengrath-haul",
    "oddlume-glance",
    "lumbrick-plushet",
    "tallow-turnkey",
    "oddlume-winkard",
  ],
  "hexby-hoistrum": ["hexby-shaft", "oddlume-glance", "hexby-triple"],
  "tarn-grellock": ["tarn-drum", "oddlume-glance", "oddlume-glance", "hexby-triple"],
  "lammerlow-thrussel": ["sorrel-runner", "lammerlow-inside", "lammerlow-outside", "lammerlow-sill"],
  "dunnick-wendrel": ["sorrel-runner", "lammerlow-inside", "lammerlow-outside", "lammerlow-sill"],
  "sorrel-tinkell": ["sorrel-runner", "lammerlow-inside", "lammerlow-outside", "lammerlow-sill"],
  "copperfold-skarlune": ["copperfold-chain", "copperfold-chain", "copperfold-drop", "lumbrick-plushet"],
  "copperfold-casspel": ["copperfold-chain", "lumbrick-plushet"],
  "tessock-umbrick": ["tessock-gate-board"],
};

/** A drive for each leaf, and the first photocell and stop of the catalogue that the board takes. */
function fittingDevices(id: string): string[] {
  const given = bundleOn(id, []);
  const board = boardOnSite(given.job, given.board);
  const fits = (profile: DeviceProfile, leaf?: LeafId) =>
    demandsOf([{ id: "one", name: profile.name, profile, ...(leaf ? { leaf } : {}) }]).every(
      (demand) => placesFor(demand, board, []).length > 0,
    );
  const first = (kind: DeviceProfile["kind"], leaf?: LeafId) =>
    given.devices.filter((profile) => profile.kind === kind && fits(profile, leaf)).slice(0, 1);
  const drives = board.leaves ? given.job.survey.leaves.flatMap((leaf) => first("drive", leaf.id)) : [];
  return [...drives, ...first("photocell"), ...first("stop-button")].map((profile) => profile.id);
}

/** A drive of the usual kind for each leaf that is drafted on this board. */
export const fittingDrives = (board: string): string[] =>
  usualDevices(board).filter((id) => shippedDevices().find((device) => device.id === id)?.kind === "drive");

/** Devices that are usual on this board's site. */
export const usualDevices = (board: string): string[] => listedDevices[board] ?? fittingDevices(board);

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

/** An answer by which these memories were emptied, after they were learned. */
export const forgotten = (...memories: string[]): LogEntry => ({
  kind: "step",
  id: "reset",
  at: "2026-12-01T09:00:00.000Z",
  by: "",
  step: "do:reset",
  station: "travel",
  title: "Limits forgotten",
  outcome: "seen",
  effects: memories.map((what) => ({ kind: "forget", what })),
});

/** The job planned with every step for which `take` is true answered as seen. */
export function planAfter(bundle: JobBundle, take: (step: Step) => boolean): JobPlan {
  return planJob(answered(bundle, planOnce(bundle).sheet.filter(take)));
}
