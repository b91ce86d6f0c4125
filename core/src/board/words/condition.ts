import { behaviour, behaviourText, type BehaviourId } from "../behaviour.ts";
import { listed } from "../../quantity/index.ts";
import type { Condition } from "./condition-schema.ts";
import type { LeafState } from "./leaf.ts";
import type { Circumstances, Labels, Names } from "./names.ts";
import { checkPosition, known, type Report } from "./report.ts";

/** Keys that ask something by themselves; the others say more of the one before them. */
type Kind = Exclude<keyof Condition, "is" | "atLeast" | "at">;

type Asking<K extends Kind> = Condition & { [Key in K]-?: NonNullable<Condition[Key]> };

/** What a kind of condition means. */
interface Meaning<K extends Kind> {
  /** Reports what the condition names and the board lacks. */
  check?: (when: Asking<K>, path: string, names: Names, report: Report) => void;
  holds: (when: Asking<K>, ask: Circumstances) => boolean;
  /** "Stop reads closed". */
  text: (when: Asking<K>, labels: Labels) => string;
  /** What has to be so before it holds, as a person is told who waits for it. */
  must: (when: Asking<K>, labels: Labels) => string;
  /** Why a lamp looks as it does while this holds, in a few words. */
  because?: (when: Asking<K>) => string;
  /** Why a lamp stays dark that looks for this, while it does not hold. */
  instead?: (when: Asking<K>) => string;
}

const reads = (as: "closed" | "open") => ({
  check: (when: Condition, path: string, names: Names, report: Report) =>
    known(when[as], names.inputs, `${path}.${as}`, "input", report),
  holds: (when: Condition, ask: Circumstances) => ask.reads(when[as]!, as),
  text: (when: Condition, labels: Labels) => `${labels.input(when[as]!)} reads ${as}`,
  must: (when: Condition, labels: Labels) =>
    `${labels.input(when[as]!)} (${labels.terminalOfInput(when[as]!) ?? "?"}) must read ${as}`,
});

const memory = (key: "learned" | "unlearned", yes: boolean) => ({
  check: (when: Condition, path: string, names: Names, report: Report) =>
    known(when[key], names.memories, `${path}.${key}`, "memory", report),
  holds: (when: Condition, ask: Circumstances) => ask.learned(when[key]!, yes),
});

const leafTexts: Record<LeafState, string> = {
  closed: "the leaf is closed",
  open: "the leaf is open",
  between: "the leaf is between its ends",
  moving: "the leaf moves",
  opening: "the leaf opens",
  closing: "the leaf closes",
  stopped: "the leaf stands between its ends",
};

const leafMusts: Record<LeafState, string> = {
  closed: "closed",
  open: "open",
  between: "between its ends",
  moving: "moving",
  opening: "opening",
  closing: "closing",
  stopped: "at rest between its ends",
};

