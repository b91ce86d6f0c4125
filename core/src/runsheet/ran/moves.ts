import { bothLeaves, leafName, movingThing } from "../../board/index.ts";
import { sentence } from "../../quantity/index.ts";
import type { Planned } from "../../state/index.ts";
import { lookSeconds, type Played } from "../../twin/index.ts";

export type Samples = Played["samples"];
type Which = keyof Samples;

/** One movement of one leaf, from where it stood to where it stands again: parts of its way, and seconds of the step. */
export interface Movement {
  leaf: Which;
  from: number;
  to: number;
  begins: number;
  ends: number;
}

/** Leaves that stand for less than this between two stretches have not stopped, s. */
const shortestStop = 0.5;
/** Less than this part of its way is the give of a stop, and what takes less time than this is done by hand, s. */
const least = { part: 0.03, seconds: 0.25 };

/** What of a leaf's samples is a movement: one way, without a stop between. */
function movementsOf(leaf: Which, samples: NonNullable<Samples[Which]>): Movement[] {
  const found: Movement[] = [];
  samples.forEach(([part], n) => {
    const was = samples[n - 1]?.[0] ?? part;
    const step = part - was;
    if (Math.abs(step) < 1e-4) return;
    const last = found.at(-1);
    const at = n * lookSeconds;
    const sameWay = last && Math.sign(last.to - last.from) === Math.sign(step);
    if (last && sameWay && at - last.ends < shortestStop)
      Object.assign(last, { to: part, ends: at + lookSeconds });
    else found.push({ leaf, from: was, to: part, begins: at, ends: at + lookSeconds });
  });
  return found.filter(
    ({ from, to, begins, ends }) => Math.abs(to - from) > least.part && ends - begins > least.seconds,
  );
}

/** Every movement in what was looked at, in the order in which they begin. */
export const movementsIn = (samples: Samples): Movement[] =>
  bothLeaves.flatMap((leaf) => movementsOf(leaf, samples[leaf] ?? [])).sort((a, b) => a.begins - b.begins);

const standsAt = (part: number): string =>
  part > 0.97 ? "fully open" : part < 0.03 ? "closed" : `${Math.round(part * 100)} % open`;

/** Two leaves that do the same at the same time. */
const alike = (one: Movement, other: Movement): boolean =>
  Math.abs(one.begins - other.begins) < 0.35 &&
  Math.abs(one.ends - other.ends) < 0.6 &&
  standsAt(one.to) === standsAt(other.to);

/** Movements in sentences: "The overlapping leaf opens for 14 s and stands fully open." */
export function movesTold({ bundle: { board, job } }: Planned, movements: readonly Movement[]): string[] {
  const { leaves } = job.survey;
  const groups = board.purpose === "rooflight";
  const name = (leaf: Which) =>
    leaves.length < 2
      ? `the ${movingThing(board)}`
      : `${groups ? "" : "the "}${leafName(board, leaves[leaf === "first" ? 0 : 1]!.id)}`;
  const told: string[] = [];
  const taken = new Set<Movement>();
  for (const movement of movements) {
    if (taken.has(movement)) continue;
    const other = movements.find((each) => each.leaf !== movement.leaf && alike(each, movement));
    if (other) taken.add(other);
    const many = other !== undefined;
    const does = movement.to > movement.from ? (many ? "open" : "opens") : many ? "close" : "closes";
    const seconds = Math.max(1, Math.round(movement.ends - movement.begins));
    const who = many ? `both ${groups ? "groups" : "leaves"}` : name(movement.leaf);
    told.push(
      sentence(`${who} ${does} for ${seconds} s and ${many ? "stand" : "stands"} ${standsAt(movement.to)}.`),
    );
  }
  return told;
}

/** What still moves at the end of a step. */
export const setsOff = ({ bundle: { board } }: Planned, toward: "open" | "closed"): string =>
  sentence(
    `the ${movingThing(board)} begins to ${toward === "open" ? "open" : "close"} and goes on in the next step.`,
  );

/** One stretch of a way: all that goes one way at about one time. */
interface Stretch {
  opens: boolean;
  leaves: Set<Which>;
  /** Where the leaf of it stands that came least far. */
  short: boolean;
}

/** What moved in a few words, without seconds: "opens, then closes part-way". */
export function wayTold(movements: readonly Movement[], leaves: number): string {
  const stretches: Stretch[] = [];
  for (const { leaf, from, to } of movements) {
    const opens = to > from;
    const short = to <= 0.97 && to >= 0.03;
    const last = stretches.at(-1);
    if (last?.opens === opens) {
      last.leaves.add(leaf);
      last.short ||= short;
    } else stretches.push({ opens, leaves: new Set([leaf]), short });
  }
  const told = stretches.map(({ opens, leaves: moved, short }) =>
    [
      ...(leaves > 1 && moved.size < 2 ? ["one leaf"] : []),
      opens ? "opens" : "closes",
      ...(short ? ["part-way"] : []),
    ].join(" "),
  );
  return told.length ? told.join(", then ") : "nothing moves";
}
