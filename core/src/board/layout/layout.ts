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
  /** Which of the plates it sits on. */
  plate: number;
  pitchMm: number;
  box: Box;
}

/** Where everything lies on a board's face, mm from its upper left corner. */
export interface FaceLayout {
  width: number;
  height: number;
  /** One, or several below one another where a board is too wide to be read in one piece. */
  plates: Box[];
  blocks: PlacedBlock[];
  parts: PlacedPart[];
  /** Centre of each clamp, by terminal. */
  terminals: Record<string, Point>;
}

type Blocks = BoardProfile["blocks"];

const gap = 2.5;
const { margin } = sizes;
const leastWidth = 110;
const leastInside = 16;
/** A wider face without a given size is drawn in several plates below one another, mm. */
const mostWidth = 180;
/** Between a block and the edge of the face: links arch there. */
const edgeRoom = 8;

function rowWidth(blocks: Blocks): number {
  return blocks.reduce((sum, block) => sum + blockWidth(block) + gap, 2 * margin);
}

/** Blocks in their order, those that a link joins and what lies between them in one. */
function joinedBlocks(board: BoardProfile, blocks: Blocks): Blocks[] {
  const spans = board.links.map(({ between }) =>
    between.map((terminal) => blocks.findIndex(({ id }) => terminal.replace(/\d+$/, "") === id)),
  );
  const parted = (at: number) => spans.every((ends) => Math.max(...ends) < at || Math.min(...ends) >= at);
  return blocks.reduce<Blocks[]>((all, block, at) => {
    if (at === 0 || parted(at)) all.push([block]);
    else all.at(-1)!.push(block);
    return all;
  }, []);
}

/** The blocks of an edge in rows, none wider than the most where it can be helped. */
function wrapped(board: BoardProfile, blocks: Blocks): Blocks[] {
  return joinedBlocks(board, blocks).reduce<Blocks[]>((rows, some) => {
    const last = rows.at(-1);
    if (last && rowWidth([...last, ...some]) <= mostWidth) last.push(...some);
    else rows.push([...some]);
    return rows;
  }, []);
}

/** The free blocks of both edges, plate by plate; all on one where their places or the size of the face are given. */
function rowsOf(board: BoardProfile): { top: Blocks; bottom: Blocks }[] {
  const { face, blocks } = board;
  const at = (edge: "top" | "bottom") =>
    blocks.filter((block) => !block.at && edgeOf(block, face?.heightMm) === edge);
  const [top, bottom] = [at("top"), at("bottom")];
  const fits = rowWidth(top) <= mostWidth && rowWidth(bottom) <= mostWidth;
  if (fits || face?.widthMm !== undefined || blocks.some((block) => block.at)) return [{ top, bottom }];
  const [[upper = [], ...above], [lower = [], ...below]] = [wrapped(board, top), wrapped(board, bottom)];
  return above.concat(below).reduce<{ top: Blocks; bottom: Blocks }[]>(
    (plates, row) => {
      // What does not fit on the first plate goes on at whichever edge is free, where its own is not said.
      const edge = row.find((block) => block.edge)?.edge;
      const last = plates.at(-1)!;
      const free = plates.length > 1 && [last.top, last.bottom].findIndex((blocks) => !blocks.length);
      if (free === 1 && edge !== "top") last.bottom = row;
      else if (free === 0 && edge !== "bottom") last.top = row;
      else plates.push(edge === "bottom" ? { top: [], bottom: row } : { top: row, bottom: [] });
      return plates;
    },
    [{ top: upper, bottom: lower }],
  );
}

/** Blocks without a place, side by side from the left, past those that have one. */
function layRow(
  blocks: Blocks,
  { edge, plate, y }: { edge: "top" | "bottom"; plate: number; y: number },
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
    return { id: block.id, at, edge, plate, pitchMm: drawnPitch(block), box };
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
      {
        ...{ id: block.id, at: block.at, edge, plate: 0, pitchMm: block.pitchMm },
        box: blockBox(block, block.at, edge),
      },
    ];
  });
  const fixedBoxes = fixedBlocks.map((block) => block.box);
  const rows = rowsOf(board);
  const width =
    face?.widthMm ??
    Math.max(
      leastWidth,
      ...rows.flatMap(({ top, bottom }) => [rowWidth(top), rowWidth(bottom)]),
      ...prints.map((part) => part.width + 2 * margin),
      ...[...fixedBoxes, ...fixedParts.map((part) => part.box)].map((box) => box.x + box.width + margin),
    );
  const plates: Box[] = [];
  const blocks: PlacedBlock[] = [...fixedBlocks];
  const parts: PlacedPart[] = [...fixedParts];
  rows.forEach(({ top, bottom }, plate) => {
    const last = plates.at(-1);
    const y = last ? last.y + last.height + sizes.channel : 0;
    const upper = layRow(top, { edge: "top", plate, y: y + half + edgeRoom }, fixedBoxes);
    const above = [...upper, ...fixedBlocks.filter((block) => block.edge === "top")];
    const inside = Math.max(y + margin, ...above.map((block) => block.box.y + block.box.height + gap));
    // What is not a terminal lies on the first plate.
    if (plate === 0) {
      const taken = [
        ...fixedParts.map((part) => part.box),
        ...fixedBoxes,
        ...upper.map((block) => block.box),
      ];
      parts.push(...layParts(free, inside, width, taken));
    }
    const lowest = Math.max(
      inside + leastInside,
      ...(plate === 0 ? parts : []).map((part) => part.box.y + part.box.height + gap),
    );
    const height =
      face?.heightMm ??
      lowest - y + (bottom.length ? sizes.blockHeight + printedBeside.bottom + edgeRoom : margin);
    plates.push({ x: 0, y, width, height });
    blocks.push(
      ...upper,
      ...layRow(bottom, { edge: "bottom", plate, y: y + height - half - edgeRoom }, fixedBoxes),
    );
  });
  const end = plates.at(-1)!;
  const height = end.y + end.height;
  // The name is left out where a face of a given size has no room for it.
  const drawn = parts.filter((part) => part.kind !== "title" || liesOn(part.box, { width, height }));
  const order = board.blocks.map((block) => block.id);
  blocks.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
  return { width, height, plates, blocks, parts: drawn, terminals: clampsOf(board, blocks) };
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
