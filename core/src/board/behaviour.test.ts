import { tandrel } from "../testing/shipped.ts";
import {
  behaviour,
  behaviourIds,
  behaviourMisfit,
  behaviourText,
  commonTerminals,
  layoutOf,
  switchIds,
  terminalOf,
} from "./index.ts";

describe("the catalogue of behaviours", () => {
  test("every behaviour has a label; every choice has words, every number a unit", () => {
    for (const id of behaviourIds) {
      const entry = behaviour(id);
      expect(entry.label.length).toBeGreaterThan(3);
      if (entry.type === "choice") expect(Object.keys(entry.choices ?? {}).length).toBeGreaterThan(1);
      if (entry.type === "number") expect(entry.unit).toBeDefined();
    }
  });

  test("values read with their unit, switches as on and off, choices in words", () => {
    expect(behaviourText("automatic-closing-time", 31.3)).toBe("31.3 s");
    expect(behaviourText("leaf-count", 2)).toBe("2");
    expect(behaviourText("automatic-closing", false)).toBe("off");
    expect(behaviourText("photocell-reaction", "closing")).toBe("on closing only");
  });

  test.each([
    ["force", 50, undefined],
    ["force", -1, "a number in %, not under 0"],
    ["force", true, "a number in %, not under 0"],
    ["soft-stop", true, undefined],
    ["soft-stop", "on", "true or false"],
    ["command-logic", "open-only", undefined],
    ["command-logic", "toString", "one of open-stop-close-stop, open-close, open-only, hold-to-run"],
  ] as const)("%s may be %p: %p", (id, value, misfit) => {
    expect(behaviourMisfit(id, value)).toBe(misfit);
  });
});

describe("looking things up on the board", () => {
  const board = tandrel();

  test("a terminal stands in its block, a pitch from its neighbour", () => {
    const p1 = terminalOf(board, "P1");
    expect(p1!.block.label).toBe("Protection");
    const { terminals } = layoutOf(board);
    expect(terminals.P2!.x - terminals.P1!.x).toBe(p1!.block.pitchMm);
    expect(terminalOf(board, "P9")).toBeUndefined();
  });

  test("an input's common may be several terminals; switches are named by bank and position", () => {
    expect(commonTerminals(board, board.inputs[0]!)).toEqual(["P1", "P5"]);
    expect(switchIds(board)).toEqual(["S1", "S2", "S3", "S4", "S5", "S6"]);
  });
});
