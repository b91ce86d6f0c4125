import {
  casesOf,
  parseBundle,
  parseRunFile,
  parseSweep,
  planJob,
  planRuns,
  playOn,
  readBoard,
  readDevice,
  ranStep,
  replay,
  sightsOf,
  toldOf,
  type BoardProfile,
  type DeviceProfile,
  type JobPlan,
  type Run,
  type Told,
} from "@anvilcloud/core";
import { importJob } from "./import-job.ts";
import { parseJson } from "./json.ts";

/** Plans a job file given as text; the plan as the JSON it is sent as. Throws NotJson and ProblemsError. */
function plan(text: string): string {
  const made = planJob(parseBundle(parseJson(text), "bundle"));
  const { wiring, controls, sheet, findings, nowFindings, statuses } = made;
  return JSON.stringify({
    wiring: {
      cores: wiring.cores,
      links: wiring.links,
      rails: wiring.rails,
      cables: wiring.cables,
      places: wiring.placements.map(({ demand, place, why }) => ({
        device: demand.device.id,
        kind: demand.kind,
        placed: place !== undefined,
        why,
      })),
    },
    controls: controls.controls,
    findings,
    nowFindings,
    statuses,
    sheet: sheet.map(({ during: _during, ...step }) => {
      const { see, lamps, display, seconds } = ranStep(made, sheet, step.id)!;
      return { ...step, see, lamps, display, seconds };
    }),
  });
}

/**
 * How one step of a job file given as text should look, and how it would look with each single fault, as the JSON it is sent
 * as; undefined for a step its plan has not. Throws NotJson and ProblemsError.
 */
function sights({ text, step }: { text: string; step: string }): string | undefined {
  const made = planJob(parseBundle(parseJson(text), "bundle"));
  const trying = sightsOf(made, made.sheet, step);
  for (;;) {
    const part = trying.next();
    if (part.done) return part.value && JSON.stringify(part.value);
  }
}

/** Plays a run file given as text to its end; what came of it as the JSON it is sent as. Throws NotJson and ProblemsError. */
const run = (text: string): string => JSON.stringify(replay(parseRunFile(parseJson(text))));

/** The sweep that was played here last: its runs come one by one. */
let swept: { text: string; plan: JobPlan; cases: Run[] } | undefined;

function sweepOf(text: string): NonNullable<typeof swept> {
  if (swept?.text === text) return swept;
  const sweep = parseSweep(parseJson(text));
  swept = { text, plan: planRuns(sweep), cases: casesOf(sweep) };
  return swept;
}

/** How many runs a sweep given as text has. Throws NotJson and ProblemsError. */
const sweep = (text: string): number => sweepOf(text).cases.length;

/** Plays one run of a sweep, by its place; what is told of it. */
function sweepCase({ text, at }: { text: string; at: number }): Told {
  const { plan, cases } = sweepOf(text);
  const each = cases[at]!;
  return toldOf(each, playOn(plan, each));
}

/** What is done apart from answering, for it may take long: planning, and reading what someone else has written. */
export const tasks = {
  plan,
  run,
  sweep,
  sweepCase,
  sights,
  board: (text: string): BoardProfile => readBoard(text, "profile"),
  device: (text: string): DeviceProfile => readDevice(text, "profile"),
  importJob,
};

export type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
