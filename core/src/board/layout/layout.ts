import type { BoardProfile } from "../schema/index.ts";
import { liesOn, overlaps, type Box, type Point } from "./geometry.ts";
import {
  blockBox,
  blockWidth,
  drawnPitch,
  edgeOf,
  footprints,
  printedBeside,
  type Footprint,
} from "./part-boxes.ts";
import { sizes } from "./sizes.ts";

/** A part with its place: the point it is drawn from and the box it takes with its printing. */
export interface PlacedPart {
  kind: Footprint["kind"];
  id: string;
  at: Point;
  box: Box;
}

/** A terminal block with its place. */
export interface PlacedBlock {
  id: string;
  /** Its left end, in the middle of its height. */
  at: Point;
  edge: "top" | "bottom";
  pitchMm: number;
  box: Box;
}

/** Where everything lies on a board's face, mm from its upper left corner. */
export interface FaceLayout {
  width: number;
  height: number;
  blocks: PlacedBlock[];
  parts: PlacedPart[];
  /** Centre of each clamp, by terminal. */
  terminals: Record<string, Point>;
}

const gap = 2.5;
const { margin } = sizes;
const leastWidth = 110;
const leastInside = 16;
/** Between a block and the edge of the face: links arch there. */
const edgeRoom = 8;

function rowWidth(blocks: BoardProfile["blocks"]): number {
  return blocks.reduce((sum, block) => sum + blockWidth(block) + gap, 2 * margin);
}

/** Blocks without a place, side by side from the left, past those that have one. */
function layRow(
  blocks: BoardProfile["blocks"],
  edge: "top" | "bottom",
  y: number,
  fixed: readonly Box[],
): PlacedBlock[] {
  let x: number = margin;
  return blocks.map((block) => {
    let at = { x, y };
    let box = blockBox(block, at, edge);
    for (
      let hit = fixed.find((each) => overlaps(each, box));
      hit;
      hit = fixed.find((each) => overlaps(each, box))
    ) {
      at = { x: hit.x + hit.width + gap, y };
      box = blockBox(block, at, edge);
    }
    x = box.x + box.width + gap;
    return { id: block.id, at, edge, pitchMm: drawnPitch(block), box };
  });
}

function placed({ kind, id, width, height, anchor }: Footprint, corner: Point): PlacedPart {
  return {
    kind,
    id,
    at: { x: corner.x + anchor.x, y: corner.y + anchor.y },
    box: { x: corner.x, y: corner.y, width, height },
  };
}

/** Parts without a place, in rows from above; each takes the first free spot of its row, kinds begin a new row when they would break. */
function layParts(
  parts: readonly Footprint[],
  from: number,
  width: number,
  taken: readonly Box[],
): PlacedPart[] {
  const done: PlacedPart[] = [];
  let x: number = margin;
  let y = from;
  let rowHeight = 0;
  for (const part of parts) {
    for (;;) {
      if (x + part.width > width - margin && x > margin) {
        y += rowHeight ? rowHeight + gap : 1;
        x = margin;
        rowHeight = 0;
      }
      const candidate = placed(part, { x, y });
      const hit = [...taken, ...done.map((each) => each.box)].find((box) => overlaps(box, candidate.box));
      if (!hit) {
        done.push(candidate);
        x += part.width + gap;
        rowHeight = Math.max(rowHeight, part.height);
        break;
      }
      x = hit.x + hit.width + gap;
    }
  }
  return done;
}

/**
 * Lays out a board's face: what has a place stays there, everything else is put in rows between the terminal blocks at
 * the upper and the lower edge. Without a given size the face is as large as its parts need.
 */
export function layoutOf(board: BoardProfile): FaceLayout {
  const known = layouts.get(board);
  if (known) return known;
  const layout = lay(board);
  layouts.set(board, layout);
  return layout;
}

const layouts = new WeakMap<BoardProfile, FaceLayout>();

