import { z } from "zod";
import { label } from "./basic.ts";
import { conditionSchema } from "./condition.ts";

/** Where the leaf is as a protection trips, and how that is brought about to prove it. */
interface Moment {
  /** What to do; `{thing}` stands for what moves. */
  prove: string;
  /** True where the leaf moves as it is tripped. */
  moves: boolean;
}

/** The four moments in which what a protection does is told and proved. */
const moments = {
  closed: {
    prove: "With the {thing} closed, give an open command while you hold it tripped",
    moves: false,
  },
  opening: { prove: "While the {thing} opens, trip it", moves: true },
  open: { prove: "With the {thing} open, trip it and give a close command", moves: false },
  closing: { prove: "While the {thing} closes, trip it", moves: true },
} as const satisfies Record<string, Moment>;

export type ReactionMoment = keyof typeof moments;

/** The moments in the order in which they are proved. */
export const reactionMoments = Object.keys(moments) as ReactionMoment[];

/** How a reaction in this moment is brought about, for a gate, a door or whatever moves. */
export const provingText = (moment: ReactionMoment, thing: string): string =>
  moments[moment].prove.replace("{thing}", thing);

/** True where the leaf moves while it is proved. */
export const provedMoving = (moment: ReactionMoment): boolean => moments[moment].moves;

/** What the leaf does when an input trips, moment by moment; the first row whose condition holds counts. */
export const reactionSchema = z.strictObject({
  when: conditionSchema.default({}),
  ...({ closed: label, opening: label, open: label, closing: label } satisfies Record<
    ReactionMoment,
    z.ZodType
  >),
});

/** What a row must begin with at rest where it does nothing while the leaf moves: the command that follows is not refused. */
const answersAtRest = [
  { moving: "opening", atRest: "closed", begins: "opens" },
  { moving: "closing", atRest: "open", begins: "closes" },
] as const satisfies readonly { moving: ReactionMoment; atRest: ReactionMoment; begins: string }[];

/** The moments at rest in which a row refuses a movement that it lets go on once it is under way, with what was expected. */
export function refusedAtRest(
  row: Readonly<Record<ReactionMoment, string>>,
): { moment: ReactionMoment; expected: string }[] {
  return answersAtRest
    .filter(({ moving, atRest, begins }) => row[moving] === "goes on" && !row[atRest].startsWith(begins))
    .map(({ moving, atRest, begins }) => ({
      moment: atRest,
      expected: `"${begins} all the same", as ${moving} goes on`,
    }));
}
