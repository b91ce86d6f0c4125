import { movingThing, type Purpose } from "../../board/index.ts";
import { controlSubjects } from "../../controls/index.ts";
import type { Planned } from "../../state/index.ts";
import { forceBasis } from "../rests.ts";
import type { StepDraft } from "../step.ts";

/** Gaps at which the closing force is measured, mm. EN 12453:2017, from memory. */
export const forceGapsMm = [50, 300, 500] as const;

/** Highest dynamic force between closing edges in gaps of 50 to 500 mm, N. EN 12453:2017, from memory. */
export const dynamicForceLimitN = 400;

/** Times the leaf closes onto the instrument at each gap. EN 12453:2017, from memory. */
const blows = ["first", "second", "third"] as const;

/** The least peak taken for a reading, N: an instrument that shows none was not met. */
const leastForceN = 1;

const fallsUnder = "EN 12453:2017, gaps of 50 to 500 mm, from memory; your local code decides";

/** Leaves whose closing force is measured with an instrument; a window's or a radio's is not. */
const measured: readonly Purpose[] = [
  "swing-gate",
  "sliding-gate",
  "industrial-door",
  "rolling-grille",
  "pedestrian-door",
];

/** Three readings of the closing force at each gap, with the limit of the standard beside it. */
export function forceSteps(planned: Planned): StepDraft[] {
  if (!measured.includes(planned.bundle.board.purpose)) return [];
  const force = planned.controls.controls.find((control) =>
    control.gives.some(({ behaviour }) => behaviour === "force" || behaviour === "force-closing"),
  );
  const basis = forceBasis(planned);
  return forceGapsMm.map((gap) => ({
    id: `force:${gap}`,
    station: "force",
    title: `Closing force at ${gap} mm`,
    says: `Put the force instrument in the closing gap at ${gap} mm, let the ${movingThing(planned.bundle.board)} close onto it three times, and write down each peak.`,
    caution:
      "Only the instrument stands in the gap. Force limits are the law's; this program advises and does not certify.",
    effects: [],
    alsoSee: ["The leaf stops and backs off each time."],
    ifNot:
      "Too high: ease hinges first, then less force, a longer slow-down, or a softer edge; then measure again.",
    readings: blows.map((blow) => ({
      quantity: `${blow} peak force at ${gap} mm`,
      unit: "N",
      least: leastForceN,
      most: dynamicForceLimitN,
      source: fallsUnder,
    })),
    ...basis,
    subjects: force ? controlSubjects(planned.bundle.board, force) : [],
  }));
}
