import { contactPart } from "../../node/index.ts";
import type { Planned } from "../../state/index.ts";
import { chosenProcedures } from "../chosen.ts";
import type { StepDraft } from "../step.ts";

/** Where the protections are tripped for the first time: before anything moves, or after set-up where the job or the maker wants it so. */
function stationOfProof({ bundle }: Pick<Planned, "bundle">): "power-up" | "prove" | undefined {
  const { proof } = bundle.job;
  if (proof === undefined) return undefined;
  const later = proof === "after" || chosenProcedures({ bundle }).some(({ afterProof }) => afterProof);
  return later ? "prove" : "power-up";
}

/** Every protection tripped once at rest, so that its input is seen to read it before the leaf depends on it. */
export function senseSteps(planned: Planned, station: "power-up" | "prove"): StepDraft[] {
  if (stationOfProof(planned) !== station) return [];
  return planned.wiring.placements.flatMap(({ demand, place }): StepDraft[] => {
    if (demand.kind !== "contact" || place?.kind !== "input" || !place.input.guards.length) return [];
    const { device, contact } = demand;
    const { input } = place;
    const part = contactPart(device.id, contact.id);
    const lamps = planned.bundle.board.lamps.filter(({ shows }) =>
      shows.some(({ when }) => when.closed === input.id || when.open === input.id),
    );
    return [
      {
        id: `sense:${device.id}/${contact.id}:${input.id}`,
        station,
        title: `${device.name} is read`,
        says: `With everything at rest, trip it: ${contact.tripped}. Then let it clear.`,
        effects: [],
        needs: [{ powered: true }],
        trips: part,
        alwaysSee: lamps.map(({ id }) => id),
        alsoSee: [
          ...device.profile.lamps.flatMap(({ label, lit }) =>
            lit === "powered"
              ? []
              : [`On the device, ${label} is ${lit === "tripped" ? "lit" : "dark"} meanwhile.`],
          ),
          ...(lamps.length
            ? []
            : [`No lamp of the board tells it: measure ${input.terminal}, which opens while it is tripped.`]),
        ],
        ifNot: `Nothing may move until ${input.label.toLowerCase()} at ${input.terminal} reads it: look for a link that was left in, and for its cores.`,
        voidBy: { moved: [{ id: device.id, name: device.name }] },
        subjects: [
          { kind: "device", id: device.id },
          { kind: "input", id: input.id },
          { kind: "terminal", id: input.terminal },
        ],
      },
    ];
  });
}
