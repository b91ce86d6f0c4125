import {
  layoutOf,
  sizes,
  switchIds,
  terminalOf,
  terminalsOf,
  type BoardProfile,
  type Box,
  type Point,
  type Subject,
} from "@anvilcloud/core";

/** Sizes of what lies around the face, mm. */
export const around = {
  tag: 3.4,
  tagPitch: 8.4,
  margin: 5,
  firstLane: 3,
  lanePitch: 1.9,
  cablePitch: 3,
  beyond: 14,
  /** How far beyond the tags connectors and the devices that hang on others lie. */
  outerRow: 8.8,
  /** Where a core bows over the marks of that row. */
  bow: 5.6,
  /** Lanes beside a face before cores are drawn as the cables they lie in. */
  mostLanes: 12,
  /** And between two plates of one face. */
  mostLanesBetween: 8,
} as const;

/** The edge a terminal sits at: of which plate, and whether the upper one, where cores leave upwards. */
export interface Edge {
  plate: number;
  upper: boolean;
}

/** The edge of a terminal; undefined for one that the board does not have. */
export function edgeAt(board: BoardProfile, terminalId: string): Edge | undefined {
  const block = terminalOf(board, terminalId)?.block.id;
  const placed = layoutOf(board).blocks.find(({ id }) => id === block);
  return placed && { plate: placed.plate, upper: placed.edge === "top" };
}

/** The face alone, with a little room. */
export function faceBox(board: BoardProfile): Box {
  const { width, height } = layoutOf(board);
  const room = 4;
  // Links arch over the upper and the lower edge.
  const arch = 6;
  return { x: -room, y: -arch, width: width + 2 * room, height: height + 2 * arch };
}

/** Where a core leaves its terminal: the outer edge of its block. */
export function corePoint(board: BoardProfile, terminalId: string): Point | undefined {
  const clamp = layoutOf(board).terminals[terminalId];
  const edge = edgeAt(board, terminalId);
  if (!clamp || !edge) return undefined;
  return { x: clamp.x, y: clamp.y + (edge.upper ? -sizes.blockHeight / 2 : sizes.blockHeight / 2) };
}

/** Each device's number on the bench, in the order of the job. */
export function deviceNumbers(devices: readonly { id: string }[]): Record<string, string> {
  return Object.fromEntries(devices.map((device, index) => [device.id, String(index + 1)]));
}

/** The number of what a core belongs to; the spur that feeds the board is marked by a wave. */
export const numberOf = (numbers: Readonly<Record<string, string>>, device: string | undefined): string =>
  device === undefined ? "~" : (numbers[device] ?? "?");

/** Where a subject is drawn; undefined for what has no place on the face. */
export function placeOf(board: BoardProfile, subject: Subject): Point | undefined {
  const layout = layoutOf(board);
  const clamp = (id: string | undefined) => (id === undefined ? undefined : layout.terminals[id]);
  switch (subject.kind) {
    case "terminal":
      return clamp(subject.id);
    case "input":
      return clamp(board.inputs.find((each) => each.id === subject.id)?.terminal);
    case "link":
      return clamp(board.links.find((each) => each.id === subject.id)?.between[0]);
    case "rail":
      return clamp(board.rails.find((each) => each.id === subject.id)?.plus[0]);
    case "switch":
      return switchPlace(board, subject.id);
    case "value":
      return middle(partBox(board, "display", "display"));
    case "lamp":
    case "dial":
    case "key":
      return layout.parts.find((part) => part.kind === subject.kind && part.id === subject.id)?.at;
    case "slide":
    case "jumper":
    case "display":
    case "slot":
      return middle(partBox(board, subject.kind, subject.id));
    default:
      return undefined;
  }
}

function partBox(board: BoardProfile, kind: string, id: string): Box | undefined {
  return layoutOf(board).parts.find((part) => part.kind === kind && part.id === id)?.box;
}

const middle = (box: Box | undefined): Point | undefined =>
  box && { x: box.x + box.width / 2, y: box.y + box.height / 2 };

/** Place of one switch of a bank. */
function switchPlace(board: BoardProfile, id: string): Point | undefined {
  const bank = board.dips.find(
    (dip) => id.startsWith(dip.id) && Number(id.slice(dip.id.length)) <= dip.delivered.length,
  );
  const at = bank && layoutOf(board).parts.find((part) => part.kind === "dip" && part.id === bank.id)?.at;
  if (!bank || !at) return undefined;
  const index = Number(id.slice(bank.id.length)) - 1;
  return { x: at.x + (index + 0.5) * sizes.dipPitch, y: at.y };
}

/** Subjects further apart than this on the face are shown in pictures of their own, mm. */
const farApartMm = 45;

function boxAround(whole: Box, points: readonly Point[]): Box {
  const room = 24;
  const left = Math.max(whole.x, Math.min(...points.map((p) => p.x)) - room);
  const right = Math.min(whole.x + whole.width, Math.max(...points.map((p) => p.x)) + room);
  const top = Math.max(whole.y, Math.min(...points.map((p) => p.y)) - room);
  const bottom = Math.min(whole.y + whole.height, Math.max(...points.map((p) => p.y)) + room);
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** What a picture of a subject must hold: its place, and of a display both ends, for its text begins at one of them. */
function pointsOf(board: BoardProfile, subject: Subject): Point[] {
  const place = placeOf(board, subject);
  if (!place) return [];
  if (subject.kind !== "value" && subject.kind !== "display") return [place];
  const reach = partBox(board, "display", "display")!.width / 2;
  return [-reach, reach].map((by) => ({ x: place.x + by, y: place.y }));
}

/** Parts of the bench that hold the subjects with room around them, from above down; none when nothing has a place. */
export function cropBoxes(board: BoardProfile, subjects: readonly Subject[], whole: Box): Box[] {
  const points = subjects.flatMap((subject) => pointsOf(board, subject)).sort((a, b) => a.y - b.y);
  const clusters: Point[][] = [];
  for (const point of points) {
    const last = clusters.at(-1);
    if (last && point.y - last.at(-1)!.y <= farApartMm) last.push(point);
    else clusters.push([point]);
  }
  return clusters.map((cluster) => boxAround(whole, cluster));
}

/** Every part of the face in reading order, as subjects: the order in which arrow keys walk it. */
export function partsOf(board: BoardProfile): Subject[] {
  const named = (kind: Subject["kind"], parts: readonly { id: string }[]) =>
    parts.map(({ id }): Subject => ({ kind, id }));
  const parts: Subject[] = [
    ...named("terminal", terminalsOf(board)),
    ...named("link", board.links),
    ...named("display", board.display ? [{ id: "display" }] : []),
    ...named("lamp", board.lamps),
    ...switchIds(board).map((id): Subject => ({ kind: "switch", id })),
    ...named("slide", board.slides),
    ...named("jumper", board.jumpers),
    ...named("dial", board.dials),
    ...named("key", board.keys),
    ...named("slot", board.slots),
  ];
  const row = (subject: Subject) => Math.round((placeOf(board, subject)?.y ?? 0) / 12);
  return parts.sort((a, b) => row(a) - row(b) || (placeOf(board, a)?.x ?? 0) - (placeOf(board, b)?.x ?? 0));
}
