import { displayPositions, menuValues, type BoardProfile } from "../../board/index.ts";
import { panelBoards } from "../../testing/panels.ts";
import { shippedBoard } from "../../testing/shipped.ts";
import { isIdle } from "../state.ts";
import {
  keysAt,
  locate,
  menuKeysThatMove,
  nearestScreens,
  panelAfter,
  panelAlone,
  panelAtRest,
  panelShows,
  panelWaits,
  tellApart,
  type PanelState,
} from "../index.ts";

const ask = panelAlone(true);
const same = (a: PanelState) => JSON.stringify([a.path, a.editing]);

/** Screens of every value's entry, looked at and being changed to its least. */
const screensOf = (board: BoardProfile): PanelState[] =>
  menuValues(board).flatMap(({ item, menu, delivered }) => {
    const lines = (value: string) => ((board.display?.lines ?? 1) > 1 ? [item.shows, value] : [value]);
    const looked = (board.display?.lines ?? 1) > 1 ? lines(delivered) : [item.shows];
    return [looked, lines(displayPositions(item)[0]!)].flatMap((shown) =>
      locate(board, ask, panelAtRest(board), shown).filter(({ path }) => path.at(-1)?.menu === menu.id),
    );
  });

/** How many places stay alike at worst. */
const worstOf = (groups: readonly (readonly PanelState[])[]) =>
  Math.max(...groups.map(({ length }) => length));

/** The least of that among all single gestures that change nothing wherever the panel stands, tried one by one. */
function leastWorst(board: BoardProfile, could: readonly PanelState[]): number {
  const gestures = could.flatMap((at) => keysAt(board, ask, at).map(({ made }) => made));
  return Math.min(
    could.length,
    ...gestures.flatMap((made) => {
      const after = could.map((at) => ({ at, ...panelAfter(board, ask, at, made) }));
      const calm = after.every(
        ({ at, state, events }) =>
          events.every(({ kind }) => ["opened", "left", "reverted"].includes(kind)) &&
          [undefined, at.editing].includes(state.editing),
      );
      if (!calm) return [];
      const groups = new Map<string, Map<string, PanelState>>();
      for (const { state } of after) {
        const shows = panelShows(board, state)?.join("|").trim() ?? "";
        groups.set(shows, new Map(groups.get(shows)).set(same(state), state));
      }
      return [worstOf([...groups.values()].map((group) => [...group.values()]))];
    }),
  );
}

test("from any screen of any board someone is led to where the panel stands, by looks that keep, start and move nothing", () => {
  let looked = 0;
  for (const board of panelBoards()) {
    const rest = panelAtRest(board);
    for (const truth of screensOf(board)) {
      let at = truth;
      let could = locate(board, ask, rest, panelShows(board, at)!);
      expect(could.map(same)).toContain(same(at));
      for (let n = 0; n < 8; n += 1) {
        const next = tellApart(board, ask, could);
        if (next.kind === "known") {
          expect([board.id, same(next.at)]).toEqual([board.id, same(at)]);
          break;
        }
        if (next.kind !== "look") {
          // A board whose time-out keeps a slip is not waited for.
          if (board.panel!.timeoutKeeps && next.kind === "lost") break;
          expect(next.kind).toBe("wait");
          // A board that stores by a pause keeps what is being changed, whoever waits: nothing else does.
          const waited = panelWaits(board, at, board.panel!.timeoutSeconds!);
          expect(waited.state.path).toEqual([]);
          const kept = JSON.stringify(waited.state.kept) !== JSON.stringify(rest.kept);
          if (kept) expect([board.id, next]).toEqual([board.id, expect.objectContaining({ keeps: true })]);
          break;
        }
        looked += 1;
        const { state, events } = panelAfter(board, ask, at, next.made);
        expect(
          events.filter(({ kind }) => kind === "kept" || kind === "started" || kind === "outside"),
        ).toEqual([]);
        expect(state.kept).toEqual(rest.kept);
        expect([board.id, next.made, [undefined, at.editing].includes(state.editing)]).toEqual([
          ...[board.id, next.made, true],
        ]);
        expect(worstOf(next.then.map((each) => each.at))).toBeLessThanOrEqual(leastWorst(board, could));
        at = state;
        could = next.then.find(({ shows }) => shows === (panelShows(board, at)?.join("|").trim() ?? ""))!.at;
        if (isIdle(at)) break;
      }
    }
  }
  expect(looked).toBeGreaterThan(10);
});

test("a screen the board cannot show is found nowhere, and the most alike are named", () => {
  const board = shippedBoard("osierbeck-quernish");
  const rest = panelAtRest(board);
  expect(locate(board, ask, rest, ["Frc3"])).toEqual([]);
  expect(nearestScreens(board, ask, rest, ["Frc3"]).slice(0, 2).sort()).toEqual(["Frc1", "Frc2"]);
});

