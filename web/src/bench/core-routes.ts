import {
  layoutOf,
  sizes,
  terminalIn,
  terminalOf,
  type BoardProfile,
  type Box,
  type Core,
  type Point,
} from "@anvilcloud/core";
import { beyondOf, type Beyond } from "./beyond.ts";
import { around, corePoint, edgeAt, type Edge } from "./geometry.ts";
import { spread } from "./spread.ts";

/** A numbered tag at the face's edge: the cores of one device that leave at one block. */
export interface Tag {
  key: string;
  /** Undefined for the spur that feeds the board. */
  device: string | undefined;
  name: string;
  /** Which edge of which plate. */
  edge: string;
  upper: boolean;
  at: Point;
  cores: readonly Core[];
}

/** A core's way from its clamp to its tag: up or down to a lane of its own, along it, and on to the tag; or to where its cable begins. */
interface Route {
  core: Core;
  points: Point[];
}

/** A cable in which the cores of a tag lie together: along a lane, and on to the tag. */
interface Sheath {
  tag: Tag;
  along: Point[];
  on: Point[];
}

/**
 * Everything around the face: tags, the cores' ways to them, cables where lanes would run out, what lies beyond the tags,
 * and how far out the tags lie, mm.
 */
interface Wiring {
  tags: Tag[];
  routes: Route[];
  sheaths: Sheath[];
  beyond: Beyond;
  depth: { upper: number; lower: number };
}

/** Lines nearer than this would run into one another, mm. */
const apart = 1.1;
/** How far from a tag's middle a core may still enter it, mm. */
const reach = 2.9;

interface Draft {
  cores: readonly Core[];
  /** The tag it ends at; undefined for a bridge from clamp to clamp. */
  tag?: number;
  /** Where its cores leave their clamps: one, or several that lie in one cable. */
  from: readonly number[];
  /** Where it enters its tag. */
  to: number;
}

/** True for a core that goes straight on to its tag and needs no lane. */
const isStraight = ({ from, to }: Draft) => from.length === 1 && Math.abs(from[0]! - to) <= 1e-6;

/** Places beside one another for what leaves at one point. */
const beside = (x: number, at: number, count: number, step: number) => x + (at - (count - 1) / 2) * step;

/** The place nearest to the wanted one, within reach, that no other line takes. */
function freePlace(wanted: number, taken: readonly number[], least: number, most: number): number {
  for (const distance of [apart, 0.85 * apart, 0.65 * apart])
    for (let step = 0; step <= most - least; step += 0.1)
      for (const x of [wanted + step, wanted - step])
        if (x >= least && x <= most && taken.every((other) => Math.abs(other - x) >= distance)) return x;
  return wanted;
}

/** Lanes by the left-edge rule of channel routing: each in the first lane where it meets nobody. */
function lanesOf(drafts: readonly Draft[]): number[] {
  const ends: number[] = [];
  const lanes: number[] = drafts.map(() => 0);
  const order = drafts
    .flatMap((draft, at) =>
      isStraight(draft)
        ? []
        : [{ at, left: Math.min(...draft.from, draft.to), right: Math.max(...draft.from, draft.to) }],
    )
    .sort((a, b) => a.left - b.left || a.right - b.right);
  for (const { at, left, right } of order) {
    const free = ends.findIndex((end) => end + apart <= left);
    const lane = free < 0 ? ends.length : free;
    ends[lane] = right;
    lanes[at] = lane;
  }
  return clearedOf(drafts, lanes);
}

/**
 * Lanes in which no core comes down to its tag where another still goes out to its lane: the one that enters is moved
 * to a lane farther out. A ring of such cores is left as it is after some rounds.
 */
function clearedOf(drafts: readonly Draft[], lanes: number[]): number[] {
  for (let round = 0; round < drafts.length; round++) {
    const clash = drafts.findIndex((draft, at) =>
      drafts.some(
        (other, its) =>
          its !== at &&
          !isStraight(draft) &&
          other.from.some((x) => Math.abs(draft.to - x) < apart * 0.65) &&
          lanes[at]! <= lanes[its]!,
      ),
    );
    if (clash < 0) break;
    lanes[clash] = Math.max(...lanes) + 1;
  }
  return lanes;
}

interface Group {
  key: string;
  /** Undefined for the spur that feeds the board. */
  device: string | undefined;
  name: string;
  cores: Core[];
  x: number;
}

/** True for a terminal at this edge. */
function isAt(board: BoardProfile, terminal: string, edge: Edge): boolean {
  const its = edgeAt(board, terminal);
  return its?.plate === edge.plate && its.upper === edge.upper;
}

