import {
  conditionText,
  entryName,
  handlesOf,
  labelsOf,
  theLeaf,
  movingThing,
  type BoardProfile,
  type Failing,
  type Purpose,
} from "../board/index.ts";
import type { PanelEvent } from "../panel/index.ts";
import { listed, sentence } from "../quantity/index.ts";
import type { Brain, BrainEvent, Which } from "./brain/index.ts";
import { movesIn } from "./runner/index.ts";

const labelOf = (list: readonly { id: string; label: string }[], id: string) =>
  list.find((each) => each.id === id)?.label ?? id;

/** A code as it is seen: on the display, or counted at its lamp. */
function codeSeen({ codes, lamps }: BoardProfile, code: string): string {
  const said = codes.find((each) => each.code === code);
  const lamp = lamps.find(({ id }) => id === said?.lamp);
  if (!lamp) return `it shows ${code}`;
  return `${lamp.label} gives ${code} ${said?.other ? lamp.other : lamp.colour} ${code === "1" ? "flash" : "flashes"}`;
}

const withCode = (board: BoardProfile, text: string, code: string | undefined) =>
  code === undefined ? `${text}.` : `${text}; ${codeSeen(board, code)}.`;

const leafNamed = (board: BoardProfile, leaves: number, leaf: Which): string =>
  leaves < 2 ? `the ${movingThing(board)}` : theLeaf(board, leaf === "first" ? "overlapping" : "overlapped");

/** What a board finds wrong by itself. */
const failingTold: Record<Failing, string> = {
  "no-current": "The drive of {leaf} draws nothing",
  "no-pulses": "Nothing comes from the encoder of {leaf}",
  "no-end": "{leaf} came to a stand and met no limit",
  "wrong-way": "{leaf} went the other way",
  obstructed: "{leaf} pushes against something",
  "test-failed": "What was tested did not open",
};

/** What happened at a running board, in a sentence; undefined for what lamps and display tell by themselves. */
function eventTold({ board, leaves }: Brain, event: BrainEvent): string | undefined {
  const program = (id: string) => labelOf(board.programs, id);
  const memory = (id: string) => labelOf(board.memories, id).toLowerCase();
  switch (event.kind) {
    case "began":
      return `It begins: ${program(event.program).toLowerCase()}.`;
    case "refused":
      return withCode(
        board,
        `It refuses (${program(event.program).toLowerCase()}), for ${conditionText(event.why, labelsOf(board))}`,
        event.code,
      );
    case "aborted":
      return withCode(board, `Broken off: ${program(event.program).toLowerCase()}`, event.code);
    case "held-off":
      return `${labelOf(board.inputs, event.input)} holds it off.`;
    case "moves":
      return movesText(movesIn([event], leaves), board);
    case "stops":
      return `${sentence(`the ${movingThing(board)}`)} stands ${event.at === "between" ? "between its ends" : event.at}.`;
    case "obstructed":
      return withCode(
        board,
        `${sentence(leafNamed(board, leaves, event.leaf))} pushes against something`,
        event.code,
      );
    case "fails":
      return withCode(
        board,
        sentence(failingTold[event.what].replace("{leaf}", leafNamed(board, leaves, event.leaf ?? "first"))),
        event.code,
      );
    case "learned":
      return `In memory: ${memory(event.memory)}.`;
    case "added":
      return `One more in memory: ${memory(event.memory)}.`;
    case "dropped":
      return `One less in memory: ${memory(event.memory)}.`;
    case "forgot":
      return `Emptied: ${memory(event.memory)}.`;
    case "committed":
      return event.which === "values" ? undefined : `Read: ${event.which}.`;
    case "restored":
      return "Values stand as delivered.";
    case "beeps":
      return `It beeps ${event.times === 1 ? "once" : `${event.times} times`}${event.long ? ", long" : ""}.`;
    case "shows":
      return undefined;
    case "tests":
      return `It tests ${labelOf(board.inputs, event.input).toLowerCase()}.`;
    case "power":
      return event.on ? "Power is on." : "Power is off.";
    case "panel":
      return panelTold(board, event.event);
    case "mode":
    case "ended":
    case "commanded":
      return undefined;
  }
}

/** What came of a key in the menus. */
function panelTold(board: BoardProfile, event: PanelEvent): string | undefined {
  const items = (board.panel?.menus ?? []).flatMap((menu) => menu.items);
  const nameOf = (id: string) => {
    const item = items.find((each) => each.id === id);
    return item ? entryName(item) : id;
  };
  switch (event.kind) {
    case "opened":
      return `Opened ${labelOf(board.panel?.menus ?? [], event.menu)}.`;
    case "left":
      return "Outside of the menus.";
    case "kept":
      return `Kept: ${listed(Object.entries(event.values).map(([id, shows]) => `${nameOf(id)}: ${shows}`))}.`;
    case "reverted":
      return `Not saved, and as before: ${listed(event.items.map(nameOf))}.`;
    case "started":
    case "outside":
      return undefined;
  }
}

/** What happened at a running board, in sentences. */
export const eventsTold = (brain: Brain, events: readonly BrainEvent[]): string[] =>
  events.flatMap((event) => eventTold(brain, event) ?? []);

/** Does something at a running board, and tells what came of it. */
export function told(brain: Brain, act: () => void): string[] {
  brain.events = [];
  act();
  return eventsTold(brain, brain.events);
}

const ways: Record<string, string> = { open: "opens", closed: "closes" };
/** More runs than this are counted, not listed. */
const mostListed = 4;

/** What moves, as the board's own words have it: rooflights move in groups. */
const movers: Partial<Record<Purpose, { all: string; one: string }>> = {
  rooflight: { all: "every rooflight", one: "group" },
};

/** "The gate opens, then closes"; of two leaves that move one by one, "Leaf 1 opens, then leaf 2 opens". */
export function movesText(moves: readonly string[], board: BoardProfile): string {
  const { all, one } = movers[board.purpose] ?? { all: `the ${movingThing(board)}`, one: "leaf" };
  const texts = moves.map((move) => {
    const [way = "", leaf] = move.split(" ");
    return leaf ? `${one} ${leaf} ${ways[way]}` : (ways[way] ?? "");
  });
  const [first = "", second = ""] = texts;
  if (moves.length > mostListed && !first.includes(" "))
    return sentence(
      `${all} ${first} and ${second} in turn, ${moves.length} runs; the last one ${texts.at(-1)}.`,
    );
  return sentence(`${first.includes(" ") ? "" : `${all} `}${texts.join(", then ")}.`);
}

/** Keys that are wanted together somewhere at this board, each set once, with what it is called. */
export function keysTogether(board: BoardProfile): { keys: string[]; label: string }[] {
  const called = handlesOf(board);
  const wanted = [
    ...board.programs.flatMap(({ on }) => on.flatMap(({ by }) => by ?? [])),
    ...board.commits.map(({ by }) => by),
    ...(board.panel?.opens ?? []).flatMap(({ by }) => by),
  ];
  const sets = wanted.flatMap((by) => ("together" in by ? [[...by.together.keys].sort()] : []));
  return [...new Map(sets.map((keys) => [keys.join(" "), keys])).values()].map((keys) => ({
    keys,
    label: keys.map(called).join(" + "),
  }));
}

/** What transmitters can send that some program of the board waits for. */
export function heardBy(board: BoardProfile): string[] {
  const waits = board.programs.flatMap(({ phases }) =>
    phases.flatMap(({ await: each }) => each?.heard ?? []),
  );
  return [...new Set(waits)];
}
