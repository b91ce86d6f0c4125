import {
  parseBundle,
  planJob,
  readBoard,
  readDevice,
  stepMeanings,
  type BoardProfile,
  type DeviceProfile,
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
    sheet: sheet.map(({ during: _during, ...step }, at) => ({
      ...step,
      ifNot: stepMeanings(made, sheet[at]!),
    })),
  });
}

/** What is done apart from answering, for it may take long: planning, and reading what someone else has written. */
export const tasks = {
  plan,
  board: (text: string): BoardProfile => readBoard(text, "profile"),
  device: (text: string): DeviceProfile => readDevice(text, "profile"),
  importJob,
};

export type Tasks = typeof tasks;
export type TaskName = keyof Tasks;