test("each screen says what its keys do there; outside, that a key moves the gate", () => {
  const board = shippedBoard("osierbeck-quernish");
  const [at] = locate(board, ask, panelAtRest(board), ["dLY2"]);
  const does = keysAt(board, ask, at!).map((each) => each.does);
  expect(does).toEqual([
    "next entry: mEEt",
    "entry before: dLY1",
    "begins to change it: 3",
    "one menu up: tmE",
  ]);
  const outside = keysAt(board, ask, panelAtRest(board)).map((each) => each.does);
  expect(outside).toContain("opens the main menu");
  expect(outside).toEqual(expect.arrayContaining(board.keys.flatMap((key) => key.outside ?? [])));
});

test("a board whose time-out keeps what is being changed is not waited for where something is", () => {
  const board = shippedBoard("osierbeck-quernish");
  const { id, items } = board.panel!.menus.find((menu) => menu.id === "movement")!;
  for (const item of items) item.shows = "same";
  const [one] = displayPositions(items[1]!);
  const at = (editing?: string) =>
    [1, 2].map((entry): PanelState => {
      const path = [{ menu: id, entry }];
      return { ...panelAtRest(board), path, ...(editing === undefined ? {} : { editing }) };
    });
  const keeps = { ...board, panel: { ...board.panel!, timeoutKeeps: true } };
  expect(tellApart(board, ask, at(one)).kind).toBe("wait");
  expect(tellApart(keeps, ask, at(one)).kind).toBe("lost");
});

/** The board with no key that steps through its wizards: each other menu keeps those it has. */
function answeredOnly(board: BoardProfile): BoardProfile {
  const { panel } = structuredClone(board);
  const { next, previous } = panel!;
  for (const menu of panel!.menus)
    Object.assign(
      menu,
      menu.kind === "wizard"
        ? { next: undefined, previous: undefined }
        : { next: menu.next ?? next, previous: menu.previous ?? previous },
    );
  return { ...board, panel: { ...panel!, next: undefined, previous: undefined } };
}

test("every question of a wizard is found while nothing is learned, though only an answer leads to it", () => {
  let asked = 0;
  for (const board of panelBoards().flatMap((each) => [each, answeredOnly(each)]))
    for (const menu of board.panel!.menus.filter(({ kind }) => kind === "wizard"))
      for (const { id, shows } of menu.items) {
        const could = locate(board, panelAlone(false), panelAtRest(board), [shows]);
        const found = could.map(({ path }) => {
          const last = path.at(-1)!;
          return board.panel!.menus.find((each) => each.id === last.menu)!.items[last.entry]!.id;
        });
        expect([board.id, found]).toEqual([board.id, expect.arrayContaining([id])]);
        asked += 1;
      }
  expect(asked).toBeGreaterThan(5);
});

test("of the keys that move the leaf only those are told that step through the menus as well", () => {
  const movers = (id: string) => menuKeysThatMove(shippedBoard(id)).map((key) => key.id);
  expect(movers("furzel-slathorn").sort()).toEqual(["MINUS", "OK", "PLUS"]);
  // Its wall keys move the door, and its menus are walked by the knob.
  expect(movers("hexby-hoistrum")).toEqual([]);
  expect(shippedBoard("hexby-hoistrum").keys.some(({ does }) => does.length)).toBe(true);
});

test("a key that moves the leaf is told for each way in which it steps: on, back, in or out", () => {
  let told = 0;
  for (const board of panelBoards())
    for (const key of board.keys.filter(({ does }) => does.length))
      for (const step of ["next", "previous", "into", "back"] as const) {
        const { panel } = structuredClone(board);
        for (const each of [panel!, ...panel!.menus])
          for (const other of ["next", "previous", "into", "back"] as const) delete each[other];
        for (const other of ["more", "less", "confirm"] as const) delete panel![other];
        const by = { press: { key: key.id, times: 1 } };
        const own = panel!.menus.map((menu, at) => (at ? menu : { ...menu, [step]: by }));
        for (const one of [
          { ...panel!, [step]: by },
          { ...panel!, menus: own },
        ])
          expect([board.id, step, menuKeysThatMove({ ...board, panel: one })]).toEqual([
            board.id,
            step,
            [key],
          ]);
        expect(menuKeysThatMove({ ...board, panel })).toEqual([]);
        told += 1;
      }
  expect(told).toBeGreaterThan(10);
});

test("an entry is found by either of the keys that step, where a panel has but one of them", () => {
  for (const board of panelBoards())
    for (const without of ["next", "previous"] as const) {
      const { panel } = structuredClone(board);
      for (const each of [panel!, ...panel!.menus]) delete each[without];
      const other = without === "next" ? "previous" : "next";
      const stepping = [panel!, ...panel!.menus].some((each) => each[other]);
      if (!stepping) continue;
      const places = (of: BoardProfile) =>
        menuValues(board).map(({ item }) => locate(of, ask, panelAtRest(of), [item.shows]).length > 0);
      expect([board.id, without, places({ ...board, panel })]).toEqual([board.id, without, places(board)]);
    }
});

test("a key that steps through the menus and does nothing outside of them is none that moves the leaf", () => {
  let stepping = 0;
  for (const board of panelBoards()) {
    const idle = { ...board, keys: board.keys.map((key) => ({ ...key, does: [] })) };
    expect(menuKeysThatMove(idle)).toEqual([]);
    stepping += menuKeysThatMove(board).length;
  }
  expect(stepping).toBeGreaterThan(0);
});
