import fc from "fast-check";
import {
  displayPositions,
  menuValues,
  settableBehaviours,
  type BehaviourId,
  type BoardProfile,
} from "../board/index.ts";
import { clockToFraction, fractionToClock } from "../quantity/index.ts";
import { anyFound } from "../testing/any-found.ts";
import { boardIds, bundleOn } from "../testing/shipped.ts";
import { boardOnSite } from "../job/index.ts";
import { behavioursOf, isDiscrete, type Wishes } from "./fit.ts";
import {
  behavioursAt,
  commitFindings,
  dialGives,
  forceFindings,
  foundPositions,
  planControls,
  thresholdFindings,
  type Positions,
} from "./index.ts";
import { controlKinds, safeFractions, valueGives, zoneAt } from "./positions.ts";

/** Every shipped board as it is on site. */
const boards = boardIds().map((id): [string, BoardProfile] => {
  const { job, board } = bundleOn(id, []);
  return [id, boardOnSite(job, board)];
});

/** Dials that stand on no threshold: those can be read off. */
function readable(board: BoardProfile, found: Positions): Positions {
  const dials = board.dials.map(({ id, delivered, ...dial }): [string, string] => {
    const at = clockToFraction(found.dials[id] ?? delivered, dial.sweep);
    const [nearest = at] = safeFractions({ id, delivered, ...dial }).sort(
      (a, b) => Math.abs(a - at) - Math.abs(b - at),
    );
    return [id, fractionToClock(nearest, dial.sweep)];
  });
  return { ...found, dials: Object.fromEntries(dials) };
}

/** Positions of all controls of a board, drawn by a seed that stays. */
const drawn = (board: BoardProfile, count: number, seed: number): Positions[] =>
  fc
    .sample(anyFound(board), { numRuns: count, seed })
    .map((found) => readable(board, foundPositions(board, found)));

/** Pairs of states of each board: one to bring it to, one it is found in. */
const pairs = boards.flatMap(([id, board]) => {
  const targets = drawn(board, 8, 5);
  return drawn(board, 8, 6).map((found, index) => ({ id, board, target: targets[index]!, found }));
});

const every = (holds: (board: BoardProfile, target: Positions, found: Positions, id: string) => void) => {
  for (const { id, board, target, found } of pairs) holds(board, target, found, id);
};

/** Behaviours that one control of the board alone sets. */
function setOnce(board: BoardProfile): Set<BehaviourId> {
  const all = [
    ...board.settings.map(({ rows }) => behavioursOf(rows)),
    ...board.dials.map(({ zones }) => behavioursOf(zones)),
    ...menuValues(board).map(({ item }) => behavioursOf(item.number ? [item.number] : (item.choices ?? []))),
  ].flat();
  return new Set(all.filter((id) => all.indexOf(id) === all.lastIndexOf(id)));
}

const wishesFrom = (board: BoardProfile, at: Positions): Wishes => {
  const once = setOnce(board);
  return Object.fromEntries(Object.entries(behavioursAt(board, at)).filter(([id]) => once.has(id as never)));
};

describe("on every board, found in any state", () => {
  test("what it can be brought to is planned, to the word and to a tenth", () => {
    every((board, target, found, id) => {
      const wishes = wishesFrom(board, target);
      const { positions } = planControls(board, wishes, found);
      const given = behavioursAt(board, positions);
      for (const [behaviour, wanted] of Object.entries(wishes) as [BehaviourId, number][])
        if (isDiscrete(behaviour)) expect([id, behaviour, given[behaviour]]).toEqual([id, behaviour, wanted]);
        else expect(Math.abs(Number(given[behaviour]) - wanted)).toBeLessThan(0.1);
    });
  });

  test("what it gives already is left as it stands, without a word", () => {
    every((board, target) => {
      const { controls, findings } = planControls(board, wishesFrom(board, target), target);
      expect(controls.filter((each) => each.change && each.gives.length).map((each) => each.id)).toEqual([]);
      expect(findings.filter((each) => each.code !== "dial-not-live")).toEqual([]);
    });
  });

  test("a control that nothing is asked of stays as found", () => {
    every((board, target, found) => {
      const wishes = wishesFrom(board, target);
      const asked = Object.entries(wishes).filter((_, at) => at % 3 === 0);
      for (const control of planControls(board, Object.fromEntries(asked), found).controls)
        if (
          control.gives.length &&
          control.gives.every(({ behaviour }) => !asked.some(([id]) => id === behaviour))
        )
          expect(control).toMatchObject({ change: false, planned: control.found });
    });
  });

  test("the jumper that cuts a panel off is parked wherever it was found, and no other board has such a control", () => {
    let parked = 0;
    every((board, _target, found) => {
      const [jumper, ...more] = planControls(board, {}, found).controls.filter(({ gives }) => !gives.length);
      expect([board.id, jumper?.id, more]).toEqual([board.id, board.solar?.isolatedBy, []]);
      if (!jumper) return;
      expect(jumper).toMatchObject({ planned: ["parked"], change: jumper.found[0] === "on" });
      parked += Number(jumper.change);
    });
    expect(parked).toBeGreaterThan(0);
  });

  test("what is moved and read by a gesture is owed it, what acts at once is not", () => {
    every((board, target, found) => {
      for (const kind of controlKinds) {
        const now = { ...found, [kind]: target[kind] };
        const moved = Object.keys(found[kind]).filter((id) => found[kind][id] !== target[kind][id]);
        const owed = board.commits.some((each) => each.for === kind) && moved.length > 0;
        const findings = commitFindings(board, now, found);
        expect(findings).toHaveLength(owed ? 1 : 0);
        const subjects = findings.flatMap((each) => each.subjects).filter((each) => each.kind !== "key");
        if (owed) expect(subjects.map((each) => each.id)).toEqual(moved);
      }
      expect(commitFindings(board, found, found)).toEqual([]);
    });
  });
});