const meanings: { [K in Kind]: Meaning<K> } = {
  powered: {
    holds: ({ powered }, ask) => ask.power(powered),
    text: ({ powered }) => (powered ? "the board has power" : "there is no power"),
    must: ({ powered }) => `the board must ${powered ? "have" : "be without"} power`,
    because: ({ powered }) => (powered ? "the board has power" : "no power"),
  },
  closed: reads("closed"),
  open: reads("open"),
  learned: {
    ...memory("learned", true),
    text: ({ learned }, labels) => `${labels.memory(learned).toLowerCase()} is learned`,
    must: ({ learned }, labels) => `${labels.memory(learned).toLowerCase()} must be learned`,
    because: ({ learned }) => `${learned} learned`,
  },
  unlearned: {
    ...memory("unlearned", false),
    text: ({ unlearned }, labels) => `no ${labels.memory(unlearned).toLowerCase()} is learned`,
    must: ({ unlearned }, labels) => `${labels.memory(unlearned).toLowerCase()} must be empty`,
    because: ({ unlearned }) => `no ${unlearned} learned yet`,
    instead: ({ unlearned }) => `${unlearned} learned`,
  },
  mode: {
    check: ({ mode }, path, names, report) => {
      if (!names.modes.includes(mode))
        report(
          `${path}.mode`,
          `a mode a procedure of this board enters (${names.modes.join(", ")})`,
          mode,
          "Add the effect to the step that enters it, or correct the word.",
        );
    },
    holds: ({ mode }, ask) => ask.mode(mode),
    text: ({ mode }) => `the board is ${mode}`,
    must: ({ mode }) => `the board must be ${mode}`,
    because: ({ mode }) => mode,
    instead: ({ mode }) => `not ${mode}`,
  },
  pending: {
    holds: ({ pending }, ask) => ask.pending(pending),
    text: ({ pending }) => (pending ? "a moved control is not read yet" : "every control is read"),
    must: ({ pending }) =>
      pending
        ? "a control must have been moved and not read yet"
        : "every moved control must be read by its gesture",
    because: ({ pending }) => (pending ? "a control is moved and not read yet" : "every control is read"),
    instead: ({ pending }) => (pending ? "every control is read" : "a control is moved and not read yet"),
  },
  behaviour: {
    check: ({ behaviour: id }, path, names, report) => {
      if (!names.behaviours.has(id))
        report(
          `${path}.behaviour`,
          "a behaviour that a control of this board sets",
          id,
          "Tie it to the control that sets it, or state it under fixed.",
        );
    },
    holds: ({ behaviour: id, is, atLeast }, ask) =>
      ask.behaviour(
        id,
        (value) =>
          (is === undefined || value === is) &&
          (atLeast === undefined || (typeof value === "number" && value >= atLeast)),
      ),
    text: ({ behaviour: id, is, atLeast }) => {
      const label = behaviour(id).label.toLowerCase();
      const exact = is === undefined ? [] : [`${label} is ${behaviourText(id, is)}`];
      const least = atLeast === undefined ? [] : [`${label} is at least ${behaviourText(id, atLeast)}`];
      return listed([...exact, ...least]);
    },
    must: ({ behaviour: id, is, atLeast }) =>
      `${behaviour(id).label.toLowerCase()} must be ${atLeast === undefined ? behaviourText(id, is ?? true) : `at least ${behaviourText(id, atLeast)}`}`,
  },
  control: {
    check: ({ control, at }, path, names, report) =>
      checkPosition(control, at, { control: `${path}.control`, position: `${path}.at` }, names, report),
    holds: ({ control, at }, ask) => ask.control(control, at),
    text: ({ control, at }, labels) => `${labels.control(control)} stands at ${at}`,
    must: ({ control, at }, labels) => `${labels.control(control)} must stand at ${at}`,
  },
  card: {
    check: ({ card }, path, names, report) => known(card, names.cards, `${path}.card`, "card", report),
    holds: ({ card }, ask) => ask.fitted(card),
    text: ({ card }, labels) => `${labels.card(card)} is fitted`,
    must: ({ card }, labels) => `the card ${labels.card(card)} must be fitted`,
  },
  leaf: {
    holds: ({ leaf }, ask) => ask.leaf(leaf),
    text: ({ leaf }) => leafTexts[leaf],
    must: ({ leaf }) => `the leaf must be ${leafMusts[leaf]}`,
    because: ({ leaf }) => leafTexts[leaf],
  },
  supply: {
    holds: ({ supply }, ask) => ask.supply(supply),
    text: ({ supply }) => `the board lives on the ${supply}`,
    must: ({ supply }) => `the board must live on the ${supply}`,
  },
  battery: {
    holds: ({ battery }, ask) => ask.battery(battery),
    text: ({ battery }) => `the battery is ${battery}`,
    must: ({ battery }) => `the battery must be ${battery}`,
    because: ({ battery }) => `the battery is ${battery}`,
  },
  timer: {
    holds: ({ timer }, ask) => ask.timer(timer),
    text: ({ timer }) => `the ${timer} runs`,
    must: ({ timer }) => `the ${timer} must run`,
  },
  fault: {
    check: ({ fault }, path, names, report) => known(fault, names.codes, `${path}.fault`, "code", report),
    holds: ({ fault }, ask) => ask.fault(fault),
    text: ({ fault }) => `it shows ${fault}`,
    must: ({ fault }) => `it must show ${fault}`,
  },
  all: {
    check: ({ all }, path, names, report) =>
      all.forEach((each, at) => checkCondition(each, `${path}.all[${at}]`, names, report)),
    holds: ({ all }, ask) => all.every((each) => conditionHolds(each, ask)),
    text: ({ all }, labels) => listed(all.map((each) => conditionText(each, labels))),
    must: ({ all }, labels) => all.map((each) => conditionMust(each, labels)).join("; "),
  },
  any: {
    check: ({ any }, path, names, report) =>
      any.forEach((each, at) => checkCondition(each, `${path}.any[${at}]`, names, report)),
    holds: ({ any }, ask) => any.some((each) => conditionHolds(each, ask)),
    text: ({ any }, labels) => any.map((each) => conditionText(each, labels)).join(" or "),
    must: ({ any }, labels) => any.map((each) => conditionMust(each, labels)).join(", or "),
  },
  not: {
    check: ({ not }, path, names, report) => checkCondition(not, `${path}.not`, names, report),
    // Each question of the circumstances says the answer it wants, so what is not known is not its opposite.
    holds: ({ not }, ask) => !conditionHolds(not, ask),
    text: ({ not }, labels) => `it is not so that ${conditionText(not, labels)}`,
    must: ({ not }, labels) => `it must not be so that ${conditionText(not, labels)}`,
  },
};

