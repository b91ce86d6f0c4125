import { finding, type Finding } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import type { Planned } from "../state/index.ts";

/** A job whose devices have their places. */
type Placed = Pick<Planned, "bundle" | "wiring">;

/** Trap 30: closing by itself with nothing that guards the closing movement. */
function protectionFinding(planned: Placed): Finding[] {
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

function leafFindings({ bundle: { job, board }, wiring }: Placed): Finding[] {
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

function firmwareFinding({ bundle: { job, board } }: Placed): Finding[] {
  const { firmware } = job.found;
  if (!firmware || board.firmware.includes(firmware)) return [];
  return [finding("firmware-unknown", [], { found: firmware, known: listed(board.firmware) })];
}

/** Against the site and what is wanted of it: trap 30, leaves without drive or stop, another firmware. */
export function siteWideFindings(planned: Placed): Finding[] {
  return [...protectionFinding(planned), ...leafFindings(planned), ...firmwareFinding(planned)];
}
