import { sampleOf } from "../../testing/sample.ts";
import { displayPositions, fitBoard, menuValues, type BoardProfile } from "../../board/index.ts";
import { farValues, pathByExhaustion, pathByPackage } from "../../testing/graph-path.ts";
import { everyValue, panelBoards, spread } from "../../testing/panels.ts";
import { shippedBoard } from "../../testing/shipped.ts";
import { brainDoes, brainOf } from "../../twin/index.ts";
import { keyPath, panelAlone, panelAtRest, panelShows, type PanelState } from "../index.ts";
import { isIdle } from "../state.ts";
import { entriesReached, wayToEntry } from "./index.ts";
import { runTo } from "./run.ts";

const boards = panelBoards();

/** The board running, at rest, its values as the panel has them. */
function running(board: BoardProfile, from: PanelState, learned: boolean) {
  const brain = brainOf(board, [], board.leaves);
  brainDoes(brain, { power: "on" });
  brainDoes(brain, { wait: 30 });
  if (learned) for (const { id } of board.memories) brain.held[id] = 1;
  brain.positions = { ...brain.positions, values: from.values };
  brain.inForce = brain.positions;
  brain.panel = from;
  brain.events.length = 0;
  return brain;
}

describe("keys to every value of every board and firmware", () => {
  test("pressed on the running board they end with the value kept and the board at rest; nothing moves or starts but the saving", () => {
    let pressed = 0;
    for (const board of sampleOf(boards, 5)) {
      const reached = new Set<string>();
      for (const { item, learned, ask, from } of everyValue(board))
        for (const to of spread(displayPositions(item), 3)) {
          const path = keyPath(board, ask, { item: item.id, to }, from);
          if (!path) continue;
          reached.add(item.id);
          const brain = running(board, from, learned);
          for (const { made, shows, ms, before } of path.steps) {
            brainDoes(brain, made);
            expect([board.id, item.id, to, made, panelShows(board, brain.panel)]).toEqual([
              board.id,
              item.id,
              to,
              made,
              shows,
            ]);
            const { timeoutSeconds = Infinity } = board.panel!;
            if (!("wait" in made) || before.editing !== undefined)
              expect(ms).toBeLessThan(timeoutSeconds * 1000);
            pressed += 1;
          }
          expect([board.id, item.id, brain.panel.path, brain.positions.values]).toEqual([
            ...[board.id, item.id, []],
            { ...from.values, [item.id]: to },
          ]);
          const others = brain.events.filter(
            ({ kind }) => !["panel", "committed", "began", "ended", "mode"].includes(kind),
          );
          expect(others).toEqual([]);
          const began = brain.events.flatMap((event) => (event.kind === "began" ? [event.program] : []));
          const saves = board.commits.flatMap(({ by }) => ("choose" in by ? [by.choose.item] : []));
          const save = board.panel!.menus.flatMap(({ items }) => items).find(({ id }) => saves.includes(id));
          expect(began.filter((program) => program !== save?.does)).toEqual([]);
          expect(brain.mode).toBe("idle");
          expect(path.readBack).toEqual([]);
        }
      const all = menuValues(board).map((each) => each.item.id);
      expect([board.id, all.filter((id) => !reached.has(id))]).toEqual([board.id, []]);
    }
    expect(pressed).toBeGreaterThan(3_000);
  });
});

test("no gesture of any kind, tried everywhere, is quicker on the small menus", () => {
  const small = ["sorrel-tinkell", "tarn-grellock", "lammerlow-thrussel"].map((id) => {
    const board = shippedBoard(id);
    return fitBoard(board, { firmware: board.firmware.at(-1)! });
  });
  let compared = 0;
  for (const board of small)
    for (const { item } of menuValues(board)
      .filter(({ item: { when } }) => !when)
      .slice(0, 3)) {
      const all = displayPositions(item).slice(0, 12);
      const to = all.at(-1)!;
      const path = keyPath(board, panelAlone(true), { item: item.id, to });
      expect([board.id, item.id, path?.ms]).toEqual([
        board.id,
        item.id,
        pathByExhaustion(board, { item: item.id, to }),
      ]);
      compared += Number(path !== undefined);
    }
  expect(compared).toBeGreaterThan(7);
});

test("on the largest menu they are as quick as those a general graph package finds (graphology)", () => {
  const board = fitBoard(shippedBoard("osierbeck-quernish"), { firmware: "15" });
  for (const change of farValues)
    expect([change.item, keyPath(board, panelAlone(true), change)?.ms]).toEqual([
      change.item,
      pathByPackage(board, change),
    ]);
});