function groupsOf(board: BoardProfile, cores: readonly Core[], edge: Edge): Group[] {
  const groups = new Map<string, Core[]>();
  for (const core of cores) {
    if (core.from.kind === "terminal") continue;
    const terminal = terminalOf(board, terminalIn(core.to) ?? "");
    if (!terminal || !isAt(board, terminal.id, edge)) continue;
    const key = `${core.device ?? "~"} ${terminal.block.id}`;
    groups.set(key, [...(groups.get(key) ?? []), core]);
  }
  return [...groups].map(([key, members]) => {
    const x =
      members.reduce((sum, core) => sum + corePoint(board, terminalIn(core.to)!)!.x, 0) / members.length;
    return { key, device: members[0]!.device, name: members[0]!.deviceName, cores: members, x };
  });
}

/** Bridges between two clamps of one edge, each with a stand-in for its other end. */
function bridgesOf(board: BoardProfile, cores: readonly Core[], edge: Edge): { core: Core; back: Core }[] {
  return cores.flatMap((core) => {
    const [from, to] = [terminalIn(core.from), terminalIn(core.to)];
    if (from === undefined || to === undefined) return [];
    if (![from, to].every((end) => isAt(board, end, edge))) return [];
    return [{ core, back: { ...core, id: `${core.id} back`, to: core.from } }];
  });
}

/** Where each core leaves its clamp: side by side where a clamp holds several. */
function exitsOf(board: BoardProfile, cores: readonly Core[]): Map<string, number> {
  const byTerminal = new Map<string, Core[]>();
  for (const core of cores) {
    const terminal = terminalIn(core.to);
    if (terminal !== undefined) byTerminal.set(terminal, [...(byTerminal.get(terminal) ?? []), core]);
  }
  return new Map(
    [...byTerminal].flatMap(([target, members]) => {
      const x = corePoint(board, target)!.x;
      return members.map((core, at) => [core.id, beside(x, at, members.length, apart)] as const);
    }),
  );
}

/** Where each core enters its tag: straight on where it can, else at the nearest place nothing else takes. */
function singlesOf(
  groups: readonly Group[],
  xs: readonly number[],
  exits: ReadonlyMap<string, number>,
): Draft[] {
  const taken: number[] = [];
  return groups.flatMap((group, tag) => {
    const inOrder = [...group.cores].sort((a, b) => exits.get(a.id)! - exits.get(b.id)!);
    return inOrder.map((core, at): Draft => {
      const from = exits.get(core.id)!;
      const [least, most] = [xs[tag]! - reach, xs[tag]! + reach];
      const others = [...taken, ...[...exits].flatMap(([id, x]) => (id === core.id ? [] : [x]))];
      const straight = from >= least && from <= most && taken.every((x) => Math.abs(x - from) >= apart);
      const to = straight ? from : freePlace(beside(xs[tag]!, at, inOrder.length, 1.6), others, least, most);
      taken.push(to);
      return { cores: [core], tag, from: [from], to };
    });
  });
}

/** The cores of each tag together, as the cable they lie in. */
function cablesOf(
  groups: readonly Group[],
  xs: readonly number[],
  exits: ReadonlyMap<string, number>,
): Draft[] {
  return groups.map((group, tag): Draft => {
    const from = group.cores.map((core) => exits.get(core.id)!);
    const [least, most] = [xs[tag]! - reach, xs[tag]! + reach];
    const alone = from.length === 1 && from[0]! >= least && from[0]! <= most;
    return {
      cores: group.cores,
      tag,
      from,
      to: alone ? from[0]! : freePlace(xs[tag]!, [...exits.values()], least, most),
    };
  });
}

/** How far out the tags of an edge lie, mm: as far as its lanes need, and between two plates no farther than there is room. */
function depthOf(lanes: number, usual: number, isBetween: boolean): { depth: number; pitch: number } {
  const rest = 2 * around.firstLane + around.tag;
  const room = sizes.channel / 2 - around.outerRow - around.tag - rest;
  const pitch = isBetween ? Math.min(usual, room / Math.max(1, lanes - 1)) : usual;
  return { depth: rest + (lanes - 1) * pitch, pitch };
}

