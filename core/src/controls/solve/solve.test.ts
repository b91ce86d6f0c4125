import fc from "fast-check";
import { menuValues, type BehaviourId, type BehaviourValue, type BoardProfile } from "../../board/index.ts";
import { boardOnSite } from "../../job/index.ts";
import { boardIds, bundleOn, tandrel } from "../../testing/shipped.ts";
import { isDiscrete, type Wishes } from "../fit.ts";
import { behavioursAt, foundPositions, planControls } from "../index.ts";
import { isLive } from "../positions.ts";
import { conflictsOf } from "./conflicts.ts";
import { knobsOf } from "./knobs.ts";

const boards = boardIds().map((id): [string, BoardProfile] => {
  const { job, board } = bundleOn(id, []);
  return [id, boardOnSite(job, board)];
});

/** Values that a control of the board can give, drawn by a seed: some of each behaviour. */
function drawWishes(board: BoardProfile, count: number, seed: number): Wishes[] {
  const knobs = knobsOf(board, foundPositions(board)).filter(({ ids }) => ids.length);
  const wish = fc.record(
    Object.fromEntries(
      knobs.flatMap((knob) =>
        knob.ids.map((id) => {
          const can = [...new Set(knob.stands.flatMap(({ gives }) => gives[id] ?? []))];
          return [id, fc.option(fc.constantFrom(...(can as [BehaviourValue])), { nil: undefined })];
        }),
      ),
    ),
  );
  return fc.sample(wish, { numRuns: count, seed }) as Wishes[];
}

/** How far a whole board is from what is wanted: words that differ, dials that do not count, numbers. */
function farFrom(board: BoardProfile, wishes: Wishes, at: ReturnType<typeof foundPositions>): number[] {
  const given = behavioursAt(board, at);
  const dead = board.dials.filter((dial) => !isLive(dial.live, at, given));
  const idle = new Set(dead.flatMap(({ zones }) => zones.flatMap(({ sets }) => Object.keys(sets))));
  const [differing, asleep, distance] = [0, 0, 0].map(() => ({ sum: 0 })) as [
    { sum: number },
    { sum: number },
    { sum: number },
  ];
  for (const [id, wanted] of Object.entries(wishes) as [BehaviourId, BehaviourValue | undefined][]) {
    if (wanted === undefined) continue;
    if (idle.has(id)) asleep.sum += 1;
    else if (!isDiscrete(id) && typeof given[id] === "number")
      distance.sum += Math.abs(given[id] - Number(wanted)) / Math.max(1, Number(wanted));
    else if (given[id] !== wanted) differing.sum += 1;
  }
  return [differing.sum, asleep.sum, Math.round(distance.sum * 1e6)];
}

test("a dial that counts only with another control, and that control, stand as the best of every combination", () => {
  let needed = 0;
  const gated = boards.filter(([, board]) => board.dials.some(({ live }) => live));
  expect(gated.length).toBeGreaterThan(2);
  for (const [id, board] of gated)
    for (const all of drawWishes(board, 30, 7)) {
      const found = foundPositions(board);
      const dial = board.dials.find(({ live }) => live)!;
      const carried = knobsOf(board, found).filter(
        (knob) =>
          knob.id === dial.id ||
          knob.stands.some(({ gives }) =>
            Object.keys(gives).some((each) => JSON.stringify(dial.live).includes(each)),
          ) ||
          knob.parts.some((part) => JSON.stringify(dial.live).includes(`"${part}"`)),
      );
      const ids = carried.flatMap((knob) => knob.ids);
      const wishes = Object.fromEntries(
        Object.entries(all).filter(([each]) => ids.includes(each as BehaviourId)),
      );
      const { positions, findings, controls } = planControls(board, wishes, found);
      let best: number[] | undefined;
      const tried = carried.reduce(
        (places, { kind, parts, stands }) =>
          places.flatMap((place) =>
            stands.map(({ at }) => ({
              ...place,
              [kind]: { ...place[kind], ...Object.fromEntries(parts.map((part, n) => [part, at[n]!])) },
            })),
          ),
        [found],
      );
      // Of equals the nearest to where the switches and values stand.
      const moves = (place: typeof found) =>
        carried.flatMap(({ kind, parts, stands }) =>
          kind === "dials"
            ? []
            : (stands.find(({ at }) => parts.every((part, n) => place[kind][part] === at[n]))?.far ?? 0),
        );
      const scoreOf = (place: typeof found) => [
        ...farFrom(board, wishes, place),
        moves(place).reduce((sum, far) => sum + far, 0),
      ];
      for (const place of tried) {
        const score = scoreOf(place);
        const n = best ? score.findIndex((each, at) => each !== best![at]) : 0;
        if (!best || (n >= 0 && score[n]! < best[n]!)) best = score;
      }
      expect([id, wishes, scoreOf(positions)]).toEqual([id, wishes, best]);
      // What moves for the dial's sake alone stands otherwise where nothing is wanted of the dial.
      const mine = carried.find((knob) => knob.id === dial.id)!.ids;
      const others = Object.entries(wishes).filter(([each]) => !mine.includes(each as BehaviourId));
      const alone = planControls(board, Object.fromEntries(others), found).positions;
      for (const { neededBy, kind, parts } of controls)
        if (neededBy !== undefined)
          expect(parts.some((part) => positions[kind][part] !== alone[kind][part])).toBe(true);
      needed += findings.filter(({ code }) => code === "control-needed").length;
    }
  expect(needed).toBeGreaterThan(3);
});

