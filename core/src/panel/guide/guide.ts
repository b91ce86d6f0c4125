import { menuValues, type BoardProfile, type Circumstances, type Gesture } from "../../board/index.ts";
import { readCircuit } from "../../circuit/index.ts";
import { sentence } from "../../quantity/index.ts";
import { circumstancesOf, installationOf, type BenchState, type Planned } from "../../state/index.ts";
import { gestureMs } from "../path/cost.ts";
import { locate, nearestScreens, tellApart } from "../path/locate.ts";
import type { Change } from "../path/path.ts";
import { planVisit } from "../path/visit.ts";
import { panelAtRest, type PanelState } from "../state.ts";
import { lineText, tellStep, valueName, type GuideStep } from "./told.ts";

/** A change with what it is called and what it was. */
export interface GuideChange extends Change {
  name: string;
  from: string;
}

/** How a board's values are brought to where they shall stand. */
export type KeyGuide =
  /** Its keys differ by firmware, and which one it is has to be looked up first. */
  | { kind: "firmware"; found: string; known: readonly string[] }
  /** They are set in the maker's app: a list, and no keys. */
  | { kind: "app"; app: string; values: GuideChange[] }
  | {
      kind: "keys";
      steps: GuideStep[];
      /** All of it in one line. */
      line: string;
      ms: number;
      /** In the order in which they are made. */
      changes: GuideChange[];
      /** No keys lead to these from here: their entries are not shown, or the board must learn first. */
      unreached: GuideChange[];
    };

/** Where someone stands who sees another screen than was said. */
export type Found =
  /** Nowhere in these menus; the screens most like it. */
  | { kind: "nowhere"; nearest: string[] }
  | { kind: "known"; at: PanelState }
  /** A harmless gesture that tells; after each screen it can show, where that is. */
  | { kind: "look"; step: { made: Gesture; says: string }; then: { shows: string; at: PanelState[] }[] }
  | { kind: "wait"; seconds: number; keeps: boolean }
  | { kind: "lost" };

/** The bench as the panel asks for it: with power, for its keys are worked. */
function askOf(planned: Planned, state: BenchState): Circumstances {
  const on: BenchState = { ...state, powered: true };
  const { board } = planned.bundle;
  return circumstancesOf(planned, on, readCircuit(installationOf(board, planned.wiring, on)));
}

const named = (board: BoardProfile, state: BenchState, changes: readonly Change[]): GuideChange[] =>
  changes.map(({ item, to }) => ({
    ...{ item, to },
    name: valueName(board, item),
    from: state.positions.values[item] ?? "",
  }));

/**
 * Keys for some changes, from where the panel stands or from outside; a question where the firmware is not known, a list
 * where an app sets them.
 */
export function guideKeys(
  planned: Planned,
  state: BenchState,
  changes: readonly Change[],
  at?: PanelState,
): KeyGuide {
  const { board, job } = planned.bundle;
  const { firmware } = job.found;
  const app = board.panel?.menus.find(
    ({ kind, items }) => kind === "app" && items.some(({ id }) => id === changes[0]?.item),
  );
  if (app) return { kind: "app", app: app.label, values: named(board, state, changes) };
  if (!board.firmware.includes(firmware)) return { kind: "firmware", found: firmware, known: board.firmware };
  const ask = askOf(planned, state);
  const visit = planVisit(board, ask, changes, at ?? panelAtRest(board, state.positions.values));
  const told = visit
    ? [
        ...visit.changes.flatMap(({ steps, item }) => steps.map((step) => tellStep(board, ask, step, item))),
        ...[...visit.leaves, ...visit.readBack].map((step) => tellStep(board, ask, step)),
      ]
    : [];
  return {
    kind: "keys",
    steps: told,
    line: told.length ? sentence(`${lineText(board, told)}.`) : "",
    ms: told.reduce((sum, { made }) => sum + gestureMs(made), 0),
    changes: named(board, state, visit?.changes ?? []),
    unreached: named(board, state, visit?.unreached ?? changes),
  };
}

/** What follows from the places where a panel can stand. */
function next(board: BoardProfile, ask: Circumstances, could: readonly PanelState[]): Found {
  const look = tellApart(board, ask, could);
  if (look.kind !== "look") return look;
  return {
    kind: "look",
    step: { made: look.made, says: sentence(`${lineText(board, [look])} and look`) },
    then: look.then,
  };
}

/** Where the panel stands that shows this, by what it shows now or, where several do, by a harmless look at what comes next. */
export function findPanel(
  planned: Planned,
  state: BenchState,
  seen: { shown: readonly string[] } | { could: readonly PanelState[] },
): Found {
  const { board } = planned.bundle;
  const ask = askOf(planned, state);
  if ("could" in seen) return next(board, ask, seen.could);
  const rest = panelAtRest(board, state.positions.values);
  const could = locate(board, ask, rest, seen.shown);
  if (!could.length) return { kind: "nowhere", nearest: nearestScreens(board, ask, rest, seen.shown) };
  return next(board, ask, could);
}

/** Values that keys or an app can set and that shall stand otherwise than they do. */
export const changesOf = (planned: Planned, state: BenchState): Change[] =>
  menuValues(planned.bundle.board).flatMap(({ item }) => {
    const to = planned.controls.positions.values[item.id];
    return to === undefined || to === state.positions.values[item.id] ? [] : [{ item: item.id, to }];
  });