test("a ring of entries is gone round the shorter way (a ring of n: from i to j in min(|i − j|, n − |i − j|) presses)", () => {
  const board = shippedBoard("sorrel-tinkell");
  board.panel!.previous = { turn: { key: "KNOB", to: "left", clicks: 1 } };
  board.panel!.menus.find(({ id }) => id === "values")!.previous = board.panel!.previous;
  const menu = board.panel!.menus.find(({ id }) => id === "values")!;
  menu.items.forEach((item, j) => {
    const [to] = displayPositions(item);
    const path = to === undefined ? undefined : keyPath(board, panelAlone(true), { item: item.id, to });
    if (!path) return;
    const first = path.steps.findIndex(({ after }) => after.editing !== undefined);
    const turns = path.steps.slice(0, first).filter(({ made }) => "turn" in made);
    expect(turns).toHaveLength(Math.min(j, menu.items.length - j));
  });
});

test("neighbours that show the same are counted from the last screen that tells, and the value is looked at once more", () => {
  const board = shippedBoard("osierbeck-quernish");
  const menu = board.panel!.menus.find(({ id }) => id === "movement")!;
  for (const item of menu.items.slice(1, 4)) item.shows = "Frc";
  const [, , third] = menu.items;
  const path = keyPath(board, panelAlone(true), { item: third!.id, to: displayPositions(third!)[0]! })!;
  const counts = path.steps.flatMap(({ counted }) => counted ?? []);
  expect(counts).toEqual([1, 2]);
  expect(path.readBack.some(({ after }) => after.editing === path.to)).toBe(true);
  expect(isIdle(path.readBack.at(-1)!.after)).toBe(true);
});

test("no keys lead to what an app sets, to a value the entry cannot show, and to an entry this firmware lacks", () => {
  const app = shippedBoard("dunnick-wendrel");
  expect(keyPath(app, panelAlone(true), { item: "brisk", to: "3" })).toBeUndefined();
  const board = fitBoard(shippedBoard("osierbeck-quernish"), { firmware: "15" });
  expect(keyPath(board, panelAlone(true), { item: "pause-walk", to: "151" })).toBeUndefined();
  expect(keyPath(board, panelAlone(true), { item: "nothing", to: "1" })).toBeUndefined();
});

test("a quicker way in is not taken where its first key moves the leaf", () => {
  for (const board of boards) {
    const key = board.keys.find(({ outside }) => outside !== undefined);
    const [first] = everyValue(board);
    if (!key || !first) continue;
    const { item, ask, from } = first;
    const to = displayPositions(item).find((shows) => shows !== from.values[item.id])!;
    const path = keyPath(board, ask, { item: item.id, to }, from);
    if (!path) continue;
    const press = { press: { key: key.id, times: 1 } };
    const menu = path.steps.find(({ after }) => after.path.length)!.after.path[0]!.menu;
    const way = { id: "quick", to: menu, by: [press, press], when: {} };
    const quick = { ...board, panel: { ...board.panel!, opens: [way, ...board.panel!.opens] } };
    expect([board.id, keyPath(quick, ask, { item: item.id, to }, from)]).toEqual([board.id, path]);
    const calm = { ...quick, keys: board.keys.map((each) => ({ ...each, outside: undefined })) };
    expect([board.id, keyPath(calm, ask, { item: item.id, to }, from)?.steps[0]?.made]).toEqual([
      board.id,
      press,
    ]);
  }
});

test("a value that shows already what it shall is brought there by no gesture; where there is no panel, nothing leads to an entry", () => {
  for (const { panel, ...board } of boards)
    for (const { item } of menuValues({ panel, ...board })) {
      const [first] = displayPositions(item);
      expect([board.id, item.id, runTo(panel!, item, first!, first!)]).toEqual([board.id, item.id, []]);
    }
  const [bare] = boards.map((board) => ({ ...board, panel: undefined }));
  expect(wayToEntry(bare!, panelAlone(true), panelAtRest(bare!), "any")).toBeUndefined();
  expect(entriesReached(bare!, panelAlone(true), panelAtRest(bare!)).size).toBe(0);
});

test("the entries reached are those to which a way is found, one by one", () => {
  const sizes = new Set<number>();
  for (const board of sampleOf(boards, 5))
    for (const learned of [false, true]) {
      const [ask, from] = [panelAlone(learned), panelAtRest(board)];
      const all = board.panel!.menus.flatMap(({ items }) => items.map(({ id }) => id));
      const found = all.filter((id) => wayToEntry(board, ask, from, id));
      const reached = entriesReached(board, ask, from);
      expect([board.id, learned, [...reached].sort()]).toEqual([
        board.id,
        learned,
        [...new Set(found)].sort(),
      ]);
      sizes.add(reached.size);
    }
  expect(sizes.size).toBeGreaterThan(1);
});
