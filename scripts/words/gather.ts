import {
  behaviour,
  behaviourText,
  boardFacts,
  deviceText,
  planJob,
  ranStep,
  suitsOf,
  trialOf,
  wordsOf,
  type Finding,
  type JobBundle,
  type JobPlan,
} from "@anvilcloud/core";

/** A sentence, and where it is said. */
export interface Said {
  where: string;
  text: string;
}

const ofFindings = (where: string, findings: readonly Finding[]): Said[] =>
  findings.map((finding) => {
    const { what, why, remedy } = wordsOf(finding);
    return { where, text: `${finding.severity}: ${what} ${why} ${remedy}` };
  });

/** Keys under which a step or what came of it holds no sentence. */
const silent = new Set([
  "id",
  "during",
  "proves",
  "cores",
  "effects",
  "control",
  "kind",
  "station",
  "face",
  "move",
]);

/** Every text under an object that is more than a word. */
function* texts(value: unknown, path: string): Generator<Said> {
  if (typeof value === "string") {
    if (/\s/.test(value)) yield { where: path, text: value };
  } else if (Array.isArray(value)) for (const each of value) yield* texts(each, path);
  else if (typeof value === "object" && value !== null)
    for (const [key, each] of Object.entries(value))
      if (!silent.has(key)) yield* texts(each, `${path} ${key}`);
}

function* ofSheet(plan: JobPlan): Generator<Said> {
  for (const step of plan.sheet) {
    yield* texts(step, "step");
    const ran = ranStep(plan, plan.sheet, step.id);
    if (!ran) continue;
    yield* texts({ see: ran.see, moves: ran.moves }, "step");
  }
}

/** Everything the app says of a job: findings, steps and what is seen of them, reasons of the wiring, wishes, stations, devices. */
export function* gather(bundle: JobBundle): Generator<Said> {
  const plan = planJob(bundle);
  const { wiring, controls } = plan;
  yield* ofFindings("finding", [...plan.findings, ...plan.nowFindings]);
  yield* ofFindings("trial", trialOf(plan)?.findings.map(({ finding }) => finding) ?? []);
  yield* ofSheet(plan);
  for (const { why } of [...wiring.placements, ...wiring.links, ...wiring.cores])
    yield { where: "wiring", text: why };
  for (const control of controls.controls) yield* texts(control, "control");
  for (const { id, idle, start, decided } of plan.wishes) {
    const { label } = behaviour(id);
    if (idle) yield { where: "wish idle", text: `${label}. ${idle}` };
    if (start)
      yield { where: "wish start", text: `${label}: ${behaviourText(id, start.value)}. ${start.why ?? ""}` };
    if (decided)
      yield { where: "wish decided", text: `${label}: ${behaviourText(id, decided.value)}. ${decided.why}` };
  }
  for (const { station, reason } of plan.statuses)
    if (reason) yield { where: `station ${station}`, text: reason };
  for (const { label, value } of boardFacts(bundle.board))
    yield { where: "board", text: `${label}: ${value}` };
  for (const device of bundle.devices)
    yield { where: "device", text: `${device.name}: ${deviceText(device)}` };
  for (const { why } of suitsOf(bundle.job, bundle.board, bundle.devices))
    if (why) yield { where: "no place", text: why };
}