function lay(board: BoardProfile): FaceLayout {
  const { face } = board;
  const half = sizes.blockHeight / 2;
  const prints = footprints(board);
  const withPlace = prints.filter((part) => part.at !== undefined);
  const free = prints.filter((part) => part.at === undefined);
  const fixedParts = withPlace.map((part) =>
    placed(part, { x: part.at!.x - part.anchor.x, y: part.at!.y - part.anchor.y }),
  );
  const fixedBlocks = board.blocks.flatMap((block): PlacedBlock[] => {
    if (!block.at) return [];
    const edge = edgeOf(block, face?.heightMm);
    return [
      { id: block.id, at: block.at, edge, pitchMm: block.pitchMm, box: blockBox(block, block.at, edge) },
    ];
  });
  const fixedBoxes = fixedBlocks.map((block) => block.box);
  const at = (edge: "top" | "bottom") =>
    board.blocks.filter((block) => !block.at && edgeOf(block, face?.heightMm) === edge);
  const width =
    face?.widthMm ??
    Math.max(
      leastWidth,
      rowWidth(board.blocks.filter((block) => edgeOf(block) === "top")),
      rowWidth(board.blocks.filter((block) => edgeOf(block) === "bottom")),
      ...prints.map((part) => part.width + 2 * margin),
      ...[...fixedBoxes, ...fixedParts.map((part) => part.box)].map((box) => box.x + box.width + margin),
    );
  const top = layRow(at("top"), "top", half + edgeRoom, fixedBoxes);
  const upper = [...top, ...fixedBlocks.filter((block) => block.edge === "top")];
  const inside = Math.max(margin, ...upper.map((block) => block.box.y + block.box.height + gap));
  const parts = [
    ...fixedParts,
    ...layParts(free, inside, width, [
      ...fixedParts.map((part) => part.box),
      ...fixedBoxes,
      ...top.map((block) => block.box),
    ]),
  ];
  const lowest = Math.max(inside + leastInside, ...parts.map((part) => part.box.y + part.box.height + gap));
  const height =
    face?.heightMm ??
    lowest + (at("bottom").length ? sizes.blockHeight + printedBeside.bottom + edgeRoom : margin);
  const bottom = layRow(at("bottom"), "bottom", height - half - edgeRoom, fixedBoxes);
  // The name is left out where a face of a given size has no room for it.
  const drawn = parts.filter((part) => part.kind !== "title" || liesOn(part.box, { width, height }));
  const order = board.blocks.map((block) => block.id);
  const blocks = [...fixedBlocks, ...top, ...bottom].sort(
    (a, b) => order.indexOf(a.id) - order.indexOf(b.id),
  );
  return { width, height, blocks, parts: drawn, terminals: clampsOf(board, blocks) };
}

function clampsOf(board: BoardProfile, blocks: readonly PlacedBlock[]): Record<string, Point> {
  const clamps: Record<string, Point> = {};
  board.blocks.forEach((block, index) => {
    const { at, pitchMm } = blocks[index] ?? { at: { x: 0, y: 0 }, pitchMm: block.pitchMm };
    block.terminals.forEach(({ number }, n) => {
      clamps[`${block.id}${number}`] = { x: at.x + (n + 0.5) * pitchMm, y: at.y };
    });
  });
  return clamps;
}

/** Parts that lie on one another or off the face, as pairs of names; empty when the face is sound. */
export function layoutFaults(board: BoardProfile): { a: string; b: string; kind: string; id: string }[] {
  const layout = layoutOf(board);
  const boxes = [
    ...layout.blocks.map(({ id, box }) => ({ kind: "block", id, name: `block ${id}`, box })),
    ...layout.parts.map(({ kind, id, box }) => ({ kind, id, name: `${kind} ${id}`, box })),
  ];
  return boxes.flatMap((one, index) => [
    ...(liesOn(one.box, layout)
      ? []
      : [{ a: one.name, b: "the edge of the face", kind: one.kind, id: one.id }]),
    ...boxes
      .slice(index + 1)
      .filter((other) => overlaps(one.box, other.box))
      .map((other) => ({ a: one.name, b: other.name, kind: one.kind, id: one.id })),
  ]);
}
