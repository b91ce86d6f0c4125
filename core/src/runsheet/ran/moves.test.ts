import { lookSeconds } from "../../twin/index.ts";
import { movementsIn } from "./moves.ts";

/** A leaf at these parts of its way, one look after the other. */
const leaf = (...parts: number[]) => ({ first: parts.map((part): [number, number] => [part, 0]) });
const upTo = (from: number, to: number, looks: number) =>
  Array.from({ length: looks }, (_, n) => from + ((to - from) * (n + 1)) / looks);

test("a leaf that turns at once has made two movements, one that halts for a moment a single one", () => {
  const turned = movementsIn(leaf(0, ...upTo(0, 0.5, 20), ...upTo(0.5, 0, 20)) as never);
  expect(turned.map(({ from, to }) => [from, Math.round(to * 100) / 100])).toEqual([
    [0, 0.5],
    [0.5, 0],
  ]);
  expect(turned[1]!.begins).toBeCloseTo(turned[0]!.ends, 6);
  const halted = movementsIn(leaf(0, ...upTo(0, 0.4, 20), 0.4, ...upTo(0.4, 1, 20)) as never);
  expect(halted.map(({ from, to }) => [from, Math.round(to * 100) / 100])).toEqual([[0, 1]]);
  const stood = Array.from({ length: Math.ceil(0.8 / lookSeconds) }, () => 0.4);
  const stopped = movementsIn(leaf(0, ...upTo(0, 0.4, 20), ...stood, ...upTo(0.4, 1, 20)) as never);
  expect(stopped).toHaveLength(2);
});
