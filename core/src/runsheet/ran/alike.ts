import { positionsText, selectorsOf } from "../../board/index.ts";
import { listed } from "../../quantity/index.ts";
import type { LampState, Planned } from "../../state/index.ts";
import { faultAdvice, faultChoices } from "../../twin/index.ts";
import type { Step } from "../step.ts";
import { wayTold } from "./moves.ts";
import { isStray, playStep, startOf, type Amiss, type Playing, type StepPlayed } from "./play.ts";
import { movesOf } from "./ran.ts";
import { Replayed } from "./replayed.ts";

/** All of a step that can be told from where someone stands. */
interface Sight {
  lamps: Record<string, LampState>;
  display: string;
  /** What moved, in a few words: "opens part-way, then closes". */
  moved: string;
}

/** A single fault that would make a step look otherwise. */
export interface LookAlike {
  /** What is wrong, and where. */
  what: string;
  where: string;
  fault: Amiss;
  todo: string;
  /** 1 seldom to 10 daily. */
  often: number;
  sight: Sight;
}

/** A step as it should look, and as it would with each single fault that shows in it. */
export interface Sights {
  due: Sight;
  faulty: LookAlike[];
}

/** What someone saw instead; what they did not look at is left out. */
export type SeenInstead = Partial<Omit<Sight, "lamps">> & { lamps?: Record<string, LampState> };

function sightOf(planned: Planned, step: Step, made: StepPlayed): Sight {
  const { lamps, display } = made.after;
  const { movements } = movesOf(planned, made);
  return {
    lamps,
    display: step.shows ?? display,
    moved: wayTold(movements, planned.bundle.job.survey.leaves.length),
  };
}

const sameLamps = (one: Sight, other: Sight): boolean =>
  Object.keys({ ...one.lamps, ...other.lamps }).every(
    (id) => (one.lamps[id] ?? "dark") === (other.lamps[id] ?? "dark"),
  );

const sameSight = (one: Sight, other: Sight): boolean =>
  one.display === other.display && one.moved === other.moved && sameLamps(one, other);

/** Faults of one kind at one device that look the same are told once, with all their places. */
function gathered(found: readonly LookAlike[]): LookAlike[] {
  const groups: LookAlike[][] = [];
  const deviceOf = ({ fault }: LookAlike) => ("device" in fault ? fault.device : JSON.stringify(fault));
  for (const each of found) {
    const own = groups.find(
      ([first]) =>
        first!.what === each.what &&
        deviceOf(first!) === deviceOf(each) &&
        sameSight(first!.sight, each.sight),
    );
    if (own) own.push(each);
    else groups.push([each]);
  }
  return groups.map((group) => {
    const [first] = group as [LookAlike];
    const [name = "", ...others] = first.where.split(": ");
    const places = group.map(({ where }) => where.slice(name.length + 2));
    return others.length && group.length > 1 ? { ...first, where: `${name}: ${listed(places)}` } : first;
  });
}

type Choice = Omit<LookAlike, "sight">;

/** How often a control stands elsewhere than it should, beside faults; custom of the trade, no source. */
const strayOften = 8;

/** Every single control of the face at each place where it should not be. */
function strayChoices({ bundle: { board }, controls }: Planned): Choice[] {
  const { switches } = controls.positions;
  return selectorsOf(board).flatMap(({ id, positions }) => {
    const right = switches[id];
    if (right === undefined) return [];
    const owes = controls.controls.some(({ parts, commit }) => parts.includes(id) && commit);
    return positions
      .filter((at) => at !== right)
      .map((at): Choice => ({
        what: "A control stands otherwise",
        where: positionsText(board, [id], [at]),
        fault: { kind: "control", control: id, at },
        todo: `Set ${positionsText(board, [id], [right])}${owes ? ", and have the board read it by its gesture" : ""}.`,
        often: strayOften,
      }));
  });
}

/** Everything that can be wrong alone, each with what to do. */
const choicesOf = (planned: Planned): Choice[] => [
  ...faultChoices(planned).map((choice) => ({ ...choice, ...faultAdvice[choice.fault.kind] })),
  ...strayChoices(planned),
];

/** Plays a step with things wrong; faults of wires that come to the same are played once. */
function sighting(planned: Planned, sheet: readonly Step[], at: number): (amiss: readonly Amiss[]) => Sight {
  const play = (how: Playing) =>
    sightOf(planned, sheet[at]!, playStep(planned, sheet, at, { ...how, looksOn: false }));
  const start = startOf(planned, sheet, at);
  const replayed = start && new Replayed<Sight>(start);
  return (amiss) => {
    const faults = amiss.filter((each) => !isStray(each));
    if (!replayed || faults.length < amiss.length) return play({ amiss });
    return replayed.outcome(faults, (heard) => play({ amiss, heard }));
  };
}

/** What is known of a step while not every fault has been played. */
export interface SightsSoFar extends Sights {
  /** Part of the faults that were played. */
  tried: number;
}

/**
 * Plays a step of a sheet with every single fault the installation can have, those that are met most often first, part by
 * part, so that whoever asks may do something else meanwhile, and see what is known so far; it gives those that show.
 */
export function* sightsOf(
  planned: Planned,
  sheet: readonly Step[],
  id: string,
): Generator<SightsSoFar, Sights | undefined> {
  const at = sheet.findIndex((step) => step.id === id);
  if (at < 0) return undefined;
  const sightWith = sighting(planned, sheet, at);
  const due = sightWith([]);
  const found: LookAlike[] = [];
  const sights = (): Sights => ({ due, faulty: gathered(found) });
  const choices = choicesOf(planned).sort((a, b) => b.often - a.often);
  for (const [n, choice] of choices.entries()) {
    const sight = sightWith([choice.fault]);
    if (!sameSight(sight, due)) found.push({ ...choice, sight });
    yield { ...sights(), tried: (n + 1) / choices.length };
  }
  return sights();
}

const plain = (text: string) => text.toLowerCase().replaceAll(/[\s|]+/g, "");

/** What of what was seen a sight has, and what it has not. */
function agrees({ lamps, display, moved }: SeenInstead, sight: Sight): { yes: number; no: number } {
  const told = [
    ...Object.entries(lamps ?? {}).map(([id, is]) => (sight.lamps[id] ?? "dark") === is),
    ...(display === undefined ? [] : [plain(display) === plain(sight.display)]),
    ...(moved === undefined ? [] : [moved === sight.moved]),
  ];
  const yes = told.filter(Boolean).length;
  return { yes, no: told.length - yes };
}

/**
 * The single faults that would look like what was seen, likeliest first; where none looks just so, those that come nearest.
 */
export function likeliest(seen: SeenInstead, { faulty }: Sights): { exact: boolean; faults: LookAlike[] } {
  const least = Math.min(...faulty.map(({ sight }) => agrees(seen, sight).no));
  return { exact: least === 0, faults: faulty.filter(({ sight }) => agrees(seen, sight).no === least) };
}
