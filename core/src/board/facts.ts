import { count, listed, plainNumber, sentence } from "../quantity/index.ts";
import { behaviour, behaviourIds } from "./behaviour.ts";
import { settableBehaviours } from "./settable.ts";
import { menuValues, railText, terminalsOf } from "./lookup.ts";
import { purposeLabel } from "./purpose.ts";
import type { BoardProfile, ContactDuty } from "./schema/index.ts";

/** One line of what a board is: a name and what this board has to say to it; "none" where it has nothing. */
export interface Fact {
  label: string;
  value: string;
}

const none = (text: string) => text || "none";

const limitNames: Record<BoardProfile["limits"][number], string> = {
  stops: "fixed stops",
  switches: "limit switches",
  series: "switches in series with the motor",
  "one-core": "both switches on one core",
  magnets: "magnets",
  encoder: "encoder",
};

function supplyText({ supply }: BoardProfile): string {
  const volts = supply.volts.map((each) => plainNumber(each)).join(" or ");
  const how = supply.selector
    ? `, set by ${supply.selector}`
    : supply.recognised
      ? ", recognised by itself"
      : "";
  const kind = supply.kind === "dc" ? "DC" : sentence(supply.kind);
  return `${kind}, ${volts} V${how}`;
}

function displayText({ display }: BoardProfile): string {
  if (!display) return "none";
  const size =
    display.lines > 1
      ? `${display.lines} lines of ${display.characters}`
      : `${display.characters} characters`;
  return `${size}, ${display.kind}`;
}

function rails(board: BoardProfile): string {
  return listed(
    board.rails
      .filter((rail) => !rail.feeds.some((duty) => duty.startsWith("drive")))
      .map((rail) => {
        const limit =
          rail.limitMilliamps ?? board.budgets.find((each) => each.id === rail.budget)?.limitMilliamps;
        const most = limit ? [`${plainNumber(limit)} mA${rail.budget ? " shared" : ""}`] : [];
        return railText(rail, ...most);
      }),
  );
}

const commands: readonly ContactDuty[] = [
  "step",
  "pedestrian",
  "open-only",
  "close-only",
  "exit",
  "exit-loop",
  "activation-inside",
  "activation-outside",
  "selector",
  "rain",
  "fire",
];

/** Everything a board is looked for by: its names, what it is made for, how it is set, fed and what it has terminals for. */
export function boardWords(board: BoardProfile): string {
  const has = [
    menuValues(board).length ? "menu display" : "",
    board.dials.length ? "dials" : "",
    board.dips.length ? "switches dip" : "",
    board.battery ? "battery" : "",
    board.solar ? "solar panel" : "",
    board.cards.length ? "cards slot" : "",
    board.leaves > 1 ? "two leaves pair" : "one leaf single",
  ];
  return [
    board.maker,
    board.name,
    purposeLabel(board.purpose),
    supplyText(board),
    displayText(board),
    ...has,
    ...board.inputs.flatMap(({ label, takes }) => [label, ...takes]),
    ...board.rails.map(({ label }) => label),
    ...board.limits.map((each) => limitNames[each]),
    board.id,
  ]
    .filter(Boolean)
    .join(" ");
}

const titles = (board: BoardProfile, kinds: readonly string[]) =>
  listed(board.procedures.filter((each) => kinds.includes(each.kind)).map((each) => each.title));

const fallWords = {
  stays: "stays where it is",
  opens: "opens and stays open",
  closes: "closes and stays closed",
  "goes-on": "goes on working",
} as const;

/** What a board does when its mains fail or its battery runs low: "opens and stays open after 20 s". */
function fallText({ falls }: BoardProfile, on: BoardProfile["falls"][number]["on"]): string {
  const texts = falls
    .filter((fall) => fall.on === on)
    .map(({ does, afterSeconds }) => {
      const what =
        typeof does === "object" ? `as set by ${behaviour(does.by).label.toLowerCase()}` : fallWords[does];
      return afterSeconds ? `${what} after ${plainNumber(afterSeconds)} s` : what;
    });
  return texts.join(", or ");
}

/** What a board is and has, in the order in which two are compared. */
export function boardFacts(board: BoardProfile): Fact[] {
  const settable = settableBehaviours(board);
  return [
    { label: "Made for", value: purposeLabel(board.purpose) },
    { label: "Firmware", value: board.firmware.join(", ") },
    { label: "Leaves", value: board.leaves ? count(board.leaves, "leaf", "leaves") : "none: a radio" },
    { label: "Ends of travel", value: none(listed(board.limits.map((each) => limitNames[each]))) },
    { label: "Supply", value: supplyText(board) },
    {
      label: "Battery",
      value: board.battery
        ? `${board.battery.volts.join(" or ")} V${board.battery.optional ? ", optional" : ""}`
        : "none",
    },
    {
      label: "Draws itself",
      value: board.draw
        ? `${plainNumber(board.draw.awakeMilliamps)} mA, asleep ${plainNumber(board.draw.asleepMilliamps)} mA`
        : "not told",
    },
    { label: "Terminals", value: String(terminalsOf(board).length) },
    { label: "Rails", value: none(rails(board)) },
    {
      label: "Protection inputs",
      value: none(listed(board.inputs.filter((each) => each.guards.length).map((each) => each.label))),
    },
    {
      label: "Commands",
      value: none(
        listed(
          board.inputs.filter((each) => commands.includes(each.takes[0] ?? "stop")).map((each) => each.label),
        ),
      ),
    },
    { label: "Display", value: displayText(board) },
    { label: "Keys", value: none(board.keys.map((key) => key.label).join(", ")) },
    {
      label: "Switches",
      value: none(listed(board.dips.map((dip) => `${dip.id} 1 to ${dip.delivered.length}`))),
    },
    {
      label: "Slides and jumpers",
      value: none(listed([...board.slides, ...board.jumpers].map((each) => each.label))),
    },
    { label: "Dials", value: none(listed(board.dials.map((dial) => dial.label))) },
    { label: "Menu values", value: String(menuValues(board).length) },
    { label: "Before settings count", value: none(board.commits.map((commit) => commit.says).join(" ")) },
    { label: "Cards", value: none(listed(board.cards.map((card) => card.name))) },
    { label: "Learns the travel", value: none(titles(board, ["learn"])) },
    { label: "Pairs", value: none(titles(board, ["pair"])) },
    { label: "Resets", value: none(titles(board, ["reset"])) },
    {
      label: "Runs by itself",
      value: board.programs.length ? listed(board.programs.map(({ label }) => label)) : "not told: it claims",
    },
    { label: "Without mains", value: none(fallText(board, "mains-lost")) },
    { label: "With a low battery", value: none(fallText(board, "battery-low")) },
    {
      label: "Memory",
      value: none(
        listed(
          board.memories.map(
            (each) => `${each.label.toLowerCase()}${each.capacity ? ` ${each.capacity}` : ""}`,
          ),
        ),
      ),
    },
    {
      label: "Can be set",
      value: none(
        listed(behaviourIds.filter((id) => settable.has(id)).map((id) => behaviour(id).label.toLowerCase())),
      ),
    },
  ];
}
