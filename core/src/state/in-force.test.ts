import fc from "fast-check";
import { behavioursAt, foundPositions } from "../controls/index.ts";
import { anyFound } from "../testing/any-found.ts";
import { boardIds, planOn } from "../testing/shipped.ts";
import { inForceAt } from "./index.ts";

test("on every board, what a commit will change is told behaviour by behaviour, and nothing where nothing is owed", () => {
  let told = 0;
  for (const id of boardIds()) {
    const plan = planOn(id, []);
    const { board } = plan.bundle;
    expect(inForceAt(plan, plan.now).pending).toEqual([]);
    for (const found of fc.sample(anyFound(board), { numRuns: 6, seed: 4 })) {
      const state = { ...plan.now, positions: foundPositions(board, found) };
      for (const { kind, will, loses, gesture } of inForceAt(plan, state).pending) {
        expect(gesture).toBe(board.commits.find((commit) => commit.for === kind)!.says);
        const after = behavioursAt(board, { ...state.inForce, [kind]: state.positions[kind] });
        const before = behavioursAt(board, state.inForce);
        const ids = new Set([...Object.keys(before), ...Object.keys(after)]);
        const changed = [...ids].filter((each) => before[each as never] !== after[each as never]);
        expect([id, kind, will.length]).toEqual([id, kind, changed.length]);
        expect(loses.length > 0).toBe(kind === "values");
        told += will.length;
      }
    }
  }
  expect(told).toBeGreaterThan(20);
});

test("a flag that flips by itself says when", () => {
  const plan = planOn("furzel-slathorn", []);
  expect(inForceAt(plan, plan.now).flips).toEqual([
    { name: "70 Nothing changed since delivery", when: "its point goes out when any value is changed" },
  ]);
});
