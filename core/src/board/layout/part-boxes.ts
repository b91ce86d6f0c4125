import type { Block, BoardProfile } from "../schema/index.ts";
import { textWidth, type Box, type Point } from "./geometry.ts";
import { sizes } from "./sizes.ts";

const { print } = sizes;

/** A part before it has its place: its size, and where in its box the point lies that it is drawn from. */
export interface Footprint {
  kind: "display" | "lamp" | "dip" | "slide" | "jumper" | "dial" | "key" | "slot" | "title";
  id: string;
  width: number;
  height: number;
  anchor: Point;
  /** The place the profile gives its anchor; undefined where the program finds one. */
  at?: Point;
}

const least = (width: number, ...texts: readonly [string, number][]) =>
  Math.max(width, ...texts.map(([text, size]) => textWidth(text, size) + 0.3));

function centred(
  kind: Footprint["kind"],
  part: { id: string; label: string; at?: Point },
  half: number,
  below: number,
  size: number,
): Footprint {
  const width = least(2 * half, [part.label, size]);
  return { kind, id: part.id, width, height: half + below, anchor: { x: width / 2, y: half }, at: part.at };
}

function displayPrint(board: BoardProfile): Footprint[] {
  if (!board.display) return [];
  const { kind, characters, lines, at } = board.display;
  const cell = kind === "segments" ? sizes.segment : sizes.character;
  return [
    {
      kind: "display",
      id: "display",
      width: characters * cell.width + 5,
      height: lines * cell.height + 5,
      anchor: { x: 0, y: 0 },
      at,
    },
  ];
}

/** Every part but the terminal blocks, in the order in which they are laid out. */
export function footprints(board: BoardProfile): Footprint[] {
  const title = `${board.maker} ${board.name}`;
  return [
    ...displayPrint(board),
    ...board.keys.map((key) => centred("key", key, sizes.key / 2 + 1.5, sizes.key / 2 + 6, print.part)),
    ...board.lamps.map((lamp) => centred("lamp", lamp, 4.4, 8.4, print.lamp)),
    ...board.dips.map(({ id, delivered, at }): Footprint => ({
      kind: "dip",
      id,
      width: delivered.length * sizes.dipPitch + 9,
      height: sizes.dipHeight / 2 + 1 + sizes.dipHeight / 2 + 5.2,
      anchor: { x: 8, y: sizes.dipHeight / 2 + 1 },
      at,
    })),
    ...board.slides.map(({ id, label, positions, at }): Footprint => ({
      kind: "slide",
      id,
      width: least(9 + Math.max(...positions.map((each) => textWidth(each, print.small))), [
        label,
        print.part,
      ]),
      height: positions.length * sizes.slidePitch + 6.4,
      anchor: { x: 0, y: 0 },
      at,
    })),
    ...board.jumpers.map(({ id, label, pins, at }): Footprint => ({
      kind: "jumper",
      id,
      width: least((pins + 1) * sizes.pin + 2, [label, print.part], [id, print.part]),
      height: 12.6,
      anchor: { x: 0, y: 0 },
      at,
    })),
    ...board.dials.map((dial) => centred("dial", dial, sizes.dial * 1.5, sizes.dial + 7.4, print.part)),
    ...board.slots.map(({ id, label, at }): Footprint => ({
      kind: "slot",
      id,
      width: least(34, [label, print.part]),
      height: sizes.slotHeight + 5,
      anchor: { x: 0, y: 0 },
      at,
    })),
    {
      kind: "title",
      id: "title",
      width: textWidth(title, print.title) + 2,
      height: print.title + 2.4,
      anchor: { x: 0, y: 0 },
    },
  ];
}

/** The edge a block sits at: as the profile says, by its place, or by its purpose. */
export function edgeOf(block: Block, faceHeight?: number): "top" | "bottom" {
  if (block.at && faceHeight) return block.at.y < faceHeight / 2 ? "top" : "bottom";
  if (block.edge) return block.edge;
  return ["protection", "command", "limits", "aerial"].includes(block.purpose) ? "top" : "bottom";
}

/** The clamp distance a block is drawn at: its own where it has a place, otherwise wide enough for what is printed. */
export function drawnPitch(block: Block): number {
  if (block.at) return block.pitchMm;
  return Math.max(
    block.pitchMm,
    ...block.terminals.map(({ number, label }) =>
      Math.max(textWidth(`${block.id}${number}`, print.terminal) + 0.8, textWidth(label, print.label) + 1.2),
    ),
  );
}

/** Room a block takes along its edge: its clamps, or its name where that is longer. */
export function blockWidth(block: Block): number {
  return Math.max(block.terminals.length * drawnPitch(block), textWidth(block.label, print.block) + 1.5);
}

/** Room for the labels of its terminals and its own name, inward from a block's body. */
export const printedBeside = { top: 10.2, bottom: 8.8 } as const;

/** The box of a block with all that is printed beside it; `at` is its left end, in the middle of its height. */
export function blockBox(block: Block, at: Point, edge: "top" | "bottom"): Box {
  const half = sizes.blockHeight / 2;
  const printed = printedBeside[edge];
  return {
    x: at.x,
    y: edge === "top" ? at.y - half : at.y - half - printed,
    width: blockWidth(block),
    height: sizes.blockHeight + printed,
  };
}
