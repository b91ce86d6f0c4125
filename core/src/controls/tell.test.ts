import { boardOnSite } from "../job/index.ts";
import { anyFound } from "../testing/any-found.ts";
import { boardIds, bundleOn } from "../testing/shipped.ts";
import fc from "fast-check";
import { behavioursAt, foundPositions, ofPairs, planControls, tellPositions } from "./index.ts";

const on = (id: string) => {
  const { job, board } = bundleOn(id, []);
  return boardOnSite(job, board);
};

test("what is told of positions, wished again, leaves every control of every board where it stands", () => {
  for (const id of boardIds()) {
    const board = on(id);
    for (const noted of fc.sample(anyFound(board), { numRuns: 12, seed: 2 })) {
      const at = foundPositions(board, noted);
      const { behaviours } = tellPositions(board, at);
      const wishes = Object.fromEntries(behaviours.map((each) => [each.id, each.value]));
      expect(wishes).toEqual(behavioursAt(board, at));
      const again = behavioursAt(board, planControls(board, wishes, at).positions);
      // A dial on a threshold is set clear of it: a number may differ by that much, a word never.
      for (const [told, value] of Object.entries(wishes))
        if (typeof value !== "number") expect([id, told, again[told as never]]).toEqual([id, told, value]);
    }
    expect(
      tellPositions(board, foundPositions(board)).behaviours.filter(({ delivered }) => delivered),
    ).toEqual([]);
  }
});

describe("what is unusual is said", () => {
  const odd = (id: string, noted: Parameters<typeof foundPositions>[1]) =>
    tellPositions(on(id), foundPositions(on(id), noted)).unusual.join(" ");

  test("a dial at its end, a dial that counts for nothing, a screen the board cannot show", () => {
    expect(odd("quillmarsh-tandrel", { dials: { V2: "7:30" } })).toContain("stands at its left end");
    expect(odd("marlstreet-pewlark", { switches: { K2: "off" } })).toContain(
      "WAIT (P1) counts for nothing: K2 must stand at on.",
    );
    expect(odd("osierbeck-quernish", { values: { pause: "999" } })).toContain(
      "shows 999, which this board cannot",
    );
    expect(odd("quillmarsh-tandrel", { dials: { V2: "12:00", V3: "9:45" } })).toBe("");
  });
});

test("of one leaf nothing is told that only a pair has", () => {
  const board = on("osierbeck-quernish");
  const ids = (leaves: number) =>
    tellPositions(board, foundPositions(board), leaves).behaviours.map(({ id }) => id);
  expect(ids(2).filter((id) => !ids(1).includes(id))).toEqual(ofPairs);
});
