import { boardIds, shippedBoard, shippedDevices } from "../../testing/shipped.ts";
import { chooseTerminals } from "./clamps.ts";
import type { LooseEnd } from "./ends.ts";

const profile = shippedDevices().find(({ id }) => id === "lumbrick-halt")!;
const end = (at: number, terminals: string[], more: Partial<LooseEnd> = {}): LooseEnd => ({
  device: { id: `d${at}`, name: `d${at}`, profile },
  pin: "a",
  terminals,
  why: "",
  ...more,
});

/** Two terminals of each block of each board, with their board. */
const pairs = boardIds().flatMap((id) =>
  shippedBoard(id).blocks.flatMap((block, at) =>
    block.terminals.length > 1
      ? [
          {
            id,
            at,
            block: block.id,
            ids: block.terminals.slice(0, 2).map((each) => `${block.id}${each.number}`),
          },
        ]
      : [],
  ),
);

/** The board with its two terminals holding so many cores. */
function holding({ id, at }: (typeof pairs)[number], holds: readonly [number, number]) {
  const board = shippedBoard(id);
  board.blocks[at]!.terminals.slice(0, 2).forEach((terminal, nth) => (terminal.holds = holds[nth]!));
  return board;
}

/** Which of two terminals each of so many cores goes to, by how much the first holds and the links in it. */
function chosen(
  pair: (typeof pairs)[number],
  cores: number,
  { holds, links = 0, more }: { holds: [number, number]; links?: number; more?: Partial<LooseEnd> },
) {
  const [one, other] = pair.ids as [string, string];
  const board = holding(pair, holds);
  const ends = Array.from({ length: cores }, (_, at) => end(at, [one, other], more));
  const on = chooseTerminals(board, ends, new Map(links ? [[one, links]] : []));
  return [on.filter((each) => each === one).length, on.filter((each) => each === other).length];
}

test("there are many", () => expect(pairs.length).toBeGreaterThan(40));

test.each(pairs.map((pair) => [`${pair.id} ${pair.block}`, pair] as const))(
  "cores on %s are shared out between clamps, and none takes more than it holds while another has room",
  (_, pair) => {
    expect(chosen(pair, 1, { holds: [2, 2] })).toEqual([1, 0]);
    expect(chosen(pair, 2, { holds: [2, 2] })).toEqual([1, 1]);
    expect(chosen(pair, 4, { holds: [1, 4] })).toEqual([1, 3]);
    expect(chosen(pair, 5, { holds: [1, 4] })).toEqual([1, 4]);
    // Links take their room.
    expect(chosen(pair, 3, { holds: [2, 3], links: 2 })).toEqual([0, 3]);
    // Nearness does not outweigh a clamp that is full.
    expect(chosen(pair, 2, { holds: [1, 4], more: { near: pair.ids[0]! } })).toEqual([1, 1]);
  },
);

test("where it is wanted a core goes, though the clamp is full", () => {
  const pair = pairs[0]!;
  const [one, other] = pair.ids as [string, string];
  const board = holding(pair, [1, 1]);
  const wanted = (at: number) => ({
    ...end(at, [one, other]),
    device: { id: `d${at}`, name: "", profile, pinned: { a: other } },
  });
  expect(chooseTerminals(board, [wanted(0), wanted(1)], new Map())).toEqual([other, other]);
});