/** A running board asks its conditions many times a second, and a condition never changes. */
const kindsOf = new WeakMap<Condition, Meaning<Kind>[]>();

/** Kinds that a condition asks for, each with what it means, in the order of the table. */
function asked(when: Condition): Meaning<Kind>[] {
  const met = kindsOf.get(when);
  if (met) return met;
  const kinds = Object.keys(meanings) as Kind[];
  const own = kinds.filter((kind) => when[kind] !== undefined).map((kind) => meanings[kind] as Meaning<Kind>);
  kindsOf.set(when, own);
  return own;
}

/** True when every key of the condition holds in these circumstances. */
export function conditionHolds(when: Condition, ask: Circumstances): boolean {
  return asked(when).every((kind) => kind.holds(when as Asking<Kind>, ask));
}

/** A condition in words: "Stop reads closed and travel is not learned". */
export function conditionText(when: Condition, labels: Labels): string {
  const texts = asked(when).map((kind) => kind.text(when as Asking<Kind>, labels));
  return texts.length ? listed(texts.filter((text) => text !== "")) : "always";
}

/** What has to be so before the condition holds, as someone is told who waits for it. */
export function conditionMust(when: Condition, labels: Labels): string {
  return asked(when)
    .map((kind) => kind.must(when as Asking<Kind>, labels))
    .join("; ");
}

/** Kinds that tell why a lamp looks as it does, the plainest first. */
const tellingKinds = ["powered", "battery", "mode", "unlearned", "learned", "pending", "leaf"] as const;
/** Kinds that tell why it stays dark, the plainest first. */
const missingKinds = ["pending", "unlearned", "mode"] as const;

/** Why a lamp looks as it does under a condition that holds; undefined where its words say nothing of it. */
export function conditionBecause(when: Condition): string | undefined {
  return tellingKinds
    .filter((kind) => when[kind] !== undefined)
    .map((kind) => (meanings[kind] as Meaning<Kind>).because?.(when as Asking<Kind>))
    .find((text) => text !== undefined);
}

/** Why a lamp that looks for these stays dark while none of them holds; undefined where their words say nothing of it. */
export function conditionInstead(conditions: readonly Condition[]): string | undefined {
  return missingKinds
    .flatMap((kind) => conditions.filter((when) => when[kind] !== undefined).map((when) => ({ kind, when })))
    .map(({ kind, when }) => (meanings[kind] as Meaning<Kind>).instead?.(when as Asking<Kind>))
    .find((text) => text !== undefined);
}

/** Reports everything the condition names that the board lacks, and companions without the key they belong to. */
export function checkCondition(when: Condition, path: string, names: Names, report: Report): void {
  for (const kind of asked(when)) kind.check?.(when as Asking<Kind>, path, names, report);
  if (when.behaviour === undefined && (when.is !== undefined || when.atLeast !== undefined))
    report(path, "a behaviour beside is or atLeast", when, "Say which behaviour is meant.");
  if ((when.control === undefined) !== (when.at === undefined))
    report(path, "control and at together", when, "Give both, or neither.");
}

/** The input that a condition looks at, its parts included; undefined where it looks at none. */
export const inputAsked = ({ closed, open, all = [], any = [], not }: Condition): string | undefined =>
  closed ?? open ?? [...all, ...any, ...(not ? [not] : [])].map(inputAsked).find((id) => id !== undefined);

/** The behaviours and the controls that a condition looks at, its parts included. */
export function conditionParts(when: Condition): { behaviours: BehaviourId[]; controls: string[] } {
  const parts = [...(when.all ?? []), ...(when.any ?? []), ...(when.not ? [when.not] : [])].map(
    conditionParts,
  );
  return {
    behaviours: [...(when.behaviour ? [when.behaviour] : []), ...parts.flatMap((each) => each.behaviours)],
    controls: [...(when.control ? [when.control] : []), ...parts.flatMap((each) => each.controls)],
  };
}
