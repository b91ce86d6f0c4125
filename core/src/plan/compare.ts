import type { BoardProfile } from "../board/index.ts";
import { checkJob, type Job, type JobBundle } from "../job/index.ts";
import { problemText, wordsOf } from "../finding/index.ts";
import { seatText } from "../wiring/index.ts";
import { planJob, type JobPlan } from "./plan.ts";

/** What another revision of its board would do to a job. */
export interface RevisionEffect {
  /** The job as it would have to be: notes on links, switches and values the new revision lacks are dropped. */
  job: Job;
  /** Reasons why the job cannot take the revision at all; empty when it can. */
  refused: string[];
  cores: { added: string[]; removed: string[] };
  settings: string[];
  steps: { added: string[]; removed: string[] };
  findings: { added: string[]; removed: string[] };
}

const known = <T>(notes: Readonly<Record<string, T>>, fits: (id: string, at: T) => boolean) =>
  Object.fromEntries(Object.entries(notes).filter(([id, at]) => fits(id, at)));

/** The job on another revision of its board, without notes on parts that are gone. */
export function onRevision(job: Job, board: BoardProfile): Job {
  const unfit = new Set(
    checkJob({ ...job, board: { id: board.id, revision: board.revision } }, board, [], "job").map(
      (problem) => problem.path,
    ),
  );
  const stays = (kind: string) => (id: string) => !unfit.has(`job.found.${kind}.${id}`);
  const { links, switches, dials, values } = job.found;
  return {
    ...job,
    board: { id: board.id, revision: board.revision },
    ...(job.cards ? { cards: job.cards.filter((id) => board.cards.some((card) => card.id === id)) } : {}),
    found: {
      ...job.found,
      links: known(links, stays("links")),
      switches: known(switches, stays("switches")),
      dials: known(dials, stays("dials")),
      values: known(values, stays("values")),
    },
  };
}

const minus = (a: readonly string[], b: readonly string[]) =>
  [...new Set(a)].filter((each) => !b.includes(each));

function difference(before: JobPlan, after: JobPlan, texts: (plan: JobPlan) => string[]) {
  const [was, is] = [texts(before), texts(after)];
  return { added: minus(is, was), removed: minus(was, is) };
}

const coreTexts = (plan: JobPlan) =>
  plan.wiring.cores.map(
    (core) => `${core.deviceName}, ${core.pinLabel} to ${seatText(core.to, plan.wiring.devices)}`,
  );
const stepTexts = (plan: JobPlan) => plan.sheet.map((step) => `${step.title}: ${step.says}`);
const findingTexts = (plan: JobPlan) => plan.findings.map((each) => wordsOf(each).what);

/** What taking this revision does to a job: its wire list, settings, steps and findings, before against after. */
export function revisionEffect(bundle: JobBundle, board: BoardProfile): RevisionEffect {
  const job = onRevision(bundle.job, board);
  const refused = checkJob(job, board, bundle.devices, "job").map(problemText);
  const nothing = { added: [], removed: [] };
  if (refused.length)
    return { job, refused, cores: nothing, settings: [], steps: nothing, findings: nothing };
  const before = planJob(bundle);
  const after = planJob({ ...bundle, job, board });
  const settings = after.controls.controls.flatMap((control) => {
    const was = before.controls.controls.find((each) => each.id === control.id);
    const text = control.planned.join(", ");
    if (was?.planned.join(", ") === text) return [];
    return [`${control.label}: ${was ? was.planned.join(", ") : "not there"} becomes ${text}`];
  });
  return {
    job,
    refused,
    cores: difference(before, after, coreTexts),
    settings,
    steps: difference(before, after, stepTexts),
    findings: difference(before, after, findingTexts),
  };
}
