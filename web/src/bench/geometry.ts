import { terminalOf, terminalsOf, type BoardProfile, type Core, type Subject } from "@anvilcloud/core";

/** Sizes of drawn parts, mm on the face. */
export const sizes = {
  blockHeight: 13,
  lamp: 2.3,
  dial: 6.2,
  key: 9,
  dipPitch: 5,
  dipHeight: 11,
  tag: 3.4,
  tagPitch: 8.4,
  tagDistance: 12,
  margin: 5,
} as const;

export interface Point {
  x: number;
  y: number;
}

export interface Box extends Point {
  width: number;
  height: number;
}

/** True for a block on the upper edge, whose cores leave upwards. */
export const isUpper = (board: BoardProfile, y: number) => y < board.face.heightMm / 2;

/** The face with room for the cores and tags around it. */
export function benchBox(board: BoardProfile): Box {
  const room = sizes.tagDistance + 13;
  return {
    x: -sizes.margin,
    y: -room,
    width: board.face.widthMm + 2 * sizes.margin,
    height: board.face.heightMm + 2 * room,
  };
}

/** Where a core leaves its terminal: the outer edge of its block. */
export function corePoint(board: BoardProfile, terminalId: string): Point | undefined {
  const terminal = terminalOf(board, terminalId);
  if (!terminal) return undefined;
  const upper = isUpper(board, terminal.at.y);
  return { x: terminal.at.x, y: terminal.at.y + (upper ? -sizes.blockHeight / 2 : sizes.blockHeight / 2) };
}

/** A numbered tag at the face's edge: the cores of one device that leave at one block. */
export interface Tag {
  key: string;
  device: string;
  name: string;
  upper: boolean;
  at: Point;
  cores: readonly Core[];
}

/** Spreads wanted places along a line so that neighbours keep their distance, near where they want to be. */
export function spread(wanted: readonly number[], pitch: number, from: number, to: number): number[] {
  const order = wanted.map((_, at) => at).sort((a, b) => wanted[a]! - wanted[b]!);
  const placed: number[] = [];
  let last = from - pitch;
  for (const at of order) {
    last = Math.max(wanted[at]!, last + pitch);
    placed[at] = last;
  }
  let next = to + pitch;
  for (const at of [...order].reverse()) {
    next = Math.min(placed[at]!, next - pitch);
    placed[at] = next;
  }
  return placed;
}

/** The tags around the face, above and below, spread so that they do not touch. */
export function tagsOf(board: BoardProfile, cores: readonly Core[]): Tag[] {
  const groups = new Map<string, Core[]>();
  for (const core of cores) {
    const terminal = terminalOf(board, core.target);
    if (!terminal) continue;
    const key = `${core.device} ${terminal.block.id}`;
    groups.set(key, [...(groups.get(key) ?? []), core]);
  }
  const drafts = [...groups].map(([key, members]) => {
    const points = members.map((core) => corePoint(board, core.target)!);
    const upper = isUpper(board, points[0]!.y);
    const x = points.reduce((sum, point) => sum + point.x, 0) / points.length;
    return { key, device: members[0]!.device, name: members[0]!.deviceName, upper, x, cores: members };
  });
  return [true, false].flatMap((upper) => {
    const side = drafts.filter((draft) => draft.upper === upper);
    const xs = spread(
      side.map((draft) => draft.x),
      sizes.tagPitch,
      2,
      board.face.widthMm - 2,
    );
    const y = upper ? -sizes.tagDistance : board.face.heightMm + sizes.tagDistance;
    return side.map(({ x: _x, ...draft }, at) => ({ ...draft, at: { x: xs[at]!, y } }));
  });
}

/** Each device's number on the bench, in the order of the job; the mains spur has none. */
export function deviceNumbers(devices: readonly { id: string }[]): Record<string, string> {
  return { mains: "~", ...Object.fromEntries(devices.map((device, at) => [device.id, String(at + 1)])) };
}