describe("numbers on every board", () => {
  /** Each number a control of its own sets, with what every position of that control gives. */
  const numbers = boards.flatMap(([id, board]) => {
    const once = setOnce(board);
    const found = foundPositions(board);
    const controls = [
      ...board.dials.map(({ zones, ...dial }) => ({
        ids: behavioursOf(zones),
        given: safeFractions({ zones, ...dial }).map((at) => dialGives({ zones, ...dial }, at)),
      })),
      ...menuValues(board).map(({ item }) => ({
        ids: behavioursOf(item.number ? [item.number] : (item.choices ?? [])),
        given: displayPositions(item).map((shows) => valueGives(item, shows)),
      })),
    ];
    return controls.flatMap(({ ids, given }) =>
      ids
        .filter((behaviour) => once.has(behaviour) && !isDiscrete(behaviour))
        .map((behaviour) => ({
          ...{ id, board, found, behaviour },
          can: given.flatMap((each) => (typeof each[behaviour] === "number" ? [each[behaviour]] : [])),
        })),
    );
  });
  const planned = ({ board, found, behaviour }: (typeof numbers)[number], wanted: number) => {
    const { controls, findings } = planControls(board, { [behaviour]: wanted }, found);
    const gives = controls.flatMap((each) => each.gives).find((each) => each.behaviour === behaviour);
    return {
      given: Number(gives?.given),
      codes: findings
        .map((each) => each.code)
        .filter((code) => code !== "dial-not-live" && code !== "control-needed"),
      dead: findings.some((each) => each.code === "dial-not-live"),
    };
  };

  test("beyond either end, the end is given and told as out of reach", () => {
    expect(numbers.length).toBeGreaterThan(30);
    for (const each of numbers)
      for (const [wanted, end] of [
        [Math.max(...each.can) + 60, Math.max(...each.can)],
        [Math.min(...each.can) - 60, Math.min(...each.can)],
      ] as const) {
        const { given, codes, dead } = planned(each, wanted);
        if (dead) continue;
        expect([each.id, each.behaviour, given]).toEqual([each.id, each.behaviour, end]);
        expect(codes).toEqual(["value-out-of-reach"]);
      }
  });

  test("between two positions the nearer is given and told as rounded; on one, nothing is told", () => {
    for (const each of numbers) {
      const [least, most] = [Math.min(...each.can), Math.max(...each.can)];
      for (const part of [0, 0.13, 0.5, 0.71, 1]) {
        const wanted = least + part * (most - least);
        const { given, codes, dead } = planned(each, wanted);
        if (dead) continue;
        const off = Math.min(...each.can.map((value) => Math.abs(value - wanted)));
        expect([each.id, Math.abs(given - wanted).toFixed(6)]).toEqual([each.id, off.toFixed(6)]);
        expect(codes).toEqual(off < 0.05 ? [] : ["value-rounded"]);
      }
    }
  });
});

