import {
  behaviour,
  behaviourText,
  conditionHolds,
  controlName,
  entryName,
  gestureText,
  handlesOf,
  heldBy,
  menuValues,
  movingThing,
  once,
  onceFor,
  positionTexts,
  positionsText,
  touchedBy,
  travelMemories,
  type BoardProfile,
  type Commit,
  type Menu,
  type MenuValue,
  type Panel,
} from "../../board/index.ts";
import { controlSubjects, type GivenBehaviour, type PlannedControl } from "../../controls/index.ts";
import type { StateEffect } from "../../job/index.ts";
import { entriesReached, menuKeysThatMove, panelAlone, panelAtRest } from "../../panel/index.ts";
import { clockToFraction, listed, sentence } from "../../quantity/index.ts";
import type { Planned } from "../../state/index.ts";
import { standsAt } from "../rests.ts";
import type { StepDraft } from "../step.ts";

function givesText(gives: readonly GivenBehaviour[]): string {
  return listed(
    gives.flatMap(({ behaviour: id, given }) =>
      given === undefined ? [] : [`${behaviour(id).label}: ${behaviourText(id, given)}`],
    ),
  );
}

const standsFor = (control: PlannedControl) => {
  if (!control.gives.length) return "It stands for nothing else: the solar panel is joined and charges.";
  const text = givesText(control.gives);
  return text ? `${text}.` : "It is dead where the other settings stand, and is set all the same.";
};

/** The effects of moving a control; where no gesture is owed, the board has read it at once. */
function moveEffects(control: PlannedControl): StateEffect[] {
  const to = Object.fromEntries(control.parts.map((id, at) => [id, control.planned[at] ?? ""]));
  return [
    { kind: control.kind, to },
    ...(control.commit ? [] : [{ kind: "commit" as const, which: control.kind }]),
  ];
}

/** Where a dial is to stand as a part of its sweep: "42 %". */
function partOfSweep({ bundle: { board } }: Planned, { id, planned }: PlannedControl): string {
  const dial = board.dials.find((each) => each.id === id);
  return dial ? `${Math.round(100 * clockToFraction(planned[0] ?? dial.delivered, dial.sweep))} %` : "";
}

function changeStep(planned: Planned, control: PlannedControl): StepDraft {
  const dial = control.kind === "dials";
  const stands = positionsText(planned.bundle.board, control.parts, control.planned);
  return {
    id: `set:${control.id}:${control.planned.join(",")}`,
    station: "set",
    title: dial ? `${control.label} to ${control.planned[0]}` : `${control.label}: ${stands}`,
    says: dial
      ? `Turn ${controlName(control)} to ${control.planned[0]} on the clock, ${partOfSweep(planned, control)} of its sweep.`
      : `Set ${stands}.`,
    control: control.id,
    effects: moveEffects(control),
    voidBy: { controls: standsAt(planned.bundle.board, control) },
    alsoSee: [
      `${standsFor(control)}${control.commit ? " Nothing is in force yet: the board reads it later, by its gesture." : ""}`,
    ],
    subjects: controlSubjects(planned.bundle.board, control),
  };
}

const rightTexts = (board: BoardProfile, control: PlannedControl) =>
  control.kind === "dials"
    ? [`${control.label} at ${control.planned[0]}`]
    : positionTexts(board, control.parts, control.planned);

/** What must change on the face, one control a step; then one look at what is already right. */
export function setSteps(planned: Planned): StepDraft[] {
  const onFace = planned.controls.controls.filter((control) => control.kind !== "values");
  const right = onFace.filter((control) => !control.change);
  const steps = onFace.filter((control) => control.change).map((control) => changeStep(planned, control));
  if (right.length)
    steps.push({
      id: `set:right:${right.map((control) => `${control.id}=${control.planned.join("")}`).join(",")}`,
      station: "set",
      title: "What already stands right",
      says: `Leave and check: ${listed(right.flatMap((control) => rightTexts(planned.bundle.board, control)))}.`,
      effects: [],
      voidBy: { controls: right.flatMap((control) => standsAt(planned.bundle.board, control)) },
      alsoSee: ["Each stands as listed."],
      ifNot: "Correct what was noted as found under Survey; the plan follows.",
      subjects: right.flatMap((control) => controlSubjects(planned.bundle.board, control)),
    });
  return steps;
}

