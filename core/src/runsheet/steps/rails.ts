import { plainNumber } from "../../quantity/index.ts";
import type { Rail } from "../../board/index.ts";
import type { Planned } from "../../state/index.ts";
import type { StepDraft } from "../step.ts";
import { isMains } from "./wire.ts";

/** What every load on the rail bears, V; undefined when it feeds nothing. */
function window(planned: Planned, rail: Rail): { least: number; most: number } | undefined {
  const volts = planned.wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "supply" && place?.kind === "rail" && place.rail.id === rail.id
      ? [demand.supply.volts]
      : [],
  );
  if (!volts.length) return undefined;
  return {
    least: Math.max(...volts.map((each) => each.min)),
    most: Math.min(...volts.map((each) => each.max)),
  };
}

/** A reading at each rail that always lives and feeds something, against what all its loads bear. */
export function railSteps(planned: Planned): StepDraft[] {
  return planned.bundle.board.rails.flatMap((rail): StepDraft[] => {
    const bears = window(planned, rail);
    const [plus, minus] = [rail.plus[0], rail.minus[0]];
    if ((rail.live !== "always" && rail.live !== "awake") || !bears || !plus || !minus) return [];
    const kind = rail.kind.toUpperCase();
    return [
      {
        id: `volts:${rail.id}:${bears.least}-${bears.most}`,
        station: "power-up",
        title: `${rail.label}, voltage`,
        says: `Measure ${plus} to ${minus} with the meter on volts ${kind}.`,
        ...(isMains(planned.bundle.board)
          ? {
              caution:
                "The mains terminals are live. One probe at a time, and nothing conductive in the other hand.",
            }
          : {}),
        effects: [],
        alsoSee: [`About ${plainNumber(rail.volts)} V ${kind}, steady.`],
        ifNot: `Far too low or none: something on ${rail.label} draws too much or is short. Isolate, take its devices off, power up, and land them again one by one.`,
        readings: [
          {
            quantity: `${plus} to ${minus}`,
            unit: `V ${kind}`,
            ...bears,
            source: "what every device on this rail bears",
          },
        ],
        subjects: [
          { kind: "rail", id: rail.id },
          { kind: "terminal", id: plus },
          { kind: "terminal", id: minus },
        ],
      },
    ];
  });
}