test("of several controls that would make a dial count one moves, the nearest of its stands, and it alone is named", () => {
  const [, shipped] = boards.find(([id]) => id === "marlstreet-pewlark")!;
  const on = (control: string, at = "on") => ({ control, at });
  const live = { any: [on("K2"), { all: [on("K3"), on("GO", "opens")] }] };
  const board = {
    ...shipped,
    dials: shipped.dials.map((dial) => (dial.id === "P1" ? { ...dial, live } : dial)),
  };
  const found = foundPositions(board);
  const wait = knobsOf(board, found).find(({ id }) => id === "P1")!.ids[0]!;
  const needed = (noted: Parameters<typeof foundPositions>[1]) =>
    planControls(board, { [wait]: 30 }, foundPositions(board, noted)).controls.flatMap(({ id, neededBy }) =>
      neededBy === undefined ? [] : [id],
    );
  expect(needed({})).toEqual(["K2"]);
  expect(needed({ switches: { GO: "opens" } })).toHaveLength(1);
  expect(needed({ switches: { K2: "on" } })).toEqual([]);
});

test("an entry that the menu does not show where all will stand is left as it was found, whatever is wanted of it", () => {
  let wanted = 0;
  for (const [id, board] of boards) {
    const found = foundPositions(board);
    const gated = menuValues(board).filter(({ item }) => item.when !== undefined);
    const setBy = new Map(knobsOf(board, found).map(({ parts: [part = ""], ids }) => [part, ids]));
    for (const wishes of gated.length ? drawWishes(board, 60, 11) : []) {
      const { positions } = planControls(board, wishes, found);
      const given = behavioursAt(board, positions);
      for (const { item, delivered } of gated) {
        if (isLive(item.when, positions, given)) continue;
        const is = positions.values[item.id] ?? delivered;
        expect([id, item.id, is]).toEqual([id, item.id, found.values[item.id] ?? delivered]);
        if (setBy.get(item.id)?.some((behaviour) => wishes[behaviour] !== undefined)) wanted += 1;
      }
    }
  }
  expect(wanted).toBeGreaterThan(3);
});

test("wishes that fight are a least set on every board: all cannot hold, without any one the others do", () => {
  const fought = new Set<string>();
  for (const [id, board] of boards)
    for (const wishes of drawWishes(board, 40, 3))
      for (const knob of knobsOf(board, foundPositions(board)))
        for (const { wishes: ids, instead } of conflictsOf(knob, wishes)) {
          fought.add(`${id} ${knob.id}`);
          const only = (kept: readonly BehaviourId[]) =>
            Object.fromEntries(kept.map((each) => [each, wishes[each]]));
          const codes = (kept: readonly BehaviourId[]) =>
            planControls(board, only(kept), foundPositions(board)).findings.map(({ code }) => code);
          expect(ids.length).toBeGreaterThan(1);
          expect(codes(ids)).toContain("wishes-conflict");
          for (const lost of ids) {
            const kept = ids.filter((each) => each !== lost);
            expect(codes(kept)).not.toContain("wishes-conflict");
            const { given, at } = instead.find(({ without }) => without === lost)!;
            const stand = knob.stands.find((each) => each.at.join() === at.join())!;
            expect(stand.gives[lost]).toBe(given);
            expect(conflictsOf({ ...knob, stands: [stand] }, only(kept))).toEqual([]);
            // Of the stands that come to the same the nearest.
            const same = knob.stands.filter(
              ({ gives }) => JSON.stringify(gives) === JSON.stringify(stand.gives),
            );
            expect(Math.min(...same.map(({ far }) => far))).toBe(stand.far);
          }
        }
  expect([...fought].sort()).toEqual(["dunnick-wendrel PACE", "pengrath-drawmel A", "quillmarsh-tandrel V3"]);
});

test("of three wishes over one dial the two that fight are named, and not the third", () => {
  const board = tandrel();
  const dial = board.dials.find(({ id }) => id === "V3")!;
  for (const zone of dial.zones) zone.sets["soft-stop"] = true;
  const [knob] = knobsOf(board, foundPositions(board)).filter(({ id }) => id === "V3");
  const wishes: Wishes = { "soft-stop": true, "leaves-meet": true, "leaf-delay-closing": 3 };
  expect(conflictsOf(knob!, wishes).map((each) => each.wishes)).toEqual([
    ["leaves-meet", "leaf-delay-closing"],
  ]);
  // What becomes of it is told at the nearest stand: a dial found at its right end is turned no further than into the zone.
  const turned = knobsOf(board, foundPositions(board, { dials: { V3: "5:00" } })).find(
    ({ id }) => id === "V3",
  )!;
  const [conflict] = conflictsOf(turned, wishes);
  const together = turned.stands.filter(({ gives }) => gives["leaves-meet"] === true);
  expect(conflict!.instead.find(({ without }) => without === "leaf-delay-closing")!.at).toEqual(
    together.at(-1)!.at,
  );
  expect(conflictsOf(knob!, { ...wishes, "soft-stop": false }).map((each) => each.wishes)).toEqual([
    ["leaves-meet", "leaf-delay-closing"],
  ]);
});

test("two entries for one thing are both set, and told as two", () => {
  const board = tandrel();
  const second = { ...board.dials.find(({ id }) => id === "V1")!, id: "V9", label: "STAY 2" };
  board.dials.push(second);
  const { positions, findings } = planControls(
    board,
    { "automatic-closing": true, "automatic-closing-time": 30 },
    foundPositions(board),
  );
  expect(positions.dials.V9).toBe(positions.dials.V1);
  expect(findings.find(({ code }) => code === "set-in-two-places")?.values.controls).toContain("STAY 2");
});
