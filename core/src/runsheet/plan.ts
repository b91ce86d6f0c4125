import type { BehaviourId, BehaviourValue } from "../board/index.ts";
import { forceFindings, foundPositions, planControls } from "../controls/index.ts";
import { finding, severityRank, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import type { JobBundle } from "../job/index.ts";
import { planWiring } from "../wiring/index.ts";
import { runSheet } from "./sheet.ts";
import {
  inspect,
  leastForce,
  stateAhead,
  stateNow,
  stationStatuses,
  type StationStatus,
} from "./progress.ts";
import type { BenchState, Planned } from "./state.ts";
import type { Step } from "./step.ts";

/** Everything worked out for a job. */
export interface JobPlan extends Planned {
  sheet: Step[];
  /** Against the plan itself. */
  findings: Finding[];
  /** The bench as the log leaves it. */
  now: BenchState;
  /** Against the bench as it stands now, less what the steps still ahead will settle. */
  nowFindings: Finding[];
  statuses: StationStatus[];
}

/** What is wanted, with what the survey settles by itself. */
export function wishesOf(bundle: JobBundle): Partial<Record<BehaviourId, BehaviourValue>> {
  return { ...bundle.job.wishes, "leaf-count": bundle.job.survey.leaves.length };
}

/** Trap 30: closing by itself with nothing that guards the closing movement. */
function protectionFinding(planned: Planned): Finding[] {
  const guarded = planned.wiring.placements.some(
    ({ demand, place }) =>
      demand.kind === "contact" &&
      place?.kind === "input" &&
      place.input.guards.includes("closing") &&
      (demand.contact.duty === "photocell" || demand.contact.duty === "edge"),
  );
  if (guarded || planned.bundle.job.wishes["automatic-closing"] !== true) return [];
  return [finding("automatic-closing-unprotected", [{ kind: "behaviour", id: "automatic-closing" }])];
}

function leafFindings({ bundle: { job, board }, wiring }: Planned): Finding[] {
  return job.survey.leaves.flatMap((leaf): Finding[] => {
    const driven = wiring.devices.some(
      (device) => device.profile.kind === "drive" && device.leaf === leaf.id,
    );
    const missing = [...(leaf.stopOpen ? [] : ["open"]), ...(leaf.stopClosed ? [] : ["closed"])];
    return [
      ...(driven
        ? []
        : [finding("leaf-without-drive", [{ kind: "behaviour", id: "leaf-count" }], { leaf: leaf.id })]),
      ...(missing.length && board.travelEnds === "stops"
        ? [
            finding("leaf-without-stops", [{ kind: "behaviour", id: "leaf-count" }], {
              leaf: leaf.id,
              stop: listed(missing),
            }),
          ]
        : []),
    ];
  });
}

/** Trap 1 in the plan: a wanted force with which the board would not learn. */
function plannedForce(planned: Planned): Finding[] {
  const least = leastForce(planned);
  const { positions } = planned.controls;
  return least === undefined ? [] : forceFindings(planned.bundle.board, positions, least, positions);
}

function firmwareFinding({ bundle: { job, board } }: Planned): Finding[] {
  const { firmware } = job.found;
  if (!firmware || board.firmware.includes(firmware)) return [];
  return [finding("firmware-unknown", [], { found: firmware, known: listed(board.firmware) })];
}

/** Plans a job: wiring, controls, run sheet, findings, and how far the log has come. Pure: the same bundle, the same plan. */
export function planJob(bundle: JobBundle): JobPlan {
  const wiring = planWiring(bundle);
  const controls = planControls(
    bundle.board,
    wishesOf(bundle),
    foundPositions(bundle.board, bundle.job.found),
  );
  const planned: Planned = { bundle, wiring, controls };
  const sheet = runSheet(planned);
  const findings = [
    ...wiring.findings,
    ...controls.findings,
    ...protectionFinding(planned),
    ...plannedForce(planned),
    ...leafFindings(planned),
    ...firmwareFinding(planned),
  ].sort((a, b) => severityRank[a.severity] - severityRank[b.severity]);
  const now = stateNow(planned);
  return {
    ...planned,
    sheet,
    findings,
    now,
    nowFindings: inspect(planned, stateAhead(planned, sheet, now)),
    statuses: stationStatuses(planned, sheet, findings),
  };
}
