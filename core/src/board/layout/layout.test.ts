import fc from "fast-check";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { fitBoard, terminalsOf, withCards, type BoardProfile } from "../index.ts";
import { liesOn, overlaps, sizeToFit, textWidth, type Box } from "./geometry.ts";
import { layoutFaults, layoutOf } from "./layout.ts";
import { sizes } from "./sizes.ts";

/** Every set of cards that its slots can hold at once, one card a slot. */
function fittings(board: BoardProfile): string[][] {
  return board.slots.reduce<string[][]>(
    (sets, slot) =>
      sets.flatMap((set) => [set, ...slot.takes.filter((id) => !set.includes(id)).map((id) => [...set, id])]),
    [[]],
  );
}

/** Everything that is drawn, by name: the bodies of blocks, parts with their printing, and each terminal's two texts. */
function drawnBoxes(board: BoardProfile): { name: string; box: Box }[] {
  const layout = layoutOf(board);
  const texts = layout.blocks.flatMap((placed) => {
    const block = board.blocks.find((each) => each.id === placed.id)!;
    return block.terminals.map(({ number, label }) => {
      const id = `${block.id}${number}`;
      const at = layout.terminals[id]!;
      const size = sizeToFit(label, placed.pitchMm - 0.6, sizes.print.label);
      const width = textWidth(label, size);
      const y = at.y + (placed.edge === "top" ? 8 : -11);
      return { name: `label of ${id}`, box: { x: at.x - width / 2, y, width, height: 3 } };
    });
  });
  return [
    ...layout.parts.map(({ kind, id, box }) => ({ name: `${kind} ${id}`, box })),
    ...layout.blocks.map(({ id, at, pitchMm }) => ({
      name: `body of ${id}`,
      box: {
        x: at.x,
        y: at.y - sizes.blockHeight / 2,
        width: board.blocks.find((each) => each.id === id)!.terminals.length * pitchMm,
        height: sizes.blockHeight,
      },
    })),
    ...texts,
  ];
}

describe.each(boardIds())("the face of %s", (id) => {
  const board = shippedBoard(id);

  test("with any cards in its slots, nothing lies on anything else or off the face", () => {
    for (const cards of fittings(board)) {
      const fitted = withCards(board, cards);
      expect([cards, layoutFaults(fitted)]).toEqual([cards, []]);
      const boxes = drawnBoxes(fitted);
      const clashes = boxes.flatMap((one, at) =>
        boxes
          .slice(at + 1)
          .filter((other) => overlaps(one.box, other.box))
          .map((other) => `${one.name} over ${other.name}`),
      );
      expect([cards, clashes]).toEqual([cards, []]);
      expect(boxes.filter(({ box }) => !liesOn(box, layoutOf(fitted))).map(({ name }) => name)).toEqual([]);
    }
  });

  test("gives every part and every terminal a place", () => {
    const layout = layoutOf(board);
    for (const terminal of terminalsOf(board)) expect(layout.terminals[terminal.id]).toBeDefined();
    const parts = board.lamps.length + board.dials.length + board.keys.length + board.dips.length;
    const others = board.slides.length + board.jumpers.length + board.slots.length + (board.display ? 1 : 0);
    // One more for the printed name.
    expect(layout.parts).toHaveLength(parts + others + 1);
  });
});

test("any mix of parts without places is laid out without overlap", () => {
  const base = fitBoard(shippedBoard("copperfold-casspel"), {});
  const word = fc.stringMatching(/^[A-Za-z0-9 ]{1,12}$/).filter((text) => text.trim() !== "");
  const some = <T>(part: (n: number, label: string) => T, most: number) =>
    fc.array(word, { maxLength: most }).map((labels) => labels.map((label, n) => part(n, label)));
  fc.assert(
    fc.property(
      some((n, label) => ({ ...base.lamps[0]!, id: `l${n}`, label }), 14),
      some((n, label) => ({ ...base.keys[0]!, id: `k${n}`, label }), 6),
      some((n, label) => ({ id: `j${n}`, label, pins: 3 as const, delivered: "1-2" }), 5),
      some((n, label) => ({ id: `s${n}`, label, positions: ["a", label], delivered: "a" }), 5),
      fc.array(fc.integer({ min: 1, max: 12 }), { maxLength: 8 }),
      (lamps, keys, jumpers, slides, counts) => {
        const blocks = counts.map((count, n) => ({
          ...base.blocks[0]!,
          id: String.fromCharCode(65 + n),
          edge: n % 2 ? ("top" as const) : ("bottom" as const),
          terminals: Array.from({ length: count }, (_, at) => ({
            number: at + 1,
            label: `t${at}`,
            holds: 2,
          })),
        }));
        const board = {
          ...base,
          lamps,
          keys,
          jumpers,
          slides,
          blocks: [...base.blocks.slice(0, 0), ...blocks],
        };
        expect(layoutFaults(board)).toEqual([]);
      },
    ),
    { seed: 11, numRuns: 200 },
  );
});

test("a text is shrunk to fit, never to nothing", () => {
  expect(sizeToFit("com", 20, 3.4)).toBe(3.4);
  expect(textWidth("beam", sizeToFit("beam", 5, 3.4))).toBeLessThanOrEqual(5.0001);
  expect(sizeToFit("a label far too long for any clamp", 5, 3.4)).toBe(1.6);
});