function sideOf(
  board: BoardProfile,
  cores: readonly Core[],
  edge: Edge,
): { wiring: Omit<Wiring, "depth" | "beyond">; depth: number } {
  const { upper } = edge;
  const edgeKey = `${edge.plate} ${upper ? "upper" : "lower"}`;
  const groups = groupsOf(board, cores, edge);
  const bridges = bridgesOf(board, cores, edge);
  const mine = [
    ...groups.flatMap((group) => group.cores),
    ...bridges.flatMap(({ core, back }) => [core, back]),
  ];
  const exits = exitsOf(board, mine);
  const { width, plates } = layoutOf(board);
  const face = plates[edge.plate]!;
  // More tags than the face is wide stand out to both sides of it, and none over another.
  const beyond = Math.max(0, (groups.length * around.tagPitch - width) / 2);
  const xs = spread(
    groups.map((group) => group.x),
    around.tagPitch,
    2 - beyond,
    width - 2 + beyond,
  );
  const across = bridges.map(({ core, back }): Draft => ({
    cores: [core],
    from: [exits.get(core.id)!],
    to: exits.get(back.id)!,
  }));
  let drafts = [...singlesOf(groups, xs, exits), ...across];
  let lanes = lanesOf(drafts);
  const isBetween = upper ? edge.plate > 0 : edge.plate < plates.length - 1;
  if (Math.max(0, ...lanes) >= (isBetween ? around.mostLanesBetween : around.mostLanes)) {
    drafts = [...cablesOf(groups, xs, exits), ...across];
    lanes = lanesOf(drafts);
  }
  const usual = drafts.some((draft) => draft.cores.length > 1) ? around.cablePitch : around.lanePitch;
  const { depth, pitch } = depthOf(Math.max(0, ...lanes) + 1, usual, isBetween);
  const out = (distance: number) => (upper ? face.y - distance : face.y + face.height + distance);
  const tags = groups.map((group, at): Tag => ({
    ...group,
    edge: edgeKey,
    upper,
    at: { x: xs[at]!, y: out(depth) },
  }));
  const routes: Route[] = [];
  const sheaths: Sheath[] = [];
  drafts.forEach((draft, at) => {
    const { tag, to } = draft;
    const lane = out(around.firstLane + lanes[at]! * pitch);
    const rim = tag === undefined ? 0 : Math.sqrt(Math.max(0, around.tag ** 2 - (to - xs[tag]!) ** 2));
    const starts = draft.cores.map((core) => corePoint(board, terminalIn(core.to)!)!.y);
    const end = { x: to, y: tag === undefined ? starts[0]! : out(depth - rim) };
    draft.cores.forEach((core, n) => {
      const from = draft.from[n]!;
      const bend = { x: from, y: lane };
      const onward =
        draft.cores.length > 1 ? [bend] : isStraight(draft) ? [end] : [bend, { x: to, y: lane }, end];
      routes.push({ core, points: [{ x: from, y: starts[n]! }, ...onward] });
    });
    if (draft.cores.length > 1 && tag !== undefined)
      sheaths.push({
        tag: tags[tag]!,
        along: [Math.min(...draft.from, to), Math.max(...draft.from, to)].map((x) => ({ x, y: lane })),
        on: [{ x: to, y: lane }, end],
      });
  });
  return { wiring: { tags, routes, sheaths }, depth };
}

/** The cores around the face, routed in lanes so that none runs along another, over a clamp or across the face. */
export function wiringOf(board: BoardProfile, cores: readonly Core[]): Wiring {
  const { plates } = layoutOf(board);
  const sides = plates.flatMap((_, plate) =>
    [true, false].map((upper) => sideOf(board, cores, { plate, upper })),
  );
  const tags = sides.flatMap(({ wiring }) => wiring.tags);
  return {
    tags,
    beyond: beyondOf(cores, tags),
    routes: sides.flatMap(({ wiring }) => wiring.routes),
    sheaths: sides.flatMap(({ wiring }) => wiring.sheaths),
    depth: { upper: sides[0]!.depth, lower: sides.at(-1)!.depth },
  };
}

/** The face with room for the cores and tags around it. */
export function benchBox(board: BoardProfile, cores: readonly Core[]): Box {
  const { depth, tags, beyond } = wiringOf(board, cores);
  const xs = [...tags, ...beyond.marks].map(({ at }) => at.x);
  const { width, height } = layoutOf(board);
  const [above, below] = [depth.upper + around.beyond, depth.lower + around.beyond];
  const left = Math.min(0, ...xs) - around.margin;
  const right = Math.max(width, ...xs) + around.margin;
  return { x: left, y: -above, width: right - left, height: height + above + below };
}

/** A way as the path of a drawing, its corners a little rounded. */
export function pathOf(points: readonly Point[]): string {
  const round = 0.8;
  const [first, ...rest] = points;
  if (!first) return "";
  return rest.reduce((path, point, at) => {
    const next = rest[at + 1];
    const before = at ? rest[at - 1]! : first;
    if (!next) return `${path} L${point.x} ${point.y}`;
    const short = (a: number, b: number) => Math.sign(a - b) * Math.min(round, Math.abs(a - b) / 2);
    const enter = { x: point.x + short(before.x, point.x), y: point.y + short(before.y, point.y) };
    const leave = { x: point.x + short(next.x, point.x), y: point.y + short(next.y, point.y) };
    return `${path} L${enter.x} ${enter.y} Q${point.x} ${point.y} ${leave.x} ${leave.y}`;
  }, `M${first.x} ${first.y}`);
}
