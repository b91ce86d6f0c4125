import { z } from "zod";
import { plainNumber } from "../../quantity/index.ts";
import { idSchema, prose, seconds, word } from "./basic.ts";
import { conditionSchema, type Condition } from "./condition-schema.ts";
import { checkCondition } from "./condition.ts";
import { commands } from "./leaf.ts";
import type { Names } from "./names.ts";
import { checkPosition, known, type Report } from "./report.ts";

/** A part of the board that a gesture is done with. */
export type Touched =
  | { kind: "key"; id: string }
  | { kind: "input"; id: string }
  | { kind: "control"; id: string }
  | { kind: "display" };

/** What a key or an input is called on the board, by its id. */
type Called = (id: string) => string;

const byId: Called = (id) => id;

/** What a kind of gesture takes and means. */
interface Meaning<S extends z.ZodType> {
  schema: S;
  /** What is done, for the reference of the format. */
  describes: string;
  /** Reports what the gesture names and the board lacks. */
  check?: (value: z.output<S>, path: string, names: Names, report: Report) => void;
  /** "hold OK for 3 s". */
  text: (value: z.output<S>, called: Called) => string;
  /** What is held and for how long, s; undefined where nothing is. */
  held?: (value: z.output<S>, called: Called) => { what: string; seconds: number } | undefined;
  touches?: (value: z.output<S>) => Touched[];
}

const gesture = <S extends z.ZodType>(meaning: Meaning<S>): Meaning<S> => meaning;

const key = (id: string): Touched => ({ kind: "key", id });
const knownKey = (id: string, path: string, names: Names, report: Report) =>
  known(id, names.keys, path, "key", report);
const times = (n: number) => (n === 1 ? "" : n === 2 ? " twice" : ` ${n} times`);
const forSeconds = (value: number) => `for ${plainNumber(value)} s`;

/** Where leaves are brought. */
const placeTexts = {
  closed: "fully closed",
  open: "fully open",
  middle: "half-way",
  "between-limits": "between its limits",
  "on-limit": "onto its limit",
} as const;

const placeSchema = z.enum(
  Object.keys(placeTexts) as [keyof typeof placeTexts, ...(keyof typeof placeTexts)[]],
);

/** What a transmitter sends: a brief press, a long one, its recessed button, its own pairing key, its search. */
export const sendsSchema = z.enum(["press", "hold", "recessed", "key", "search"]);