/** The way into a menu in words: the gesture that opens the first menu, then the entries that lead on. */
function wayTo(board: BoardProfile, panel: Panel, menu: Menu, isNew: boolean): string {
  if (menu.kind === "app") return `open ${menu.label}`;
  const ask = panelAlone(!isNew);
  const direct = panel.opens.find((entry) => entry.to === menu.id && conditionHolds(entry.when, ask));
  const called = handlesOf(board);
  if (direct)
    return `${direct.by.map((each) => gestureText(each, called)).join(", then ")} to open ${menu.label}`;
  for (const outer of panel.menus) {
    const item = outer.items.find((each) => each.menu === menu.id);
    if (item && outer !== menu)
      return `${wayTo(board, panel, outer, isNew)}, go to ${entryName(item)} and open it`;
  }
  return `open ${menu.label}`;
}

/** Entries of the same menu whose names differ in one character of several: named so that a slip is noticed. */
function lookAlikes(menu: Menu, shows: string): string[] {
  // Numbers are told apart; what is mistaken there is the entry beside it.
  if (shows.length < 4) return [];
  return menu.items
    .filter((item) => item.shows !== shows && item.shows.length === shows.length)
    .filter((item) => [...item.shows].filter((character, at) => character !== shows[at]).length === 1)
    .map(entryName)
    .slice(0, 3);
}

/** What a slip in the menu may take instead of an entry: one that looks like it, or one that a click too many or too few leads to. */
function slipText(menu: Menu, shows: string): string | undefined {
  const alike = lookAlikes(menu, shows);
  if (alike.length)
    return `Easily taken for it: ${listed(alike)}. Leave ${alike.length > 1 ? "those as they are" : "that as it is"}.`;
  const at = menu.items.findIndex((item) => item.shows === shows);
  const beside = [menu.items[at - 1], menu.items[at + 1]].flatMap((item) => (item ? [entryName(item)] : []));
  if (!beside.length) return undefined;
  return `Beside it ${beside.length > 1 ? "stand" : "stands"} ${listed(beside)}: leave ${beside.length > 1 ? "those as they are" : "that as it is"}.`;
}

interface ValueStepAsked {
  control: PlannedControl;
  entry: MenuValue;
  station: "power-up" | "travel";
  /** The step before ends in the same menu. */
  isOpen: boolean;
}

/** One value of the menus: the way there, what it stands for, and what lies beside it. */
function valueStep(
  planned: Planned,
  { control, entry: { item, menu }, station, isOpen }: ValueStepAsked,
): StepDraft {
  const { board } = planned.bundle;
  const panel = board.panel!;
  const movers = menu.kind === "app" ? [] : menuKeysThatMove(board);
  const way = wayTo(board, panel, menu, station === "power-up");
  const slip = slipText(menu, item.shows);
  const shows = control.planned[0] ?? "";
  return {
    id: `set:${control.id}:${shows}`,
    station,
    title: `${entryName(item)}: ${shows}`,
    ...(station === "travel" ? { needs: travelMemories(board).map((learned) => ({ learned })) } : {}),
    says: isOpen
      ? `In ${menu.label} go on to ${entryName(item)} and set it from ${control.found[0]} to ${shows}. Where it has closed, first ${way}.`
      : `${sentence(way)}. Go to ${entryName(item)} and set it from ${control.found[0]} to ${shows}.`,
    ...(movers.length
      ? {
          caution: `Outside the menus ${listed(movers.map(({ label }) => label))} ${movers.length > 1 ? "move" : "moves"} the ${movingThing(board)}: look at the display before each press.`,
        }
      : {}),
    control: control.id,
    effects: moveEffects(control),
    voidBy: { controls: standsAt(board, control) },
    shows,
    alsoSee: [
      standsFor(control),
      ...(panel.stores === "after a pause"
        ? [`It is stored ${panel.pauseSeconds ?? 0} s after the last key press.`]
        : []),
      ...(control.commit ? ["Nothing is kept yet: the list must be saved before it is left."] : []),
    ],
    ...(slip ? { ifNot: slip } : {}),
    subjects: controlSubjects(board, control),
  };
}

