import { listed, plainNumber } from "../quantity/index.ts";
import { onceFor } from "./once.ts";
import type { Block, BoardInput, BoardProfile, Menu, MenuItem } from "./schema/index.ts";
import type { Labels } from "./words/index.ts";

/** A terminal with its block: named by plug and number, since numbers begin again on another plug. */
export interface Terminal {
  id: string;
  number: number;
  label: string;
  holds: number;
  block: Block;
}

/** Every terminal of the board, block by block. */
export const terminalsOf = onceFor((board: BoardProfile): readonly Terminal[] =>
  board.blocks.flatMap((block) =>
    block.terminals.map((terminal) => ({
      id: `${block.id}${terminal.number}`,
      number: terminal.number,
      label: terminal.label,
      holds: terminal.holds,
      block,
    })),
  ),
);

/** The terminals by id; of two that a spoilt profile gives one id, the first. */
const terminalsById = onceFor(
  (board: BoardProfile) =>
    new Map(
      terminalsOf(board)
        .toReversed()
        .map((terminal) => [terminal.id, terminal]),
    ),
);

/** The terminal of this id; undefined where the board has none. */
export function terminalOf(board: BoardProfile, id: string): Terminal | undefined {
  return terminalsById(board).get(id);
}

/** The terminals of an input's common. */
export function commonTerminals(board: BoardProfile, input: BoardInput): string[] {
  return board.commons.find((common) => common.id === input.common)?.terminals ?? [];
}

/** Ids of the switches of all DIP banks: bank and position, such as "S2". */
export function switchIds(board: BoardProfile): string[] {
  return board.dips.flatMap((dip) => dip.delivered.map((_, index) => `${dip.id}${index + 1}`));
}

/** A control that stands at one of a few named positions: a switch, a slide or a jumper. */
export interface Selector {
  id: string;
  kind: "switch" | "slide" | "jumper";
  label: string;
  positions: readonly string[];
  delivered: string;
}

/** Every switch, slide and jumper of the board. */
export function selectorsOf(board: BoardProfile): Selector[] {
  return [
    ...board.dips.flatMap((dip) =>
      dip.delivered.map((delivered, index): Selector => {
        const id = `${dip.id}${index + 1}`;
        return { id, kind: "switch", label: id, positions: ["on", "off"], delivered };
      }),
    ),
    ...board.slides.map(({ id, label, positions, delivered }): Selector => ({
      id,
      kind: "slide",
      label,
      positions,
      delivered,
    })),
    ...board.jumpers.map(({ id, label, pins, delivered }): Selector => ({
      id,
      kind: "jumper",
      label,
      positions: pins === 2 ? ["on", "parked"] : ["1-2", "2-3"],
      delivered,
    })),
  ];
}

/** A value kept behind a menu entry. */
export interface MenuValue {
  item: MenuItem;
  menu: Menu;
  delivered: string;
}

/** What numbers show, by the ends and the step they were made for: a search asks for the same ones over and over. */
const shownNumbers = new WeakMap<object, { made: string; all: readonly string[] }>();

/** Everything the display can show for a menu entry. */
export function displayPositions({ number, choices }: MenuItem): readonly string[] {
  if (!number) return (choices ?? []).map((choice) => choice.shows);
  const made = `${number.from} ${number.to} ${number.step}`;
  const known = shownNumbers.get(number);
  if (known?.made === made) return known.all;
  const steps = Math.min(1_000, Math.round((number.to - number.from) / number.step));
  const all = Array.from({ length: steps + 1 }, (_, at) => plainNumber(number.from + at * number.step, 2));
  shownNumbers.set(number, { made, all });
  return all;
}

/** Every value of the board's menus. */
export const menuValues = onceFor((board: BoardProfile): readonly MenuValue[] =>
  (board.panel?.menus ?? []).flatMap((menu) =>
    menu.items
      .filter((item) => item.number ?? item.choices)
      .map((item) => ({
        item,
        menu,
        delivered: item.number
          ? plainNumber(item.number.delivered, 2)
          : (item.delivered ?? item.choices?.[0]?.shows ?? ""),
      })),
  ),
);

/** What the parts of a board are called, for whoever puts a condition into words. */
export function labelsOf(board: BoardProfile): Labels {
  const label = (list: readonly { id: string; label: string }[], id: string) =>
    list.find((each) => each.id === id)?.label ?? id;
  return {
    input: (id) => label(board.inputs, id),
    terminalOfInput: (id) => board.inputs.find((input) => input.id === id)?.terminal,
    memory: (id) => label(board.memories, id),
    card: (id) => board.cards.find((card) => card.id === id)?.name ?? id,
    control: handlesOf(board),
  };
}