const gestures = {
  hold: gesture({
    schema: z.strictObject({ key: idSchema, seconds: z.number().positive().max(120) }),
    describes: "Hold one key for so many seconds.",
    check: (hold, path, names, report) => knownKey(hold.key, `${path}.key`, names, report),
    text: (hold, called) => `hold ${called(hold.key)} ${forSeconds(hold.seconds)}`,
    held: (hold, called) => ({ what: called(hold.key), seconds: hold.seconds }),
    touches: (hold) => [key(hold.key)],
  }),
  press: gesture({
    schema: z.strictObject({ key: idSchema, times: z.number().int().min(1).max(20).default(1) }),
    describes: "Press a key so many times.",
    check: (press, path, names, report) => knownKey(press.key, `${path}.key`, names, report),
    text: (press, called) => `press ${called(press.key)}${times(press.times)}`,
    touches: (press) => [key(press.key)],
  }),
  together: gesture({
    schema: z.strictObject({ keys: z.array(idSchema).min(2).max(4), seconds }),
    describes: "Hold several keys at once.",
    check: ({ keys }, path, names, report) =>
      keys.forEach((id, index) => knownKey(id, `${path}.keys[${index}]`, names, report)),
    text: ({ keys, seconds: long }, called) =>
      `hold ${keys.map(called).join(" and ")} together ${forSeconds(long)}`,
    held: ({ keys, seconds: long }, called) => ({ what: keys.map(called).join(" and "), seconds: long }),
    touches: ({ keys }) => keys.map(key),
  }),
  turn: gesture({
    schema: z.strictObject({
      key: idSchema,
      to: z.enum(["left", "right"]),
      clicks: z.number().int().min(1).max(100).default(1),
    }),
    describes: "Turn a turn-and-press key.",
    check: (turn, path, names, report) => knownKey(turn.key, `${path}.key`, names, report),
    text: ({ key: knob, to, clicks }, called) =>
      `turn ${called(knob)} to the ${to}${clicks > 1 ? ` by ${clicks} clicks` : ""}`,
    touches: (turn) => [key(turn.key)],
  }),
  choose: gesture({
    schema: z.strictObject({ item: idSchema, as: word.optional() }),
    describes: "Go to a menu entry and, where it has values, set this one.",
    check: ({ item, as }, path, names, report) => {
      known(item, [...names.items.keys()], `${path}.item`, "menu entry", report);
      const positions = names.items.get(item);
      if (as !== undefined && positions && !positions.includes(as))
        report(
          `${path}.as`,
          positions.length
            ? `what ${item} can show (${positions.slice(0, 12).join(", ")})`
            : "nothing: the entry has no value",
          as,
          "Give what the display shows for the wanted value.",
        );
    },
    text: ({ item, as }) => `choose ${item}${as ? ` and set it to ${as}` : ""}`,
    touches: () => [{ kind: "display" }],
  }),
  set: gesture({
    schema: z.strictObject({ control: idSchema, to: word }),
    describes: "Move a switch, jumper, slide or dial.",
    check: ({ control, to }, path, names, report) =>
      checkPosition(control, to, { control: `${path}.control`, position: `${path}.to` }, names, report),
    text: ({ control, to }, called) => `set ${called(control)} to ${to}`,
    touches: ({ control }) => [{ kind: "control", id: control }],
  }),
  putBack: gesture({
    schema: z.union([z.enum(["switches", "dials"]), z.strictObject({ control: idSchema })]),
    describes: "Put switches, slides and jumpers, or dials, back as they were noted; or one of them alone.",
    check: (what, path, names, report) => {
      if (typeof what === "object") known(what.control, [...names.controls.keys()], path, "control", report);
    },
    text: (what, called) =>
      typeof what === "object"
        ? `put ${called(what.control)} back as noted`
        : `put the ${what} back as noted`,
    touches: (what) => (typeof what === "object" ? [{ kind: "control", id: what.control }] : []),
  }),
  trip: gesture({
    schema: z.strictObject({ input: idSchema, seconds: seconds.optional() }),
    describes: "Work an input by hand, such as holding a limit switch.",
    check: ({ input }, path, names, report) => known(input, names.inputs, `${path}.input`, "input", report),
    text: ({ input, seconds: long }, called) =>
      `hold ${called(input)} by hand${long ? ` ${forSeconds(long)}` : ""}`,
    held: ({ input, seconds: long }, called) => (long ? { what: called(input), seconds: long } : undefined),
    touches: ({ input }) => [{ kind: "input", id: input }],
  }),
  power: gesture({
    schema: z.enum(["on", "off"]),
    describes: "Switch the supply.",
    text: (to) => `switch the supply ${to}`,
  }),
  wait: gesture({
    schema: seconds,
    describes: "Do nothing for so many seconds.",
    text: (long) => `wait ${plainNumber(long)} s`,
  }),
  place: gesture({
    schema: z.strictObject({
      at: placeSchema.optional(),
      by: z.enum(["hand", "crank", "held-key"]).default("hand"),
      key: idSchema.optional().describe("The key that is held, where one moves the leaf."),
      leaves: z.number().int().min(1).max(2).optional().describe("Only this one of two leaves."),
      says: prose.optional().describe("In words alone; left without a place it moves nothing."),
    }),
    describes: "Bring the leaves somewhere: by hand, with a crank, or with a key held.",
    check: ({ by, key: held }, path, names, report) => {
      if (held !== undefined) knownKey(held, `${path}.key`, names, report);
      if ((by === "held-key") !== (held !== undefined))
        report(
          `${path}.key`,
          "a key where one is held, and none otherwise",
          held,
          "Name the key, or the hand.",
        );
    },
    text: ({ at, by, key: held, says }, called) =>
      says ??
      `bring it ${at === undefined ? "into place" : placeTexts[at]}${by === "hand" ? " by hand" : by === "crank" ? " with the crank" : `, holding ${called(held ?? "its key")}`}`,
    touches: ({ key: held }) => (held === undefined ? [] : [key(held)]),
  }),
  fails: gesture({
    schema: z.enum(["mains", "battery"]),
    describes: "Let the mains fail, or the battery run low.",
    text: (what) => (what === "mains" ? "let the mains fail" : "let the battery run low"),
  }),
  returns: gesture({
    schema: z.enum(["mains", "battery"]),
    describes: "Let the mains return, or the battery be charged again.",
    text: (what) => (what === "mains" ? "let the mains return" : "let the battery be charged"),
  }),
  watch: gesture({
    schema: z
      .union([
        prose,
        z.strictObject({
          says: prose,
          until: conditionSchema
            .optional()
            .describe("Until this holds; left out, until nothing happens any more."),
        }),
      ])
      .transform((given): { says: string; until?: Condition | undefined } =>
        typeof given === "string" ? { says: given } : given,
      ),
    describes: "Watch something happen by itself.",
    check: ({ until }, path, names, report) => {
      if (until) checkCondition(until, `${path}.until`, names, report);
    },
    text: ({ says }) => `watch ${says}`,
  }),
  command: gesture({
    schema: z.enum(["full cycle", ...commands]),
    describes: "Give a command with whatever commands on this site.",
    text: (what) => (what === "full cycle" ? "command a full cycle" : `give the command to ${what}`),
  }),
  remote: gesture({
    schema: z.strictObject({
      sends: sendsSchema.optional(),
      times: z.number().int().min(1).max(9).default(1),
      says: prose.describe("What is done at it, as it is told."),
    }),
    describes:
      "Do something at a remote or another transmitter; without `sends` it is told and nothing is heard.",
    text: ({ says }) => `at the transmitter: ${says}`,
  }),
};

