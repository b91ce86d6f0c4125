import {
  displayPositions,
  fitBoard,
  menuValues,
  type BoardProfile,
  type Circumstances,
  type Gesture,
} from "../board/index.ts";
import { boardIds, shippedBoard } from "../testing/shipped.ts";
import {
  entryAt,
  menuAt,
  mostPresses,
  openingOf,
  panelAfter,
  panelAfterEach,
  panelAlone,
  panelAtRest,
  panelShowing,
  panelShows,
  panelWaits,
} from "./index.ts";

const press = (key: string, times = 1): Gesture => ({ press: { key, times } });
const hold = (key: string, seconds: number): Gesture => ({ hold: { key, seconds } });

/** A board on its site with every card, by its firmware. */
const sited = (id: string, firmware?: string): BoardProfile => {
  const board = shippedBoard(id);
  return fitBoard(board, {
    cards: board.cards.map((card) => card.id),
    leaves: board.leaves,
    ...(firmware ? { firmware } : {}),
  });
};

/** Does gestures one after the other, from outside where nothing else is said. */
const does = (board: BoardProfile, ask: Circumstances, made: readonly Gesture[], from = panelAtRest(board)) =>
  panelAfterEach(board, ask, from, made);

/** Every entry that can be reached from outside, each with fewest gestures: a breadth-first search, by its id. */
function reach(board: BoardProfile, ask: Circumstances, from = panelAtRest(board)): Map<string, Gesture[]> {
  const panel = board.panel!;
  const ways = panel.opens.map(({ by }) => by);
  const inside = [...panel.menus, panel].flatMap(({ next, previous, into, back }) =>
    [next, previous, into, back].flatMap((each) => (each ? [[each]] : [])),
  );
  const found = new Map<string, Gesture[]>();
  const queue: Gesture[][] = [[]];
  for (let made = queue.shift(); made; made = queue.shift()) {
    for (const more of made.length ? inside : ways) {
      const { state } = does(board, ask, [...made, ...more], from);
      const item = entryAt(board, state);
      if (!item || state.editing !== undefined || found.has(item.id)) continue;
      found.set(item.id, [...made, ...more]);
      queue.push([...made, ...more]);
    }
  }
  return found;
}

/** Every board whose menus are walked by keys, by each of its firmwares. */
const panels = boardIds()
  .filter((id) => shippedBoard(id).panel?.opens.length)
  .flatMap((id) => shippedBoard(id).firmware.map((firmware) => [id, firmware] as const));

describe.each(panels)("the panel of %s, firmware %s", (id, firmware) => {
  const board = sited(id, firmware);
  // Every entry that only another value brings up is shown.
  const from = board
    .panel!.menus.flatMap(({ items }) => items)
    .reduce((state, item) => panelShowing(board, panelAlone(true), item, state.values)!, panelAtRest(board));
  const reached = [false, true].map((learned) => ({
    ask: panelAlone(learned),
    ways: reach(board, panelAlone(learned), from),
  }));

  test("every entry is reached by its gestures, new or set up", () => {
    const all = board.panel!.menus.flatMap(({ items }) => items.map((item) => item.id));
    expect(all.filter((item) => !reached.some(({ ways }) => ways.has(item)))).toEqual([]);
  });

  test("every value is reached while nothing is learned, or on a door's board once it was set up", () => {
    const later = menuValues(board).filter(({ item }) => !reached[0]!.ways.has(item.id));
    expect(later.length > 0).toBe(id === "lammerlow-thrussel");
  });

  test("every value can be set to its least and its most, and is kept by what keeps it and by nothing less", () => {
    const { stores, more, less, confirm, pauseSeconds } = board.panel!;
    for (const { item, menu } of menuValues(board)) {
      // An answer of a wizard is kept at once.
      const waits = stores === "on save" && menu.kind !== "wizard";
      const { ask, ways } = reached.find(({ ways: each }) => each.has(item.id))!;
      const into = board.panel!.into!;
      for (const wanted of [displayPositions(item).at(0)!, displayPositions(item).at(-1)!]) {
        let { state } = does(board, ask, [...ways.get(item.id)!, into], from);
        const far = displayPositions(item).indexOf(wanted) < displayPositions(item).indexOf(state.editing!);
        for (let n = 0; state.editing !== wanted && n < 1_000; n++)
          ({ state } = panelAfter(board, ask, state, far ? less! : more!));
        expect([item.id, panelShows(board, state)?.at(-1)]).toEqual([item.id, wanted]);
        expect(state.kept).toEqual(from.kept);
        const stored =
          stores === "after a pause"
            ? panelWaits(board, state, pauseSeconds!)
            : panelAfter(board, ask, state, confirm!);
        const isKept = stored.events.some(
          (event) => event.kind === "kept" && event.values[item.id] === wanted,
        );
        expect([item.id, isKept]).toEqual([item.id, !waits]);
        if (!waits) continue;
        // Given up without being saved, it is as it was.
        expect(panelWaits(board, stored.state, board.panel!.timeoutSeconds!).state.values).toEqual(
          from.values,
        );
        const saves = board.commits.flatMap(({ by }) => ("choose" in by ? [by.choose.item] : []));
        let at = stored.state;
        for (let n = 0; n < 60 && !saves.includes(entryAt(board, at)?.id ?? ""); n++)
          at = panelAfter(
            board,
            ask,
            at,
            n > 30 || at.path.length === 1 ? board.panel!.next! : board.panel!.back!,
          ).state;
        const saved = panelAfter(board, ask, at, openingOf(board, menuAt(board, at)!, entryAt(board, at)!)!);
        expect([item.id, saved.state.kept[item.id]]).toEqual([item.id, wanted]);
      }
    }
  });

  test("left alone, every menu closes, where the board has a time for it", () => {
    const { timeoutSeconds } = board.panel!;
    for (const { ask, ways } of reached)
      for (const made of ways.values()) {
        const { state } = does(board, ask, made);
        if (timeoutSeconds === undefined) continue;
        expect(panelWaits(board, state, timeoutSeconds - 1).state.path).toEqual(state.path);
        const waited = panelWaits(board, state, timeoutSeconds);
        expect(waited.state.path).toEqual([]);
        expect(panelShows(board, waited.state)).toBeUndefined();
        expect(waited.events.at(-1)).toEqual({ kind: "left" });
      }
  });
});

