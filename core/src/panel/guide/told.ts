import {
  entryName,
  gestureText,
  handlesOf,
  heldBy,
  menuValues,
  type BoardProfile,
  type Circumstances,
  type Gesture,
} from "../../board/index.ts";
import { listed, plainNumber, sentence } from "../../quantity/index.ts";
import { keysAt } from "../path/keys.ts";
import type { KeyStep } from "../path/steps.ts";
import { panelShows, type PanelState } from "../state.ts";

/** What stands on the display, told aloud character by character where it is no word. */
const spokenScreen = (lines: readonly string[]) =>
  lines.map((line) => (line.length > 1 && line.length <= 4 ? [...line].join(" ") : line)).join(", ");

/** One gesture of the guide as it is told, with the screen after it. */
export interface GuideStep {
  made: Gesture;
  says: string;
  spoken: string;
  ms: number;
  held?: { what: string; seconds: number };
  /** What the display shows then; empty outside of the menus, where it shows what it shows at rest. */
  shows: string[];
  /** What each key does there. */
  keys: { says: string; does: string }[];
  /** Shown the same after one press more or fewer: counted from the last screen that cannot be mistaken. */
  counted?: number;
  /** The value that this step is part of setting; left out on the way out, or while looking once more. */
  item?: string;
  before: PanelState;
  after: PanelState;
}

const waitText = (seconds: number) => `Touch no key for ${plainNumber(seconds)} s`;

/** Tells a step of a way. */
export function tellStep(
  board: BoardProfile,
  ask: Circumstances,
  { made, ms, before, after, counted }: KeyStep,
  item?: string,
): GuideStep {
  const called = handlesOf(board);
  const says = "wait" in made ? waitText(made.wait) : sentence(gestureText(made, called));
  const shows = panelShows(board, after) ?? [];
  const held = heldBy(made, called);
  const seen = shows.length ? `It shows ${spokenScreen(shows)}.` : "It is out of the menus.";
  return {
    ...{ made, ms, before, after, shows },
    says: counted === undefined ? `${says}.` : `${says}: number ${counted}, counted.`,
    spoken: `${says}. ${seen}`,
    keys: keysAt(board, ask, after).map((key) => ({ says: gestureText(key.made, called), does: key.does })),
    ...(held ? { held } : {}),
    ...(counted === undefined ? {} : { counted }),
    ...(item === undefined ? {} : { item }),
  };
}

/** A whole line of keys: "hold SET for 8 s, press ▼ 3 times, press SET". */
export function lineText(board: BoardProfile, steps: readonly { made: Gesture }[]): string {
  const called = handlesOf(board);
  const groups: { text: string; times: number }[] = [];
  for (const { made } of steps) {
    const text = "wait" in made ? waitText(made.wait).toLowerCase() : gestureText(made, called);
    const last = groups.at(-1);
    if (last?.text === text) last.times += 1;
    else groups.push({ text, times: 1 });
  }
  return listed(groups.map(({ text, times }) => (times > 1 ? `${text}, ${times} times over` : text)));
}

/** A value by the label of its entry, and what it shows. */
export const valueName = (board: BoardProfile, id: string): string => {
  const entry = menuValues(board).find(({ item }) => item.id === id);
  return entry ? entryName(entry.item) : id;
};