/** A control as it is printed, with its id where that is another: "PUSH (V2)". */
export const controlName = ({ id, label }: { id: string; label: string }): string =>
  id === label ? label : `${label} (${id})`;

/** True for what a display writes in words: "Speed open", and not "SPd1" or "10". */
const inWords = (shows: string) => /[a-z]{4}|[a-z]{2} [a-z]{2}/.test(shows);

/**
 * A menu entry as it is found and as it is called, once where the two are the same: "10 Pause before closing", and of a
 * display that speaks in words "Speed open (opening speed)".
 */
export const entryName = ({ shows, label }: { shows: string; label: string }): string => {
  if (shows.toLowerCase() === label.toLowerCase()) return shows;
  return inWords(shows)
    ? `${shows} (${label.slice(0, 1).toLowerCase()}${label.slice(1)})`
    : `${shows} ${label}`;
};

/** What sentences call the keys, inputs and controls of a board: what is printed beside them. */
export const handlesOf =
  (board: BoardProfile) =>
  (id: string): string =>
    [...board.keys, ...board.inputs, ...board.slides, ...board.jumpers].find((each) => each.id === id)
      ?.label ?? id;

/** Where switches, slides and jumpers stand, each as it is printed: "S1 on and LOCK stay". */
export function positionsText(board: BoardProfile, parts: readonly string[], at: readonly string[]): string {
  return listed(positionTexts(board, parts, at));
}

/** Each control with where it stands. */
export function positionTexts(
  board: BoardProfile,
  parts: readonly string[],
  at: readonly string[],
): string[] {
  const called = handlesOf(board);
  return parts.map((id, index) => `${called(id)} ${at[index]}`);
}

type NamedRail = Pick<BoardProfile["rails"][number], "label" | "volts" | "kind">;

/** What a rail gives: "24 V DC". */
export const currentText = ({ volts, kind }: Pick<NamedRail, "volts" | "kind">): string =>
  `${plainNumber(volts)} V ${kind.toUpperCase()}`;

/** What a rail gives beside its label: nothing where the label says so already. */
export const givesBeside = (rail: NamedRail): string[] =>
  rail.label.includes(currentText(rail)) ? [] : [currentText(rail)];

/** A rail with facts of it in brackets, first what it gives where its label does not say so already. */
export function railText(rail: NamedRail, ...facts: string[]): string {
  const all = [...givesBeside(rail), ...facts];
  return all.length ? `${rail.label} (${all.join(", ")})` : rail.label;
}

/** The lamp that tells an input's state, where the board has one. */
export function lampOfInput(board: BoardProfile, inputId: string) {
  return board.lamps.find((lamp) =>
    lamp.shows.some(({ when }) => when.closed === inputId || when.open === inputId),
  );
}

/** A step's learned or forgotten memories as a list. */
export function memoriesIn(effect: string | readonly string[] | undefined): readonly string[] {
  return effect === undefined ? [] : typeof effect === "string" ? [effect] : effect;
}

/** True when a learning of this board holds the leaf's travel. */
export function travelMemories(board: BoardProfile): string[] {
  return board.memories.filter((memory) => memory.holds === "travel").map((memory) => memory.id);
}

/** A bank of switches as it is typed: 1 for on, 0 for off, from its first switch; undefined for anything else. */
export function readBank(
  { id, delivered }: BoardProfile["dips"][number],
  typed: string,
): Record<string, "on" | "off"> | undefined {
  const levers = typed.replace(/\s/g, "");
  if (levers.length !== delivered.length || !/^[01]+$/.test(levers)) return undefined;
  return Object.fromEntries([...levers].map((lever, at) => [`${id}${at + 1}`, lever === "1" ? "on" : "off"]));
}

/** A bank as it stands, in the same way: "10110010". */
export const bankText = (
  { id, delivered }: BoardProfile["dips"][number],
  switches: Readonly<Record<string, string>>,
): string =>
  delivered.map((usual, at) => ((switches[`${id}${at + 1}`] ?? usual) === "on" ? "1" : "0")).join("");

/** What something can stand at, for whoever gave another: the ends and the nearest of numbers, of words the first few. */
export function nearestText(all: readonly string[], given: string): string {
  const wanted = Number(given.replace(",", "."));
  const numbers = all.every((each) => !Number.isNaN(Number(each)));
  if (!numbers || Number.isNaN(wanted) || all.length < 7) return `one of ${all.slice(0, 12).join(", ")}`;
  const far = (each: string) => Math.abs(Number(each) - wanted);
  const [near] = all.toSorted((a, b) => far(a) - far(b));
  return `${all[0]} to ${all.at(-1)}, the nearest ${near}`;
}