type Gestures = typeof gestures;

/** Every kind of gesture. */
type GestureKind = keyof Gestures;

type Values = { [K in GestureKind]: z.output<Gestures[K]["schema"]> };

/** One thing done at the board, by hand: a mapping with one key, the kind of gesture. */
export type Gesture = { [K in GestureKind]: { [Key in K]: Values[K] } }[GestureKind];

const kinds = Object.keys(gestures) as GestureKind[];

/** One thing done at the board, by hand. */
export const gestureSchema = z
  .union(
    kinds.map((kind) => z.strictObject({ [kind]: gestures[kind].schema }).describe(gestures[kind].describes)),
  )
  .meta({ id: "gesture", description: "One thing done by hand." }) as unknown as z.ZodType<Gesture>;

/** A gesture with its kind told apart from its value. */
function parted(given: Gesture): { kind: GestureKind; meaning: Meaning<z.ZodType>; value: unknown } {
  const kind = kinds.find((each) => each in given);
  if (!kind) throw new TypeError(`gesture: expected one of ${kinds.join(", ")}, found ${Object.keys(given)}`);
  const value = (given as Partial<Values>)[kind];
  return { kind, meaning: gestures[kind] as unknown as Meaning<z.ZodType>, value };
}

/** A gesture in a few words: "hold OK for 3 s", "press UP twice". Keys and inputs are called by their ids, or as told. */
export function gestureText(given: Gesture, called: Called = byId): string {
  const { meaning, value } = parted(given);
  return meaning.text(value, called);
}

/** What is held by a gesture and for how long, s; undefined where nothing is. */
export function heldBy(given: Gesture, called: Called = byId): { what: string; seconds: number } | undefined {
  const { meaning, value } = parted(given);
  return meaning.held?.(value, called);
}

/** The parts of the board that a gesture is done with. */
export function touchedBy(given: Gesture): Touched[] {
  const { meaning, value } = parted(given);
  return meaning.touches?.(value) ?? [];
}

/** Reports everything the gesture names that the board lacks. */
export function checkGesture(given: Gesture, path: string, names: Names, report: Report): void {
  const { kind, meaning, value } = parted(given);
  meaning.check?.(value, `${path}.${kind}`, names, report);
}