/** Where a subject is drawn; undefined for what has no place on the face. */
export function placeOf(board: BoardProfile, subject: Subject): Point | undefined {
  switch (subject.kind) {
    case "terminal":
      return terminalOf(board, subject.id)?.at;
    case "input":
      return terminalOf(board, board.inputs.find((each) => each.id === subject.id)?.terminal ?? "")?.at;
    case "link": {
      const link = board.links.find((each) => each.id === subject.id);
      return link && terminalOf(board, link.between[0])?.at;
    }
    case "dial":
      return board.dials.find((each) => each.id === subject.id)?.at;
    case "lamp":
      return board.lamps.find((each) => each.id === subject.id)?.at;
    case "key":
      return board.keys.find((each) => each.id === subject.id)?.at;
    case "switch":
      return switchPlace(board, subject.id);
    case "rail": {
      const rail = board.rails.find((each) => each.id === subject.id);
      return rail && terminalOf(board, rail.plus[0] ?? "")?.at;
    }
    default:
      return undefined;
  }
}

/** Place of one switch of a bank. */
function switchPlace(board: BoardProfile, id: string): Point | undefined {
  const bank = board.dips.find(
    (dip) => id.startsWith(dip.id) && Number(id.slice(dip.id.length)) <= dip.delivered.length,
  );
  if (!bank) return undefined;
  const index = Number(id.slice(bank.id.length)) - 1;
  return { x: bank.at.x + (index + 0.5) * sizes.dipPitch, y: bank.at.y };
}

/** Subjects further apart than this on the face are shown in pictures of their own, mm. */
const farApartMm = 45;

function boxAround(board: BoardProfile, points: readonly Point[]): Box {
  const whole = benchBox(board);
  const room = 24;
  const left = Math.max(whole.x, Math.min(...points.map((p) => p.x)) - room);
  const right = Math.min(whole.x + whole.width, Math.max(...points.map((p) => p.x)) + room);
  const top = Math.max(whole.y, Math.min(...points.map((p) => p.y)) - room);
  const bottom = Math.min(whole.y + whole.height, Math.max(...points.map((p) => p.y)) + room);
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** Parts of the bench that hold the subjects with room around them, from above down; none when nothing has a place. */
export function cropBoxes(board: BoardProfile, subjects: readonly Subject[]): Box[] {
  const points = subjects.flatMap((subject) => placeOf(board, subject) ?? []).sort((a, b) => a.y - b.y);
  const clusters: Point[][] = [];
  for (const point of points) {
    const last = clusters.at(-1);
    if (last && point.y - last.at(-1)!.y <= farApartMm) last.push(point);
    else clusters.push([point]);
  }
  return clusters.map((cluster) => boxAround(board, cluster));
}

/** Every part of the face in reading order, as subjects: the order in which arrow keys walk it. */
export function partsOf(board: BoardProfile): Subject[] {
  const parts: Subject[] = [
    ...terminalsOf(board).map((terminal) => ({ kind: "terminal" as const, id: terminal.id })),
    ...board.links.map((link) => ({ kind: "link" as const, id: link.id })),
    ...board.lamps.map((lamp) => ({ kind: "lamp" as const, id: lamp.id })),
    ...board.dips.flatMap((dip) =>
      dip.delivered.map((_, at) => ({ kind: "switch" as const, id: `${dip.id}${at + 1}` })),
    ),
    ...board.dials.map((dial) => ({ kind: "dial" as const, id: dial.id })),
    ...board.keys.map((key) => ({ kind: "key" as const, id: key.id })),
  ];
  const row = (subject: Subject) => Math.round((placeOf(board, subject)?.y ?? 0) / 12);
  return parts.sort((a, b) => row(a) - row(b) || (placeOf(board, a)?.x ?? 0) - (placeOf(board, b)?.x ?? 0));
}
