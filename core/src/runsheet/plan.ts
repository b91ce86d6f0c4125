import { settableBehaviours, type BehaviourId, type BehaviourValue } from "../board/index.ts";
import { foundPositions, planControls } from "../controls/index.ts";
import { finding, severityRank, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import { boardOnSite, type JobBundle } from "../job/index.ts";
import { planWiring, sensingWord, type WiringPlan } from "../wiring/index.ts";
import { testFindings, testWish } from "./tested.ts";
import { runSheet } from "./sheet.ts";
import { inspect, weakForce, stateAhead, stateNow, stationStatuses, type StationStatus } from "./progress.ts";
import type { BenchState, Planned } from "./state.ts";
import type { Step } from "./step.ts";

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
  statuses: StationStatus[];
}

/** Wishes without those that only a pair of leaves can have. */
function withoutPair(wishes: JobBundle["job"]["wishes"]): JobBundle["job"]["wishes"] {
  const pair: readonly string[] = ["leaf-delay-opening", "leaf-delay-closing", "leaves-meet"];
  return Object.fromEntries(Object.entries(wishes).filter(([id]) => !pair.includes(id)));
}

/**
 * What is wanted, with what the site settles by itself: the number of leaves, how the drives find the ends of travel, and
 * what its edges give, and that inputs which stay empty are switched off where a setting can do it.
 */
export function wishesOf(
  bundle: JobBundle,
  wiring: WiringPlan,
): Partial<Record<BehaviourId, BehaviourValue>> {
  const { board, job } = bundle;
  const settable = settableBehaviours(board);
  const used = new Set(
    wiring.placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])),
  );
  const off = board.inputs.flatMap((input) =>
    input.off && !input.link && !used.has(input.id) ? [[input.off.behaviour, input.off.is] as const] : [],
  );
  const limits = wiring.devices.find((device) => device.profile.limits)?.profile.limits;
  const sensing = limits === "one-core" ? "switches" : limits;
  const edge = wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && place.input.setBy.includes("edge-sensing")
      ? [sensingWord(demand.contact)]
      : [],
  )[0];
  const tested = testWish(wiring, board);
  const relays = wiring.placements.flatMap(({ place }) =>
    place?.kind === "relay" && place.output.setBy ? [[place.output.setBy, place.task] as const] : [],
  );
  return {
    ...(tested === undefined ? {} : { "photocell-test": tested }),
    ...Object.fromEntries(relays),
    ...(edge ? { "edge-sensing": edge } : {}),
    ...(sensing && settable.has("limit-sensing") ? { "limit-sensing": sensing } : {}),
    ...(limits === "one-core" && settable.has("limit-wiring") ? { "limit-wiring": "one-core" } : {}),
    ...(job.survey.leaves.length > 1 ? job.wishes : withoutPair(job.wishes)),
    ...Object.fromEntries(off),
    ...(board.leaves > 1 ? { "leaf-count": job.survey.leaves.length } : {}),
  };
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
      ...(driven || board.leaves === 0
        ? []
        : [finding("leaf-without-drive", [{ kind: "behaviour", id: "leaf-count" }], { leaf: leaf.id })]),
      ...(missing.length && board.limits.every((limit) => limit === "stops") && board.leaves > 0
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

function firmwareFinding({ bundle: { job, board } }: Planned): Finding[] {
  const { firmware } = job.found;
  if (!firmware || board.firmware.includes(firmware)) return [];
  return [finding("firmware-unknown", [], { found: firmware, known: listed(board.firmware) })];
}

/**
 * Plans a job: wiring, controls, run sheet, findings, and how far the log has come. Pure: the same bundle, the same plan.
 * The plan's board is the profile as it is read on this site, with its cards and for its leaves.
 */
export function planJob(given: JobBundle): JobPlan {
  const bundle = { ...given, board: boardOnSite(given.job, given.board) };
  const wiring = planWiring(bundle);
  const controls = planControls(
    bundle.board,
    wishesOf(bundle, wiring),
    foundPositions(bundle.board, bundle.job.found),
  );
  const planned: Planned = { bundle, wiring, controls };
  const sheet = runSheet(planned);
  const findings = [
    ...wiring.findings,
    ...controls.findings,
    ...protectionFinding(planned),
    ...weakForce(planned, controls.positions),
    ...testFindings(planned, controls.positions),
    ...leafFindings(planned),
    ...firmwareFinding(planned),
  ].sort((a, b) => severityRank[a.severity] - severityRank[b.severity]);
  const now = stateNow(planned);
  const ahead = stateAhead(planned, sheet, now);
  return {
    ...planned,
    sheet,
    findings,
    now,
    ahead,
    nowFindings: inspect(planned, ahead),
    statuses: stationStatuses(planned, sheet, findings),
  };
}
