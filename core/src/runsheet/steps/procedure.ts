import {
  conditionHolds,
  heldBy,
  memoriesIn,
  menuValues,
  touchedBy,
  travelMemories,
  type Claims,
  type Gesture,
  type Procedure,
  type ProcedureStep,
} from "../../board/index.ts";
import type { StateEffect } from "../../job/index.ts";
import type { Subject } from "../../finding/index.ts";
import { plainNumber } from "../../quantity/index.ts";
import { plannedCircumstances, type Planned } from "../../state/index.ts";
import { controlSubject } from "../../controls/index.ts";
import { chosenProcedures } from "../chosen.ts";
import { filledBasis, forceBasis, learningBasis } from "../rests.ts";
import type { Station, StepDraft } from "../step.ts";
import { commandedWith } from "./commands.ts";

const placed = (at: string): "closed" | "open" | "between" =>
  at === "closed" || at === "on-limit" ? "closed" : at === "open" ? "open" : "between";

/** What the gesture itself moves: a control that is set, a menu value, or a leaf that is brought somewhere. */
function movedBy({ bundle: { board }, controls }: Planned, gesture: Gesture): StateEffect[] {
  const moved = (kind: "switches" | "dials" | "values", id: string, to: string): StateEffect[] => [
    { kind, to: { [id]: to } },
    ...(board.commits.some((commit) => commit.for === kind)
      ? []
      : [{ kind: "commit" as const, which: kind }]),
  ];
  if ("set" in gesture) {
    const { control, to } = gesture.set;
    return moved(board.dials.some((dial) => dial.id === control) ? "dials" : "switches", control, to);
  }
  if ("place" in gesture && gesture.place.at !== undefined)
    return [{ kind: "leaf", at: placed(gesture.place.at) }];
  if ("putBack" in gesture) {
    const { putBack } = gesture;
    const { switches, dials } = controls.positions;
    const kind = typeof putBack === "object" ? (putBack.control in dials ? "dials" : "switches") : putBack;
    return Object.entries(kind === "dials" ? dials : switches)
      .filter(([id]) => typeof putBack !== "object" || id === putBack.control)
      .flatMap(([id, to]) => moved(kind, id, to));
  }
  if ("choose" in gesture && gesture.choose.as !== undefined)
    return moved("values", gesture.choose.item, gesture.choose.as);
  return [];
}

function effectsOf(planned: Planned, step: ProcedureStep): StateEffect[] {
  const claims: Claims = step.claims;
  const effects = step.do.flatMap((gesture) => movedBy(planned, gesture));
  if (claims.power !== undefined) effects.push({ kind: "power", on: claims.power });
  if (claims.mode !== undefined) effects.push({ kind: "mode", mode: claims.mode });
  for (const what of memoriesIn(claims.learn)) effects.push({ kind: "learn", what });
  for (const what of memoriesIn(claims.forget)) effects.push({ kind: "forget", what });
  for (const what of memoriesIn(claims.add)) effects.push({ kind: "add", what });
  for (const what of memoriesIn(claims.drop)) effects.push({ kind: "drop", what });
  if (claims.leaf !== undefined) effects.push({ kind: "leaf", at: claims.leaf });
  if (claims.restores) {
    const values = menuValues(planned.bundle.board).map(({ item, delivered }) => [item.id, delivered]);
    effects.push({ kind: "values", to: Object.fromEntries(values) }, { kind: "commit", which: "values" });
  }
  const commit = planned.bundle.board.commits.find((each) => each.id === claims.commit);
  if (commit) effects.push({ kind: "commit", which: commit.for });
  return effects;
}

/** Keys, controls and entries a step's gesture is done with. */
function subjectsOf({ bundle: { board } }: Planned, { do: gestures }: ProcedureStep): Subject[] {
  return gestures.flatMap(touchedBy).map((part) => {
    if (part.kind === "display") return { kind: "display", id: "display" };
    if (part.kind !== "control") return part;
    const dial = board.dials.some((each) => each.id === part.id);
    return controlSubject(board, dial ? "dials" : "switches", part.id);
  });
}

/** Of several gestures the one that is held, the longest of them; of none that is held the last. */
const heldLongest = (gestures: readonly Gesture[]): Gesture | undefined =>
  gestures.toSorted((a, b) => (heldBy(a)?.seconds ?? 0) - (heldBy(b)?.seconds ?? 0)).at(-1);