test("an entry that shows what is as good as any other is left as it is", () => {
  const left = boards.flatMap(([, board]) =>
    menuValues(board).flatMap(({ item }) => {
      const [behaviour] = item.number ? behavioursOf([item.number]) : [];
      if (!behaviour || isDiscrete(behaviour) || !setOnce(board).has(behaviour)) return [];
      const at = (shows: string) => Number(valueGives(item, shows)[behaviour]);
      const [low = "", high = ""] = displayPositions(item);
      for (const shows of [low, high]) {
        const found = foundPositions(board, { values: { [item.id]: shows } });
        const wanted = (at(low) + at(high)) / 2;
        expect(planControls(board, { [behaviour]: wanted }, found).positions.values[item.id]).toBe(shows);
      }
      return [item.id];
    }),
  );
  expect(left.length).toBeGreaterThan(5);
});

describe("a dial with several functions", () => {
  const dials = boards.flatMap(([id, board]) => board.dials.map((dial) => ({ id, board, dial })));

  test("at a threshold it does what begins there, just before it what ends there", () => {
    expect(dials.some(({ dial }) => dial.zones.length > 1)).toBe(true);
    for (const { dial } of dials)
      dial.zones.forEach((zone) => {
        expect(zoneAt(dial, zone.from)).toBe(zone);
        expect(zoneAt(dial, zone.to - 1e-9)).toBe(zone);
        const ends = Object.values(zone.sets).flatMap((sets) => (typeof sets === "object" ? [sets] : []));
        const at = (fraction: number) =>
          Object.values(dialGives(dial, fraction)).map((given) => Number(given).toFixed(6));
        for (const { from, to } of ends) {
          expect(at(zone.from)).toContain(from.toFixed(6));
          expect(at((zone.from + zone.to) / 2)).toContain(((from + to) / 2).toFixed(6));
        }
      });
    for (const { dial } of dials) expect(zoneAt(dial, 1)).toBe(dial.zones.at(-1));
  });

  test("trap 13: told wherever it stands in another zone than planned, and nowhere else", () => {
    for (const { board, dial } of dials) {
      const base = foundPositions(board);
      const at = (fraction: number): Positions => ({
        ...base,
        dials: { ...base.dials, [dial.id]: fractionToClock(fraction, dial.sweep) },
      });
      const several = behavioursOf(dial.zones).length > 1;
      const places = safeFractions(dial).filter((_, n) => n % 5 === 0);
      for (const now of places)
        for (const planned of places)
          expect(
            thresholdFindings(board, at(now), at(planned)).map(({ values }) => [values.clock, values.target]),
          ).toEqual(
            several && zoneAt(dial, now) !== zoneAt(dial, planned)
              ? [[fractionToClock(now, dial.sweep), fractionToClock(planned, dial.sweep)]]
              : [],
          );
    }
  });
});

describe("trap 1: a force too low for learning", () => {
  const forces = ["force", "force-opening", "force-closing"] as const;
  const cases = boards.flatMap(([id, board]) =>
    forces.filter((force) => settableBehaviours(board).has(force)).map((force) => ({ id, board, force })),
  );

  test("is told under what the learn wants, with a position that is enough; at it and over it nothing is", () => {
    expect(cases.length).toBeGreaterThan(5);
    for (const { board, force } of cases)
      for (const at of drawn(board, 6, 9)) {
        const given = Number(behavioursAt(board, at)[force]);
        expect(forceFindings(board, at, given, at, force)).toEqual([]);
        expect(forceFindings(board, at, given - 1, at, force)).toEqual([]);
        const [found, ...more] = forceFindings(board, at, given + 1, at, force);
        expect(more).toEqual([]);
        const [subject] = found!.subjects;
        const target = String(found!.values.target);
        if (target === "more force") continue;
        const kind = subject!.kind === "dial" ? "dials" : "values";
        const mended = { ...at, [kind]: { ...at[kind], [subject!.id]: target } };
        expect(Number(behavioursAt(board, mended)[force])).toBeGreaterThanOrEqual(given + 1);
      }
  });

  test("the planned position is named where it is just enough", () => {
    const named = cases.flatMap(({ board, force }) => {
      const [at, planned] = drawn(board, 24, 11)
        .map((each) => ({ each, given: Number(behavioursAt(board, each)[force]) }))
        .sort((a, b) => a.given - b.given)
        .filter((_, n, all) => n === 0 || n === all.length - 1);
      if (!at || !planned || at.given === planned.given) return [];
      const [found] = forceFindings(board, at.each, planned.given, planned.each, force);
      const [{ kind, id }] = found!.subjects as [{ kind: string; id: string }];
      expect(found!.values.target).toBe(planned.each[kind === "dial" ? "dials" : "values"][id]);
      return [kind];
    });
    expect(new Set(named)).toEqual(new Set(["dial", "value"]));
  });
});