/**
 * The menu values that must change, each with its entry and its station: while nothing is learned wherever the entry can
 * be reached then, else once the travel is known.
 */
const changedValues = onceFor(({ bundle: { board }, controls }: Pick<Planned, "bundle" | "controls">) => {
  const entries = menuValues(board);
  const changed = controls.controls.flatMap((control) => {
    const entry = entries.find(({ item }) => item.id === control.id);
    return control.kind === "values" && control.change && entry ? [{ control, entry }] : [];
  });
  // Another value that brings an entry up is set before it.
  const panel = panelAtRest(board, controls.positions.values);
  const reached = once((learned: boolean) => entriesReached(board, panelAlone(learned), panel));
  return changed.map((each): Omit<ValueStepAsked, "isOpen"> => {
    const waits = !reached(false).has(each.control.id) && reached(true).has(each.control.id);
    return { ...each, station: waits ? "travel" : "power-up" };
  });
});

/** Where a control is set that must change. */
const stationOf = (planned: Planned, control: PlannedControl) =>
  changedValues(planned).find((each) => each.control === control)?.station ?? "power-up";

/** Menu values that must change, one a step, at the station at which their entries can be reached; first those that bring others up. */
export function valueSteps(planned: Planned, station: "power-up" | "travel"): StepDraft[] {
  const asked = changedValues(planned).filter((each) => each.station === station);
  const inOrder = [false, true].flatMap((hidden) =>
    asked.filter(({ entry }) => (entry.item.when !== undefined) === hidden),
  );
  return inOrder.map((each, at) =>
    valueStep(planned, {
      ...each,
      isOpen: each.entry.menu.kind !== "app" && inOrder[at - 1]?.entry.menu.id === each.entry.menu.id,
    }),
  );
}

const commitTitle: Record<Commit["for"], string> = {
  dials: "Have the dials read",
  switches: "Have the switches read",
  values: "Save the list",
};

function commitStep(
  planned: Planned,
  commit: Commit,
  moved: readonly PlannedControl[],
  station: "power-up" | "travel",
): StepDraft {
  const { board } = planned.bundle;
  const held = heldBy(commit.by, handlesOf(board));
  const keys = touchedBy(commit.by).flatMap((part) => (part.kind === "key" ? [part.id] : []));
  return {
    id: `commit:${commit.id}:${moved.map((control) => `${control.id}=${control.planned.join("")}`).join(",")}`,
    station,
    title: commitTitle[commit.for],
    says: commit.says,
    gesture: commit.by,
    caution: board.keys.find((key) => keys.includes(key.id))?.outside,
    effects: [{ kind: "commit", which: commit.for }],
    voidBy: { controls: moved.flatMap((control) => standsAt(board, control)) },
    alwaysSee: board.lamps
      .filter((lamp) => lamp.shows.some((row) => row.when.pending !== undefined))
      .map((lamp) => lamp.id),
    ifNot: held
      ? `Let go too early and nothing is read. Hold ${held.what} again for the full ${held.seconds} s.`
      : commit.for === "values"
        ? "Left without it, everything reverts. Look at one changed value again before going on."
        : `Where nothing shows that it was read, ${gestureText(commit.by, handlesOf(board))} again.`,
    subjects: [
      ...keys.map((id) => ({ kind: "key" as const, id })),
      ...moved.flatMap((control) => controlSubjects(board, control)),
    ],
  };
}

/** The commit gestures that the moved controls owe, done once the board has power and they are moved. */
export function commitSteps(planned: Planned, station: "power-up" | "travel"): StepDraft[] {
  return planned.bundle.board.commits.flatMap((commit): StepDraft[] => {
    const moved = planned.controls.controls.filter(
      (control) => control.change && control.commit === commit.id && stationOf(planned, control) === station,
    );
    return moved.length ? [commitStep(planned, commit, moved, station)] : [];
  });
}
