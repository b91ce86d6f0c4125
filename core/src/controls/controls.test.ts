import fc from "fast-check";
import type { BehaviourId, BehaviourValue } from "../board/index.ts";
import { clockToFraction } from "../quantity/index.ts";
import { tandrel } from "../testing/shipped.ts";
import {
  behavioursAt,
  commitFindings,
  dialGives,
  foundPositions,
  planControls,
  thresholdFindings,
} from "./index.ts";
import { safeFractions } from "./positions.ts";

const board = tandrel();
const delivered = foundPositions(board, { switches: {}, dials: {} });
type Wished = Partial<Record<BehaviourId, BehaviourValue>>;
const plan = (wishes: Wished, found = delivered) => planControls(board, wishes, found);
const control = (wishes: Wished, id: string) => plan(wishes).controls.find((each) => each.id === id)!;

describe("dials", () => {
  test("30 s of rest on 4 to 160 s from 7 to 5 o'clock lies at 8:40 and is set at 8:45, which gives 31.3 s", () => {
    // By hand: (30 − 4) / 156 = 0.1667 of 300° is 50°, 1 h 40 min after 7:00; a quarter hour nearest is 8:45, 52.5°.
    const rest = control({ "automatic-closing-time": 30 }, "V1");
    expect(rest.planned).toEqual(["8:45"]);
    expect(rest.gives[0]?.given).toBeCloseTo(4 + (52.5 / 300) * 156, 6);
  });

  test("no other readable position comes nearer to what is wanted", () => {
    const dial = board.dials[0]!;
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 160 }), (seconds) => {
        const [clock] = control({ "automatic-closing-time": seconds }, "V1").planned;
        const off = (fraction: number) =>
          Math.abs(Number(dialGives(dial, fraction)["automatic-closing-time"]) - seconds);
        const least = Math.min(...safeFractions(dial).map(off));
        expect(off(clockToFraction(clock!, dial.sweep))).toBeCloseTo(least, 6);
      }),
      { seed: 3 },
    );
  });

  test("the two-function dial: a delay lies above its threshold, leaves that meet together below", () => {
    const threshold = 0.15;
    for (const delay of [0, 1, 3, 8, 14, 40]) {
      const pair = control({ "leaf-delay-closing": delay }, "V3");
      expect(clockToFraction(pair.planned[0]!, board.dials[2]!.sweep)).toBeGreaterThan(threshold);
    }
    const together = control({ "leaves-meet": true }, "V3");
    expect(clockToFraction(together.planned[0]!, board.dials[2]!.sweep)).toBeLessThan(threshold);
  });

  test("what nobody asked for stays as found", () => {
    expect(plan({}).controls.every((each) => !each.change)).toBe(true);
    const odd = foundPositions(board, { switches: { S2: "on" }, dials: { V1: "2:00" } });
    expect(planControls(board, { force: 50 }, odd).positions).toMatchObject({
      switches: { S2: "on" },
      dials: { V1: "2:00" },
    });
  });

  test("setting the controls as planned gives what is wanted of every switch", () => {
    const wishes: Wished = {
      "automatic-closing": true,
      "command-logic": "open-only",
      "pre-warning": 3,
      "photocell-reaction": "both",
      "leaf-count": 2,
    };
    expect(behavioursAt(board, plan(wishes).positions)).toMatchObject(wishes);
    expect(plan(wishes).findings).toEqual([]);
  });
});

describe("what the board cannot give is said", () => {
  const codes = (wishes: Wished) => plan(wishes).findings.map((each) => each.code);

  test("rounded, out of reach, not settable, fighting", () => {
    expect(codes({ "automatic-closing-time": 30 })).toEqual(["value-rounded"]);
    expect(codes({ "automatic-closing-time": 300 })).toEqual(["value-out-of-reach"]);
    expect(codes({ "leaf-delay-opening": 2 })).toEqual(["behaviour-not-settable"]);
    expect(codes({ "pre-warning": 5 })).toEqual(["value-out-of-reach"]);
    expect(codes({ "leaves-meet": true, "leaf-delay-closing": 3 })).toEqual(["wishes-conflict"]);
  });

  test("a fight names what is wanted, and what becomes of each where the other is kept", () => {
    const [found] = plan({ "leaves-meet": true, "leaf-delay-closing": 3 }).findings;
    expect(found?.values).toMatchObject({
      wishes: "leaves meet together on and leaf delay on closing 3 s",
      alternatives:
        "Keep leaf delay on closing 3 s, and leaves meet together becomes off (V3 9:45). Keep leaves meet together on, and leaf delay on closing is not given (V3 7:00).",
    });
  });

  test("a word the control has not, and a wish the board can only do in another way, name what it has", () => {
    const [word] = plan({ "photocell-reaction": "opening" }).findings;
    expect([word?.code, word?.values.offers]).toEqual([
      "value-not-offered",
      "on closing only and on opening and closing",
    ]);
    const [kin] = plan({ "force-opening": 40 }).findings;
    expect([kin?.code, kin?.values.nearest]).toEqual([
      "behaviour-not-settable",
      "This board can set force; wish that instead.",
    ]);
  });

  test("out of reach names both ends and what is given instead", () => {
    expect(plan({ "automatic-closing-time": 300 }).findings[0]?.values).toMatchObject({
      least: "4 s",
      most: "160 s",
      given: "160 s",
      clock: "5:00",
    });
  });
});

describe("states", () => {
  test("trap 13: PAIR left below its threshold where one leaf must wait for the other", () => {
    const { positions } = plan({ "leaf-delay-closing": 3 });
    const [found] = thresholdFindings(board, delivered, positions);
    expect(found).toMatchObject({
      code: "dial-below-threshold",
      values: { reads: "together", threshold: "8:30", target: "9:45", wanted: "leaves meet together: off" },
    });
    expect(thresholdFindings(board, positions, positions)).toEqual([]);
  });

  test("trap 14: a moved dial and a moved switch each owe their own gesture", () => {
    const moved = {
      switches: { ...delivered.switches, S1: "on" as const },
      dials: { ...delivered.dials, V2: "12:00" },
      values: {},
    };
    const findings = commitFindings(board, moved, delivered);
    expect(findings.map((each) => [each.values.controls, each.values.gesture])).toEqual([
      ["S1", "Press TAKE three times in a row; the board reads switches, slides and jumper."],
      ["PUSH", "Hold TAKE for 3 s; the board reads the dials."],
    ]);
    expect(commitFindings(board, moved, moved)).toEqual([]);
  });
});
