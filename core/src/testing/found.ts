import type { Job, JobBundle } from "../job/index.ts";
import { type Step } from "../runsheet/index.ts";
import { planOnce, answered, bundleOn } from "./shipped.ts";
import { planJob, type JobPlan } from "../plan/index.ts";
import { terminalOf } from "../board/index.ts";
import { nodeWord, terminalIn } from "../node/index.ts";
import { moves, target } from "./keys.ts";

const codes = (findings: JobPlan["findings"]) => findings.map((each) => each.code);

/** A job on a board, with what is particular to it changed; the plan is made anew. */
export function jobOn(
  board: string,
  devices: string[],
  change: (job: Job) => void = () => {},
  wishes: Job["wishes"] = {},
) {
  const given = bundleOn(board, devices, wishes);
  change(given.job);
  return given;
}

let serial = 0;
const stamp = () => ({
  id: `w${++serial}`,
  at: new Date(Date.UTC(2026, 9, 6, 9, serial)).toISOString(),
  by: "Ivet Carrandine",
});

/** The job with every step answered as seen for which this is true. */
export const done = (bundle: JobBundle, take: (step: Step) => boolean) =>
  answered(bundle, planOnce(bundle).sheet.filter(take));

/** The job with cores found on other places: `device/pin` to a terminal or "off". */
export const found = (bundle: JobBundle, at: Readonly<Record<string, string>>): JobBundle => ({
  ...bundle,
  log: [
    ...bundle.log,
    {
      ...stamp(),
      kind: "wired",
      moves: moves(at),
    },
  ],
});

export const isWiring = (step: Step) => step.station === "wire";
export const untilSet = (step: Step) => ["wire", "set", "power-up"].includes(step.station);
export const untilPower = (step: Step) => isWiring(step) || step.id === "do:power-up:on";

/** What the bench says as it stands, once wired and found so. */
export const now = (bundle: JobBundle) => codes(planJob(bundle).nowFindings);
export const plan = (bundle: JobBundle) => codes(planJob(bundle).findings);

/** Where each core of a device is planned, by pin. */
function targets(bundle: JobBundle, device: string): Record<string, string> {
  const cores = planOnce(bundle).wiring.cores.filter((core) => core.device === device);
  return Object.fromEntries(cores.map((core) => [core.pin, target(core)]));
}

/** The two cores of a device exchanged. */
export function exchanged(bundle: JobBundle, device: string, a: string, b: string): JobBundle {
  const at = targets(bundle, device);
  return found(done(bundle, isWiring), { [`${device}/${a}`]: at[b]!, [`${device}/${b}`]: at[a]! });
}

/** A lock joined once more after power came on. */
export function pluggedLive(board: string, devices: string[]): string[] {
  const given = done(jobOn(board, devices), untilPower);
  const plus = planJob(given).wiring.cores.find((core) => core.device === "lock-1")!;
  const entry = { ...stamp(), kind: "wired" as const, moves: moves({ "lock-1/plus": target(plus) }) };
  return now({ ...given, log: [...given.log, entry] });
}

/** Every core of two plugs of one shape on the same place of the other. */
export function plugsSwapped(board: string, devices: string[], one: string, other: string): JobBundle {
  const given = jobOn(board, devices);
  const at = planJob(given).wiring.cores.flatMap((core): [string, string][] => {
    const terminal = terminalOf(given.board, terminalIn(core.to) ?? "");
    const block = terminal?.block.id;
    const to = block === one ? other : block === other ? one : undefined;
    return terminal === undefined || to === undefined
      ? []
      : [[nodeWord(core.from), `${to}${terminal.number}`]];
  });
  return found(done(given, isWiring), Object.fromEntries(at));
}
