import { z } from "zod";
import { label } from "./basic.ts";
import { conditionSchema } from "./condition-schema.ts";

/** Where the leaf is as a protection trips, and how that is brought about to prove it. */
interface Moment {
  /** What to do; `{thing}` stands for what moves. */
  prove: string;
  /** True where the leaf moves as it is tripped. */
  moves: boolean;
}

/** The four moments in which what a protection does is told and proved; at rest, with a command to move given. */
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

/** What a leaf can do when a protection trips, with what is seen of it in each moment it can be done in. */
const acts = {
  ignore: {
    closed: "opens all the same",
    opening: "goes on",
    open: "closes all the same",
    closing: "goes on",
  },
  refuse: { closed: "does not move", open: "stays open" },
  hold: { open: "holds open" },
  stop: { opening: "stops", closing: "stops" },
  "stop-until-clear": { opening: "stops until clear", closing: "stops until clear" },
  reverse: { opening: "reverses fully", closing: "reverses fully" },
  "stop-reverse": { opening: "stops and reverses fully", closing: "stops and reverses fully" },
  "back-off": { opening: "stops and backs off", closing: "stops and backs off" },
  slow: { closed: "opens slowly", opening: "slows", open: "closes slowly", closing: "slows" },
} as const satisfies Record<string, Partial<Record<ReactionMoment, string>>>;

export type ActWord = keyof typeof acts;
export type Act = ActWord | { retractMm: number } | { says: string; does?: ActWord | undefined };

const texts: Record<ActWord, Partial<Record<ReactionMoment, string>>> = acts;
const wordsFor = (moment: ReactionMoment) =>
  (Object.keys(acts) as ActWord[]).filter((word) => texts[word][moment] !== undefined);

const actIn = (moment: ReactionMoment) =>
  z.union([
    z.enum(wordsFor(moment) as [ActWord, ...ActWord[]]),
    ...(moments[moment].moves
      ? [
          z
            .strictObject({ retractMm: z.number().positive().max(2_000) })
            .describe("It stops and backs off by so many millimetres."),
        ]
      : []),
    z
      .strictObject({
        says: label,
        does: z.enum(wordsFor(moment) as [ActWord, ...ActWord[]]).optional(),
      })
      .describe("In words of its own; `does` is what they mean, and without it they cause nothing."),
  ]) as unknown as z.ZodType<Act, Act>;

/** What the leaf does when an input trips, moment by moment; the first row whose condition holds counts. */
export const reactionSchema = z.strictObject({
  when: conditionSchema.default({}),
  ...({
    closed: actIn("closed").describe("At rest closed, a command to open is given."),
    opening: actIn("opening"),
    open: actIn("open").describe("At rest open, a command to close is given."),
    closing: actIn("closing"),
  } satisfies Record<ReactionMoment, z.ZodType>),
});

/** What is seen of an act in a moment: "stops and backs off". */
export function actText(act: Act, moment: ReactionMoment): string {
  if (typeof act === "string") return texts[act][moment] ?? act;
  return "says" in act ? act.says : `stops and backs off by about ${act.retractMm} mm`;
}

/** What an act makes of the leaf, whatever words it is told in; undefined for words that cause nothing. */
export function actWord(act: Act): ActWord | undefined {
  if (typeof act === "string") return act;
  return "says" in act ? act.does : "back-off";
}

/** Words of earlier formats for a leaf that does not set off. */
const refusals = ["stays", "does not open", "does not move", "stays open"];

/** The act that words of an earlier format mean in a moment, told in those words as it was. */
export function actOf(words: string, moment: ReactionMoment): Act {
  const same = wordsFor(moment).find((word) => texts[word][moment] === words);
  if (same) return same;
  return refusals.includes(words) && !moments[moment].moves
    ? { says: words, does: "refuse" }
    : { says: words };
}

export type Reaction = z.output<typeof reactionSchema>;

/** What a stop does of which the profile says no more: it stops, and nothing sets off while it is tripped. */
const plainStop: Reaction = { when: {}, closed: "refuse", opening: "stop", open: "refuse", closing: "stop" };

/** What an input that trips makes of the leaf: the rows of its profile; of a stop without any, that it stops. */
export const reactionsOf = (input: { reactions: readonly Reaction[]; takes: readonly string[] }) =>
  input.reactions.length || input.takes[0] !== "stop" ? input.reactions : [plainStop];

/** What a row must say at rest where it does nothing while the leaf moves: the command that follows is not refused. */
const answersAtRest = [
  { moving: "opening", atRest: "closed" },
  { moving: "closing", atRest: "open" },
] as const satisfies readonly { moving: ReactionMoment; atRest: ReactionMoment }[];

/** The moments at rest in which a row refuses a movement that it lets go on once it is under way, with what was expected. */
export function refusedAtRest(
  row: Readonly<Record<ReactionMoment, Act>>,
): { moment: ReactionMoment; expected: string }[] {
  return answersAtRest
    .filter(
      ({ moving, atRest }) =>
        actWord(row[moving]) === "ignore" && ["refuse", "hold"].includes(actWord(row[atRest]) ?? ""),
    )
    .map(({ moving, atRest }) => ({ moment: atRest, expected: `ignore or slow, as ${moving} is ignored` }));
}