describe("at the cabinet", () => {
  const grellock = sited("tarn-grellock");
  const set = panelAlone(true);

  test("a key pressed outside of the menus moves the leaf, and is told", () => {
    expect(does(grellock, set, [press("RISE")]).events).toEqual([{ kind: "outside", key: "RISE" }]);
    expect(does(grellock, set, [hold("NEXT", 2)])).toEqual({ state: panelAtRest(grellock), events: [] });
  });

  test("a hold opens what fits it best, and one that is longer than needed opens it as well", () => {
    expect(does(grellock, set, [hold("NEXT", 3)]).state.path).toEqual([{ menu: "functions", entry: 0 }]);
    expect(does(grellock, set, [hold("PICK", 9)]).state.path).toEqual([{ menu: "fitter", entry: 0 }]);
    expect(does(grellock, set, [hold("PICK", 6.9)]).state.path).toEqual([]);
  });

  test("functions by number: five presses go five entries on, and the value is kept after its pause", () => {
    const { state } = does(grellock, set, [
      hold("NEXT", 3),
      press("NEXT", 2),
      press("PICK"),
      press("RISE", 4),
    ]);
    expect(panelShows(grellock, state)).toEqual(["7"]);
    expect(panelWaits(grellock, state, 4.9).events).toEqual([]);
    expect(panelWaits(grellock, state, 5).events).toEqual([{ kind: "kept", values: { f3: "7" } }]);
    expect([mostPresses(grellock, state, "PICK"), mostPresses(grellock, state, "RISE")]).toEqual([2, 1]);
    // Gone back from, it is as it was.
    expect(does(grellock, set, [press("PICK", 2)], state).state).toMatchObject({
      values: { f3: "3" },
      kept: { f3: "3" },
    });
  });

  test("a way in by two gestures: turned first, then held; held alone it stays shut on the newer firmware", () => {
    const turn: Gesture = { turn: { key: "KNOB", to: "right", clicks: 3 } };
    const newer = sited("hexby-hoistrum", "2.1");
    expect(does(newer, set, [turn, hold("KNOB", 2)]).state.path).toEqual([{ menu: "numbers", entry: 0 }]);
    expect(does(newer, set, [hold("KNOB", 3)]).state.path).toEqual([]);
    expect(does(sited("hexby-hoistrum", "1.8"), set, [hold("KNOB", 3)]).state.path).toHaveLength(1);
    // Waited over, the turn is forgotten.
    const { state } = does(newer, set, [turn]);
    expect(does(newer, set, [hold("KNOB", 2)], panelWaits(newer, state, 1).state).state.path).toEqual([]);
  });

  test("a way in by three gestures opens by all three in their order, and by nothing that differs in one", () => {
    let opened = 0;
    for (const board of boardIds().map(shippedBoard)) {
      const [menu, key] = [board.panel?.menus[0], board.keys[0]];
      if (!board.panel || !menu || !key) continue;
      const by = [hold(key.id, 2), hold(key.id, 5), hold(key.id, 9)];
      const only = {
        ...board,
        panel: { ...board.panel, opens: [{ id: "three", to: menu.id, by, when: {} }] },
      } as BoardProfile;
      const opens = (made: readonly Gesture[]) => does(only, panelAlone(true), made).state.path.length > 0;
      const [one, two, three] = by as [Gesture, Gesture, Gesture];
      const other = press(key.id, 3);
      expect([board.id, opens(by)]).toEqual([board.id, true]);
      expect(opens([other, ...by])).toBe(true);
      for (const made of [[other, two, three], [one, other, three], [one, two, other], [two, three], [three]])
        expect([board.id, made, opens(made)]).toEqual([board.id, made, false]);
      opened += 1;
    }
    expect(opened).toBeGreaterThan(3);
  });

  test("a wizard asks one after the other and starts what stands at its end; held on, the key opens the menu instead", () => {
    const quernish = sited("osierbeck-quernish");
    const asked = does(quernish, panelAlone(false), [
      hold("SET", 3),
      press("SET"),
      press("UP"),
      press("SET"),
      press("SET"),
      press("SET"),
      press("SET"),
    ]);
    expect(asked.events).toEqual([
      { kind: "opened", menu: "first" },
      { kind: "kept", values: { "limit-wiring": "1cor" } },
      { kind: "kept", values: { leaves: "2" } },
      { kind: "left" },
      { kind: "started", program: "learn-half-way" },
    ]);
    expect(does(quernish, set, [hold("SET", 3)]).state.path).toEqual([]);
    expect(does(quernish, panelAlone(false), [hold("SET", 8)]).state.path).toEqual([
      { menu: "main", entry: 0 },
    ]);
  });

  test("a list left without saving reverts and says what; saved, it stays", () => {
    const slathorn = sited("furzel-slathorn");
    const change = [hold("OK", 3), press("OK"), press("PLUS", 5), press("OK")];
    const left = does(slathorn, set, [...change, hold("OK", 1)]);
    expect(left.events.slice(1)).toEqual([{ kind: "reverted", items: ["auto-time"] }, { kind: "left" }]);
    expect(left.state.values["auto-time"]).toBe("20");
    const saved = does(slathorn, set, [...change, press("MINUS"), hold("OK", 2), hold("OK", 1)]);
    expect(saved.events.slice(1)).toEqual([
      { kind: "kept", values: { "auto-time": "25" } },
      { kind: "started", program: "save-values" },
      { kind: "left" },
    ]);
  });

  test("a key that is held runs a value, in larger steps after a while, to its end and no farther", () => {
    const quernish = sited("osierbeck-quernish");
    const at = [hold("SET", 8), press("DOWN"), press("SET"), press("DOWN"), press("SET")];
    const from = panelAtRest(quernish, { auto: "YES" });
    const shown = (seconds: number) => does(quernish, set, [...at, hold("UP", seconds)], from).state.editing;
    expect(does(quernish, set, at, from).state.editing).toBe("30");
    // Four steps a second where the profile says no more, by 10 after 2 s.
    expect([shown(1), shown(2), shown(2.5), shown(3)]).toEqual(["34", "38", "58", "78"]);
    expect(shown(60)).toBe("170");
  });

  test("what is being changed when the menu closes by itself is kept where the board keeps it, and else given up", () => {
    const thrussel = sited("lammerlow-thrussel");
    const change = [press("DOWN"), press("DOWN"), press("RIGHT"), press("RIGHT"), press("DOWN")];
    const { state } = does(thrussel, set, change);
    expect(state.editing).toBe("60");
    expect(panelWaits(thrussel, state, 300).state.kept["v-open"]).toBe("60");
    const forgets = { ...thrussel, panel: { ...thrussel.panel!, timeoutKeeps: false } };
    expect(panelWaits(forgets, state, 300).state.kept["v-open"]).toBe("65");
  });

  test("a text of several lines shows the entry and its value; a board without a panel has keys and no menus", () => {
    const { state } = does(sited("lammerlow-thrussel"), set, [press("DOWN"), press("DOWN"), press("RIGHT")]);
    expect(panelShows(sited("lammerlow-thrussel"), state)).toEqual(["Speed open", "65"]);
    const tandrel = sited("quillmarsh-tandrel");
    expect(does(tandrel, set, [hold("MOVE", 6)])).toEqual({ state: panelAtRest(tandrel), events: [] });
  });
});
