import { displayPositions, fitBoard, menuValues, type BoardProfile } from "../../board/index.ts";
import { panelBoards, spread } from "../../testing/panels.ts";
import { shippedBoard } from "../../testing/shipped.ts";
import { keyPath, panelAlone, panelAtRest, planVisit, type Change, type PanelState } from "../index.ts";
import { isIdle } from "../state.ts";
import type { Walk } from "./edges.ts";
import { quickestWay } from "./search.ts";
import { stepOf } from "./steps.ts";

const ask = panelAlone(true);

/** Some changes of a board's values, each to another than a new board has. */
const changesOf = (board: BoardProfile, count: number): Change[] =>
  spread(menuValues(board), count).map(({ item, delivered }) => ({
    item: item.id,
    to: displayPositions(item).find((shows) => shows !== delivered)!,
  }));

/** Every order of some things. */
const orders = <T>(all: readonly T[]): T[][] =>
  all.length < 2
    ? [[...all]]
    : all.flatMap((one, n) => orders(all.toSpliced(n, 1)).map((rest) => [one, ...rest]));

/** The time that one order takes; undefined where some change cannot be made when its turn comes. */
function orderMs(board: BoardProfile, changes: readonly Change[]): number | undefined {
  const panel = board.panel!;
  let at: PanelState | undefined = panelAtRest(board);
  let ms = 0;
  for (const change of [...changes, undefined]) {
    const walk: Walk = { board, panel, ask, ...change };
    const kept = ({ values, kept, editing }: PanelState) =>
      editing === undefined && (panel.stores === "on save" ? values : kept)[change!.item] === change!.to;
    const way = quickestWay(walk, at, change ? kept : isIdle);
    if (!way) return undefined;
    ms += way.ms;
    at = way.to;
  }
  return ms;
}

describe("several changes in one visit", () => {
  test("take no longer than the quickest of all orders, tried one by one, on every board", () => {
    for (const board of panelBoards()) {
      const changes = changesOf(board, 4).filter((change) => keyPath(board, ask, change));
      const tried = orders(changes).flatMap((order) => orderMs(board, order) ?? []);
      expect([board.id, planVisit(board, ask, changes)?.ms]).toEqual([board.id, Math.min(...tried)]);
    }
  });

  test("seven changes take no longer than the quickest of all 5 040 orders", () => {
    const board = shippedBoard("sorrel-tinkell");
    const panel = board.panel!;
    const list = panel.menus.find(({ id }) => id === "values")!;
    const [first] = list.items;
    list.items.splice(2, 0, ...["a", "b", "c"].map((id, n) => ({ ...first!, id, shows: `more ${n}` })));
    const changes = changesOf(board, 20).filter(({ item }) => item !== "side-sensor");
    expect(changes).toHaveLength(7);
    const legs = new Map<string, number | undefined>();
    // Between two entries of this one list the way is the same whatever was changed before.
    const between = (a: string, b: Change) => {
      const key = `${a} ${b.item}`;
      if (!legs.has(key)) {
        const before = changes.find(({ item }) => item === a);
        const two = orderMs(board, before ? [before, b] : [b])!;
        legs.set(key, two - (before ? orderMs(board, [before])! : 0));
      }
      return legs.get(key)!;
    };
    const least = Math.min(
      ...orders(changes).map((order) =>
        order.reduce((ms, change, n) => ms + between(order[n - 1]?.item ?? "", change), 0),
      ),
    );
    expect(planVisit(board, ask, changes)?.ms).toBe(least);
  });

  test("pressed one after the other every value is kept, the others are as they were, and the board is at rest", () => {
    for (const board of panelBoards())
      for (const learned of [false, true]) {
        const circumstances = panelAlone(learned);
        const visit = planVisit(board, circumstances, changesOf(board, 8))!;
        const walk: Walk = { board, panel: board.panel!, ask: circumstances };
        const rest = panelAtRest(board);
        const steps = [...visit.changes.flatMap((each) => each.steps), ...visit.leaves];
        const end = steps.reduce((state, { made }) => stepOf(walk, state, made), rest);
        expect(isIdle(end)).toBe(true);
        const set = Object.fromEntries(visit.changes.map(({ item, to }) => [item, to]));
        expect([board.id, end.kept]).toEqual([board.id, { ...rest.kept, ...set }]);
        if (learned) expect(visit.changes.length + visit.unreached.length).toBe(changesOf(board, 8).length);
      }
  });

  test("a value that brings another entry up is set before it, and one that takes it away after it", () => {
    const board = fitBoard(shippedBoard("osierbeck-quernish"), { firmware: "15" });
    const order = (changes: Change[], values = {}) =>
      planVisit(board, ask, changes, panelAtRest(board, values))?.changes.map(({ item }) => item);
    const pause = { item: "pause", to: "45" };
    expect(order([pause, { item: "auto", to: "YES" }])).toEqual(["auto", "pause"]);
    expect(order([{ item: "auto", to: "no" }, pause], { auto: "YES" })).toEqual(["pause", "auto"]);
    expect(planVisit(board, ask, [pause])?.unreached).toEqual([pause]);
  });

  test("two values that each take the other's entry away: one is made, and the other told as not reached", () => {
    const board = shippedBoard("osierbeck-quernish");
    const [one, two] = board.panel!.menus.find(({ id }) => id === "outputs")!.items;
    one!.when = { behaviour: "relay-2", is: "none" };
    two!.when = { behaviour: "relay-1", is: "none" };
    const changes = [one!, two!].map(({ id }) => ({ item: id, to: "1" }));
    const visit = planVisit(board, ask, changes)!;
    expect([visit.changes.length, visit.unreached.length]).toEqual([1, 1]);
    expect(isIdle(visit.leaves.at(-1)!.after)).toBe(true);
  });

  test("of more than a dozen the order is no worse than by the list, and mostly better", () => {
    const board = fitBoard(shippedBoard("osierbeck-quernish"), { firmware: "15" });
    const changes = changesOf(board, 16).filter((change) => keyPath(board, ask, change));
    expect(changes.length).toBeGreaterThan(12);
    expect(planVisit(board, ask, changes)!.ms).toBeLessThanOrEqual(orderMs(board, changes)!);
  });
});

test("where entries show the same the counted values are looked at once more at the end", () => {
  const board = shippedBoard("osierbeck-quernish");
  const { items } = board.panel!.menus.find(({ id }) => id === "movement")!;
  for (const item of items.slice(1, 4)) item.shows = "Frc";
  const changes = [items[1]!, items[2]!].map((item) => ({ item: item.id, to: displayPositions(item)[0]! }));
  const { readBack, leaves } = planVisit(board, panelAlone(true), changes)!;
  for (const { to } of changes) expect(readBack.some(({ after }) => after.editing === to)).toBe(true);
  expect(leaves.at(-1)!.after.path).toEqual([]);
  expect(readBack.at(-1)!.after.path).toEqual([]);
});
