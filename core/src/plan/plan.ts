import { foundPositions, planControls } from "../controls/index.ts";
import { severityRank, type Finding } from "../finding/index.ts";
import { boardOnSite, type JobBundle } from "../job/index.ts";
import { countWork } from "../quantity/index.ts";
import {
  dangersIn,
  runSheet,
  stateAhead,
  stationStatuses,
  type StationStatus,
  type Step,
} from "../runsheet/index.ts";
import {
  inspect,
  readingsOf,
  stateNow,
  testFindings,
  weakForce,
  type BenchState,
  type Planned,
} from "../state/index.ts";
import { planWiring } from "../wiring/index.ts";
import { siteWideFindings } from "./findings.ts";
import { logFindings } from "./log-findings.ts";
import { settingsFindings } from "./settings-findings.ts";
import { askedWishes, wishesOf, type WishLine } from "./wishes/index.ts";

/** What is being worked out, in the order of the work. */
export type PlanStage = "wiring" | "settings" | "steps" | "checks";

/** Everything worked out for a job. */
export interface JobPlan extends Planned {
  sheet: Step[];
  /** Against the plan itself. */
  findings: Finding[];
  /** The bench as the log leaves it. */
  now: BenchState;
  /** The bench once the steps still ahead are done, with cores where they were found. */
  ahead: BenchState;
  /** Against the bench as it stands now, less what the steps still ahead will settle. */
  nowFindings: Finding[];
  /** Of both, what can hurt someone; it is shown everywhere until it is gone. */
  dangers: Finding[];
  statuses: StationStatus[];
  /** Every behaviour that can be wished here, with what a job of its kind begins with, what the site decides, and why. */
  wishes: WishLine[];
}

/**
 * Plans a job: wiring, controls, run sheet, findings, and how far the log has come. Pure: the same bundle, the same plan.
 * The plan's board is the profile as it is read on this site, with its cards and for its leaves.
 */
export function planJob(given: JobBundle, onStage: (stage: PlanStage) => void = () => {}): JobPlan {
  countWork("plans");
  const bundle = { ...given, board: boardOnSite(given.job, given.board) };
  onStage("wiring");
  const wiring = planWiring(bundle);
  onStage("settings");
  const controls = planControls(
    bundle.board,
    wishesOf(bundle, wiring),
    foundPositions(bundle.board, bundle.job.found),
  );
  const planned: Planned = { bundle, wiring, controls };
  onStage("steps");
  const sheet = runSheet(planned);
  onStage("checks");
  const findings = [
    ...wiring.findings,
    ...controls.findings,
    ...siteWideFindings(planned),
    ...settingsFindings(planned),
    ...weakForce(planned, controls.positions),
    ...testFindings(planned, controls.positions),
  ].sort((a, b) => severityRank[a.severity] - severityRank[b.severity]);
  const now = stateNow(planned);
  const ahead = stateAhead(planned, sheet, now);
  const nowFindings = [...inspect(planned, ahead), ...logFindings(planned, sheet)];
  const dangers = dangersIn(findings, nowFindings);
  const readings = readingsOf(planned, now);
  return {
    ...planned,
    sheet,
    findings,
    now,
    ahead,
    nowFindings,
    dangers,
    wishes: askedWishes(planned),
    statuses: stationStatuses({ ...planned, sheet, dangers, readings }, findings),
  };
}
