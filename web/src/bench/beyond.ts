import type { Core, Point } from "@anvilcloud/core";
import { around } from "./geometry.ts";
import { spread } from "./spread.ts";

/** A mark that cores end at: a tag, or what lies beyond the tags of its edge. */
interface Mark {
  device: string | undefined;
  edge: string;
  upper: boolean;
  at: Point;
}

/** What lies beyond the tags of an edge: a connector in which cores of devices meet, or a device that hangs on another. */
interface Outer extends Mark {
  key: string;
  /** The connector's label; undefined for a device. */
  joint?: string;
}

/** A core on its way outside the tags, from mark to mark. */
interface OuterLine {
  core: Core;
  from: Point;
  to: Point;
  /** How far it bows outwards on its way, mm: over the marks that stand between. */
  bow: number;
}

export interface Beyond {
  marks: Outer[];
  lines: OuterLine[];
}

/** Cores that meet outside the board: in one connector, or those of one device at another. */
interface Meeting {
  key: string;
  joint?: string;
  /** The device that the cores hang on, where they meet in no connector. */
  on?: string;
  cores: Core[];
}

function meetingsOf(cores: readonly Core[]): Meeting[] {
  const meetings = new Map<string, Meeting>();
  for (const core of cores) {
    const { to } = core;
    const about =
      to.kind === "joint"
        ? { key: `joint ${to.joint}`, joint: to.joint }
        : to.kind === "pin"
          ? { key: `device ${core.device} ${to.device}`, on: to.device }
          : undefined;
    if (!about) continue;
    const meeting: Meeting = meetings.get(about.key) ?? { ...about, cores: [] };
    meeting.cores.push(core);
    meetings.set(about.key, meeting);
  }
  return [...meetings.values()];
}

const mean = (all: readonly number[]) => all.reduce((sum, each) => sum + each, 0) / all.length;

/** The devices at which a meeting finds its edge: those of a connector's cores, or the one that others hang on. */
const meetIn = ({ joint, on, cores }: Meeting) =>
  joint === undefined ? [on] : [...new Set(cores.map(({ device }) => device))];

/** The edge at which most of these devices have a mark; undefined where none has any. */
function edgeFor(devices: readonly (string | undefined)[], marks: readonly Mark[]): string | undefined {
  const theirs = (edge: string) =>
    new Set(marks.filter((mark) => mark.edge === edge && devices.includes(mark.device)).map((m) => m.device));
  const edges = new Set(marks.filter(({ device }) => devices.includes(device)).map(({ edge }) => edge));
  return [...edges].sort((a, b) => theirs(b).size - theirs(a).size)[0];
}

/** The device's mark at this edge that is nearest to the place. */
const nearest = (marks: readonly Mark[], device: string | undefined, edge: string, x: number) =>
  marks
    .filter((mark) => mark.device === device && mark.edge === edge)
    .sort((a, b) => Math.abs(a.at.x - x) - Math.abs(b.at.x - x))[0];

/**
 * What lies beyond the tags, and the cores on their way to it. All that meets, meets at one edge of one plate: a device
 * that has no tag there has a mark of its own beside the connector, so that no core runs across the face.
 */
export function beyondOf(cores: readonly Core[], tags: readonly Mark[]): Beyond {
  const marks: Outer[] = [];
  const ties: { core: Core; from: Mark; to: Mark }[] = [];
  const put = (mark: Pick<Outer, "key" | "device" | "joint">, edge: string, x: number): Outer => {
    const { upper, at } = tags.find((tag) => tag.edge === edge)!;
    const outer = { ...mark, edge, upper, at: { x, y: at.y + (upper ? -around.outerRow : around.outerRow) } };
    marks.push(outer);
    return outer;
  };
  const place = (meeting: Meeting): boolean => {
    const all = [...tags, ...marks];
    const devices = meetIn(meeting);
    const edge = edgeFor(devices, all);
    if (edge === undefined) return false;
    const there = all.filter((mark) => mark.edge === edge && devices.includes(mark.device));
    const middle = mean(there.map(({ at }) => at.x));
    if (meeting.joint === undefined) {
      const device = meeting.cores[0]!.device;
      const from = nearest(all, meeting.on, edge, middle)!;
      const to = put({ key: meeting.key, device }, edge, from.at.x);
      ties.push(...meeting.cores.map((core) => ({ core, from, to })));
      return true;
    }
    const to = put({ key: meeting.key, device: undefined, joint: meeting.joint }, edge, middle);
    meeting.cores.forEach((core, n) => {
      const own = nearest(all, core.device, edge, middle);
      const from =
        own ?? put({ key: `${meeting.key} ${core.id}`, device: core.device }, edge, middle + 0.1 * (n + 1));
      ties.push({ core, from, to });
    });
    return true;
  };
  const last = tags.at(-1);
  for (let left = meetingsOf(cores); left.length && last;) {
    const still = left.filter((meeting) => !place(meeting));
    // What nothing ties to the board stands at the last edge, beside what it feeds.
    if (still.length === left.length) {
      const [device] = meetIn(left[0]!);
      put({ key: `alone ${device}`, device }, last.edge, last.at.x);
    }
    left = still;
  }
  spreadOut(marks, tags);
  return { marks, lines: linesOf(ties) };
}

/** Gives every mark of an edge room beside its neighbours. */
function spreadOut(marks: readonly Outer[], tags: readonly Mark[]): void {
  for (const edge of new Set(marks.map((mark) => mark.edge))) {
    const row = marks.filter((mark) => mark.edge === edge);
    const xs = [...tags.filter((tag) => tag.edge === edge), ...row].map(({ at }) => at.x);
    const [least, most] = [Math.min(...xs), Math.max(...xs)];
    const lack = Math.max(0, (row.length - 1) * around.tagPitch - (most - least)) / 2;
    const places = spread(
      row.map(({ at }) => at.x),
      around.tagPitch,
      least - lack,
      most + lack,
    );
    row.forEach((mark, at) => (mark.at = { ...mark.at, x: places[at]! }));
  }
}

/** The ways of the cores, side by side where several go from one mark to another. */
function linesOf(ties: readonly { core: Core; from: Mark; to: Mark }[]): OuterLine[] {
  return ties.map(({ core, from, to }) => {
    const both = ties.filter((tie) => tie.from === from && tie.to === to);
    const aside = 1.8 * (both.findIndex((tie) => tie.core === core) - (both.length - 1) / 2);
    const level = from.at.y === to.at.y;
    const moved = ({ at }: Mark) => (level ? { x: at.x, y: at.y + aside } : { x: at.x + aside, y: at.y });
    const isFar = level && Math.abs(from.at.x - to.at.x) > 1.5 * around.tagPitch;
    return { core, from: moved(from), to: moved(to), bow: isFar ? (from.upper ? -1 : 1) * around.bow : 0 };
  });
}
