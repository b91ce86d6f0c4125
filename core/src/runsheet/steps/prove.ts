import {
  actText,
  conditionHolds,
  memoriesIn,
  movingThing,
  provedMoving,
  provingText,
  reactionMoments,
  reactionsOf,
  releasedCaution,
  travelMemories,
  type BoardInput,
  type Condition,
  type ContactDuty,
  type ReactionMoment,
} from "../../board/index.ts";
import { nothingRead } from "../../circuit/index.ts";
import type { Demand } from "../../wiring/index.ts";
import { contactPart } from "../../node/index.ts";
import { circumstancesOf, type BenchState, type Planned } from "../../state/index.ts";
import { chosenProcedures } from "../chosen.ts";
import { proofBasis, settingFacts } from "../rests.ts";
import type { StepDraft } from "../step.ts";

function reactionOf(
  planned: Planned,
  input: BoardInput,
  atEnd: BenchState,
  moment: ReactionMoment,
): string | undefined {
  const ask = circumstancesOf(planned, atEnd, nothingRead);
  const act = reactionsOf(input).find((row) => conditionHolds(row.when, ask))?.[moment];
  return act && actText(act, moment);
}

/** A leaf can be proved once the board has power and knows its travel, where it learns one. */
function ready({ bundle }: Planned): Condition[] {
  const learned = new Set(
    chosenProcedures({ bundle }).flatMap((procedure) =>
      procedure.steps.flatMap((step) => memoriesIn(step.claims.learn)),
    ),
  );
  const travel = travelMemories(bundle.board).filter((memory) => learned.has(memory));
  return [{ powered: true }, ...travel.map((memory) => ({ learned: memory }))];
}

/** Contacts that tell the board where the leaf is: they command nothing, and learning proves them. */
const senses: readonly ContactDuty[] = ["limit-open", "limit-closed", "limits", "encoder"];

type ContactDemand = Extract<Demand, { kind: "contact" }>;

function protectionSteps(
  planned: Planned,
  demand: ContactDemand,
  input: BoardInput,
  atEnd: BenchState,
): StepDraft[] {
  const { device, contact } = demand;
  const trips = contactPart(device.id, contact.id);
  const thing = movingThing(planned.bundle.board);
  const basis = proofBasis(planned, device, input);
  return reactionMoments.flatMap((moment): StepDraft[] => {
    const reaction = reactionOf(planned, input, atEnd, moment);
    if (reaction === undefined) return [];
    return [
      {
        id: `prove:${device.id}/${contact.id}:${input.id}:${moment}`,
        station: "prove",
        title: `${device.profile.contacts.length > 1 ? `${device.name}, ${contact.tripped}` : device.name}, ${thing} ${moment}`,
        says: `${provingText(moment, thing)}: ${contact.tripped}.`,
        caution: provedMoving(moment)
          ? "Trip it with an object, never with your body. Be ready to stop."
          : undefined,
        effects: [],
        needs: ready(planned),
        trips,
        proves: { leaf: moment },
        alsoSee: [`The ${thing} ${reaction}.`],
        ifNot: `Take the ${thing} out of use until this is put right.`,
        rests: [...basis.rests, { fact: `Tripped with the ${thing} ${moment}`, is: reaction }],
        voidBy: basis.voidBy,
        subjects: [
          { kind: "device", id: device.id },
          { kind: "input", id: input.id },
          { kind: "terminal", id: input.terminal },
        ],
      },
    ];
  });
}

function commandStep(planned: Planned, demand: ContactDemand, input: BoardInput): StepDraft {
  const { device, contact } = demand;
  return {
    id: `prove:${device.id}/${contact.id}:${input.id}:command`,
    station: "prove",
    title: `${device.name} gives its command`,
    says: `Make it act: ${contact.tripped}.`,
    caution: `The ${movingThing(planned.bundle.board)} moves. Keep its path in sight.`,
    effects: [],
    needs: ready(planned),
    trips: contactPart(device.id, contact.id),
    proves: { leaf: contact.duty === "close-only" ? "open" : "closed", commands: true },
    alsoSee: [
      `The ${movingThing(planned.bundle.board)} obeys ${device.name} at ${input.label} (${input.terminal}).`,
    ],
    rests: settingFacts(planned, [...input.setBy, "command-logic"]),
    voidBy: { moved: [{ id: device.id, name: device.name }] },
    subjects: [
      { kind: "device", id: device.id },
      { kind: "terminal", id: input.terminal },
    ],
  };
}

/** Jumpers that are bridged for something for a while, and must be off in service. */
function jumperSteps({ wiring }: Planned): StepDraft[] {
  return wiring.devices.flatMap((device) =>
    device.profile.jumpers.map((jumper): StepDraft => ({
      id: `prove:${device.id}:${jumper.id}:off`,
      station: "prove",
      title: `${device.name}, ${jumper.label} off`,
      says: `Bridge ${jumper.label} for ${jumper.onlyFor} and for nothing else, and take it off afterwards.`,
      effects: [],
      alsoSee: [`${jumper.label} is off.`],
      ifNot: `While it is left on, ${jumper.otherwise}.`,
      subjects: [{ kind: "device", id: device.id }],
    })),
  );
}

/** Every protection device in every state of the gate, every command, the manual release. */
export function proveSteps(planned: Planned, atEnd: BenchState): StepDraft[] {
  const pair = planned.bundle.job.survey.leaves.length > 1;
  const contacts = planned.wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" ? [{ demand, input: place.input }] : [],
  );
  return [
    ...jumperSteps(planned),
    ...contacts
      .filter(({ input }) => reactionsOf(input).length)
      .flatMap(({ demand, input }) => protectionSteps(planned, demand, input, atEnd)),
    ...contacts
      .filter(({ demand, input }) => !reactionsOf(input).length && !senses.includes(demand.contact.duty))
      .map(({ demand, input }) => commandStep(planned, demand, input)),
    {
      id: "prove:release",
      station: "prove",
      title: "Manual release",
      says: `With the ${movingThing(planned.bundle.board)} at rest, release ${pair ? "each" : "the"} drive, move the leaf by hand through its travel, engage the drive again.`,
      caution: releasedCaution(planned.bundle.board),
      effects: [],
      alsoSee: [`${pair ? "Each" : "The"} leaf moves freely by hand and is held again after engaging.`],
      subjects: [],
    },
  ];
}

/** What is handed over, and told to whom. */
export function handOverSteps(planned: Planned): StepDraft[] {
  const thing = movingThing(planned.bundle.board);
  const step = (id: string, title: string, says: string, see: string): StepDraft => ({
    id: `hand-over:${id}`,
    station: "hand-over",
    title,
    says,
    effects: [],
    alsoSee: [see],
    subjects: [],
  });
  return [
    step(
      "instruct",
      "Instruct the user",
      `Show opening, stopping and the manual release. Say what the ${thing} does when the mains fails.`,
      "The user has used the manual release once with their own hands.",
    ),
    step(
      "label",
      "Label the cabinet",
      "Stick the job's label inside the cabinet door and close the cabinet.",
      "The label names job, date and firm; no core is trapped in the door.",
    ),
    step(
      "record",
      "Give the record",
      "Print or save the record, and export the job file.",
      "The user has the record.",
    ),
  ];
}