/** What a board that recognises its supply should take it for, by the battery or supply that is planned. */
function recognisedVolts({ bundle: { board }, wiring }: Planned): string[] {
  if (!board.supply.recognised) return [];
  const fed = wiring.devices.flatMap(({ profile }) =>
    profile.provides.filter(({ feeds }) => feeds.includes("battery")),
  );
  const volts = fed.map((rail) => rail.volts).find((each) => board.supply.volts.includes(each));
  return volts === undefined ? [] : [`It takes its supply for ${plainNumber(volts)} V, as planned.`];
}

const changesSomething = ({ claims }: ProcedureStep): boolean =>
  Object.keys(claims).some((key) => key !== "power");

/** The steps of one procedure, as they stand at a station. */
export function procedureStepsOf(
  planned: Planned,
  procedure: Procedure,
  station: Station,
  begun?: StepDraft["begun"],
): StepDraft[] {
  const travel = travelMemories(planned.bundle.board);
  const learns = procedure.steps.flatMap((step) => memoriesIn(step.claims.learn));
  const fills = [...learns, ...procedure.steps.flatMap(({ claims }) => memoriesIn(claims.add))];
  const basis = learns.some((memory) => travel.includes(memory))
    ? learningBasis(planned, learns)
    : procedure.kind === "cycle"
      ? forceBasis(planned)
      : filledBasis(planned, fills);
  const ask = plannedCircumstances(planned);
  const taken = procedure.steps.filter((step) => !step.when || conditionHolds(step.when, ask));
  const run = begun ? `@${begun.entry}` : "";
  const idOf = (step: ProcedureStep) => `do:${procedure.id}:${step.id}${run}`;
  return taken.map((step, at) => {
    const before = taken[at - 1];
    return {
      id: idOf(step),
      station,
      title: taken.length > 1 ? `${procedure.title}, ${at + 1} of ${taken.length}` : procedure.title,
      says: step.do.some((each) => "command" in each) ? `${step.says} ${commandedWith(planned)}` : step.says,
      caution: step.caution,
      gesture: heldLongest(step.do),
      gestures: step.do,
      ...(!planned.bundle.board.programs.length && changesSomething(step) ? { claimed: true } : {}),
      effects: effectsOf(planned, step),
      alsoSee: [
        ...(step.see ? [step.see] : []),
        ...(procedure.kind === "power-up" && at === taken.length - 1 ? recognisedVolts(planned) : []),
      ],
      ifNot: step.ifNot,
      ...(step.measures.length ? { readings: step.measures } : {}),
      // Its first step asks for what the procedure needs; the others follow one another.
      ...(before ? { after: idOf(before) } : { needs: procedure.needs }),
      source: procedure.source,
      ...basis,
      ...(begun ? { begun } : {}),
      ...(procedure.kind === "reset" && !before ? { resets: true as const } : {}),
      ...(step.shows ? { shows: step.shows } : {}),
      subjects: subjectsOf(planned, step),
    };
  });
}

/** The profile's own procedures for a station, as steps, in the order of the file. */
export function procedureSteps(planned: Planned, station: Station): StepDraft[] {
  return chosenProcedures(planned)
    .filter((procedure) => procedure.station === station)
    .flatMap((procedure) => procedureStepsOf(planned, procedure, station));
}

/** Where a procedure stands that has no place in the order of the work. */
const stationOf = ({ station, kind }: Procedure): Station => {
  if (station) return station;
  if (kind === "pair") return "remotes";
  if (kind === "learn" || kind === "cycle" || kind === "direction") return "travel";
  return kind === "reset" || kind === "power-up" || kind === "mechanical" ? "power-up" : "prove";
};

/** The steps of every procedure that was begun because it was needed, in the order in which they were. */
export const begunSteps = (planned: Planned): StepDraft[] =>
  planned.bundle.log.flatMap((entry): StepDraft[] => {
    if (entry.kind !== "begun") return [];
    const procedure = planned.bundle.board.procedures.find(({ id }) => id === entry.procedure);
    if (!procedure) return [];
    const { id, reason } = entry;
    return procedureStepsOf(planned, procedure, stationOf(procedure), { entry: id, reason });
  });
