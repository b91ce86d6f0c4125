import { displayPositions } from "../lookup.ts";
import type { BoardProfile, Menu, MenuItem, Panel } from "../schema/index.ts";
import { checkSets } from "./controls.ts";
import { knownFirmware } from "./names.ts";
import { checkCondition, checkGesture, known, type Names, type Report, unique } from "../words/index.ts";

const moveNames = ["next", "previous", "into", "back"] as const;

/** Menus that some way in leads to, over any number of entries. */
function reached(panel: Panel): Set<string> {
  const found = new Set(panel.opens.map((entry) => entry.to));
  const queue = [...found];
  for (let id = queue.pop(); id !== undefined; id = queue.pop())
    for (const item of panel.menus.find((menu) => menu.id === id)?.items ?? [])
      if (item.menu && !found.has(item.menu)) {
        found.add(item.menu);
        queue.push(item.menu);
      }
  return found;
}

/** Room a text needs on segments, where a dot shares the place of the character before it. */
const segmentRoom = (text: string) => text.replace(/\./g, "").length;

function checkValue(item: MenuItem, path: string, report: Report): void {
  const { number, choices } = item;
  if (number) {
    checkSets(number.sets, `${path}.number.sets`, report);
    if (number.from >= number.to)
      report(`${path}.number`, "from under to", `${number.from} to ${number.to}`, "Exchange the two ends.");
    else if (!displayPositions(item).includes(String(number.delivered)))
      report(
        `${path}.number.delivered`,
        `a step from ${number.from} to ${number.to} by ${number.step}`,
        number.delivered,
        "Give a value the entry can stand at.",
      );
  }
  if (choices) {
    unique(
      choices.map((choice) => choice.shows),
      (at) => `${path}.choices[${at}].shows`,
      "what the display shows",
      report,
    );
    choices.forEach((choice, c) => checkSets(choice.sets, `${path}.choices[${c}].sets`, report));
    known(
      item.delivered,
      choices.map((choice) => choice.shows),
      `${path}.delivered`,
      "choice",
      report,
    );
  }
}

function checkItem(
  board: BoardProfile,
  menu: Menu,
  item: MenuItem,
  path: string,
  names: Names,
  report: Report,
): void {
  const roles = (["menu", "number", "choices", "does", "flips"] as const).filter(
    (key) => item[key] !== undefined,
  );
  if (roles.length !== 1)
    report(
      path,
      "one of menu, number, choices, does, flips",
      roles.length ? roles.join(", ") : undefined,
      "Say what the entry is for, once.",
    );
  known(item.menu, names.menus, `${path}.menu`, "menu", report);
  known(item.does, [...names.programs, ...names.procedures], `${path}.does`, "program", report);
  if (item.when) checkCondition(item.when, `${path}.when`, names, report);
  if (item.by) checkGesture(item.by, `${path}.by`, names, report);
  knownFirmware(item.firmware, `${path}.firmware`, names, report);
  checkValue(item, path, report);
  const { display } = board;
  if (menu.kind === "app") return;
  if (!display)
    report(path, "a display to show the entry on", undefined, "Describe the display, or remove the menu.");
  else if (display.kind === "segments")
    for (const [where, text] of [
      [`${path}.shows`, item.shows],
      ...(item.choices ?? []).map((choice, c) => [`${path}.choices[${c}].shows`, choice.shows] as const),
    ] as const)
      if (segmentRoom(text) > display.characters)
        report(where, `at most ${display.characters} characters`, text, "Write it as the display shows it.");
}

function checkMenu(
  board: BoardProfile,
  panel: Panel,
  menu: Menu,
  path: string,
  names: Names,
  report: Report,
): void {
  for (const move of moveNames) {
    const gesture = menu[move];
    if (gesture) checkGesture(gesture, `${path}.${move}`, names, report);
  }
  menu.items.forEach((item, i) => checkItem(board, menu, item, `${path}.items[${i}]`, names, report));
  if (menu.items.every((item) => item.when))
    report(
      `${path}.items`,
      "an entry that is always shown",
      menu.id,
      "A menu whose entries can all be hidden is a dead end: leave `when` out of one.",
    );
  // What an app sets has no keys that lead to it.
  if (menu.kind === "app") return;
  const opens = panel.opens.map((entry) => entry.to);
  if (!reached(panel).has(menu.id))
    report(path, "a way in", menu.id, "Let an entry of another menu lead here, or add it to opens.");
  else if (
    !menu.back &&
    !panel.back &&
    !panel.timeoutSeconds &&
    !(menu.kind === "wizard" && menu.ends === "idle")
  )
    report(path, "a way out: back, a time-out, or a wizard that ends", menu.id, "Say how the menu is left.");
  if (menu.kind === "list" && menu.items.length > 1 && !menu.next && !panel.next)
    report(
      `${path}.items[1]`,
      "a gesture that goes to the next entry",
      menu.items[1]?.id,
      "Give the panel, or this menu, its next.",
    );
  if (!opens.includes(menu.id) && !menu.into && !panel.into)
    report(`${path}`, "a gesture that opens an entry", menu.id, "Give the panel its into.");
}

/** Keys, menus and the values behind them. */
export function checkPanel(board: BoardProfile, names: Names, report: Report): void {
  unique(names.keys, (at) => `keys[${at}].id`, "a key id", report);
  const { panel } = board;
  if (!panel) return;
  unique(names.menus, (at) => `panel.menus[${at}].id`, "a menu id", report);
  unique(
    panel.menus.flatMap((menu) => menu.items.map((item) => item.id)),
    () => "panel.menus",
    "an entry id",
    report,
  );
  for (const move of [...moveNames, "more", "less", "confirm"] as const) {
    const gesture = panel[move];
    if (gesture) checkGesture(gesture, `panel.${move}`, names, report);
  }
  panel.opens.forEach((entry, o) => {
    known(entry.to, names.menus, `panel.opens[${o}].to`, "menu", report);
    entry.by.forEach((gesture, at) => checkGesture(gesture, `panel.opens[${o}].by[${at}]`, names, report));
    knownFirmware(entry.firmware, `panel.opens[${o}].firmware`, names, report);
    checkCondition(entry.when, `panel.opens[${o}].when`, names, report);
  });
  panel.menus.forEach((menu, m) => checkMenu(board, panel, menu, `panel.menus[${m}]`, names, report));
  const keyed = panel.menus.filter(({ kind }) => kind !== "app");
  if (keyed.some((menu) => menu.items.some((item) => item.number)) && !(panel.more && panel.less))
    report("panel", "more and less", undefined, "Say by which gestures a number is raised and lowered.");
  if (panel.stores === "on save" && !board.commits.some((commit) => commit.for === "values"))
    report(
      "panel.stores",
      "a commit for values",
      panel.stores,
      "Add the gesture or entry that saves the list, or say how values are stored.",
    );
  if (panel.stores === "after a pause" && panel.pauseSeconds === undefined)
    report("panel.pauseSeconds", "the pause, seconds", undefined, "Say after how long a value is stored.");
}
