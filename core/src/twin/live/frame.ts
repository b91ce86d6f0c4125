import { bothLeaves } from "../../board/index.ts";
import { partKey, contactPart, type PartKey } from "../../node/index.ts";
import type { LampLook, LampState } from "../../state/index.ts";
import { faceOf, type Which } from "../brain/index.ts";
import { ampsOf } from "../plant/index.ts";
import { tickSeconds, type Twin } from "../step/index.ts";
import { spansOf } from "../traffic/index.ts";

/** Most people and vehicles that a frame has room for. */
const mostMovers = 6;
const lampStates: readonly LampState[] = ["dark", "lit", "blinking"];
/** Numbers of a leaf, and of a mover. */
const [perLeaf, perMover] = [4, 3];

/** Which numbers of a frame are what: made once for an installation, for its frames are all alike. */
export interface FrameLayout {
  leaves: readonly Which[];
  lamps: readonly string[];
  inputs: readonly string[];
  contacts: readonly PartKey[];
  locks: readonly PartKey[];
  length: number;
}

export function frameLayout({ brain: { board }, plant, site, locks }: Twin): FrameLayout {
  const leaves = bothLeaves.filter((which) => plant.leaves[which]);
  const lamps = board.lamps.map(({ id }) => id);
  const inputs = board.inputs.map(({ id }) => id);
  const contacts = site.wired.devices.flatMap(({ id, profile }) =>
    profile.contacts.map((contact) => partKey(contactPart(id, contact.id))),
  );
  const counted = lamps.length + inputs.length + contacts.length + locks.length;
  return {
    ...{ leaves, lamps, inputs, contacts, locks: locks.map(({ key }) => key) },
    length: 4 + leaves.length * perLeaf + counted + 1 + mostMovers * perMover,
  };
}

/** A leaf in a frame: part of its way, its edge's speed in m/s, what its drive pushes with at the edge in N, its current in A. */
export interface LeafFrame {
  part: number;
  speed: number;
  newtons: number;
  amps: number;
}

/** Someone under way: which, and from where to where along the road, m; inside is positive. */
export interface MoverFrame {
  is: "person" | "vehicle";
  from: number;
  to: number;
}

/** Everything that changes from moment to moment, read from a frame's numbers. */
export interface Frame {
  seconds: number;
  powered: boolean;
  /** What the battery holds, as a part; undefined where there is none. */
  charge: number | undefined;
  /** How long the key that is down has been held, s, as the board counts it; undefined where none is. */
  held: number | undefined;
  leaves: Partial<Record<Which, LeafFrame>>;
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  /** Inputs that read otherwise than at rest, contacts that are worked, locks that hold. */
  tripped: string[];
  worked: PartKey[];
  locked: PartKey[];
  movers: MoverFrame[];
}

/** Writes a moment of a running installation into numbers, for a page to draw; with how long a key has been held, s. */
export function fillFrame(
  twin: Twin,
  layout: FrameLayout,
  into: Float64Array,
  held: number | undefined,
): void {
  const { brain, plant, site, locks, store, traffic } = twin;
  let at = 0;
  const put = (value: number) => void (into[at++] = value);
  put(twin.ticks * tickSeconds);
  put(brain.power ? 1 : 0);
  put(store ? store.charge : -1);
  put(held ?? -1);
  for (const which of layout.leaves) {
    const leaf = plant.leaves[which]!;
    const { motion, body } = leaf;
    put(motion.at / body.travel);
    put(motion.speed * body.arm);
    put(leaf.drive.volts === 0 ? 0 : Math.abs(leaf.pushes(motion.speed).push) / body.arm);
    put(ampsOf(leaf));
  }
  const { lamps, looks } = faceOf(brain);
  for (const lamp of layout.lamps) {
    const look = looks[lamp];
    put(lampStates.indexOf(lamps[lamp] ?? "dark") + (look?.other ? 4 : 0) + 8 * (look?.flashes ?? 0));
  }
  for (const input of layout.inputs) put(brain.tripped.has(input) ? 1 : 0);
  for (const contact of layout.contacts) put(site.at.tripped.has(contact) ? 1 : 0);
  for (const lock of locks) put(lock.engaged ? 1 : 0);
  const spans = spansOf(traffic).slice(0, mostMovers);
  put(spans.length);
  for (const { is, from, to } of spans) {
    put(is === "person" ? 1 : 2);
    put(from);
    put(to);
  }
}

/** What the numbers of a frame say. */
export function readFrame(layout: FrameLayout, numbers: Float64Array): Frame {
  let at = 0;
  const take = () => numbers[at++]!;
  const those = <Id extends string>(ids: readonly Id[]): Id[] => ids.filter(() => take() === 1);
  const [seconds, powered, charge, held] = [take(), take() === 1, take(), take()];
  const frame: Frame = {
    ...{ seconds, powered, charge: charge < 0 ? undefined : charge, held: held < 0 ? undefined : held },
    ...{ leaves: {}, lamps: {}, looks: {}, tripped: [], worked: [], locked: [], movers: [] },
  };
  for (const which of layout.leaves)
    frame.leaves[which] = { part: take(), speed: take(), newtons: take(), amps: take() };
  for (const lamp of layout.lamps) {
    const code = take();
    frame.lamps[lamp] = lampStates[code % 4]!;
    const [other, flashes] = [(code & 4) !== 0, code >> 3];
    if (other || flashes)
      frame.looks[lamp] = { ...(other ? { other } : {}), ...(flashes ? { flashes } : {}) };
  }
  frame.tripped = those(layout.inputs);
  frame.worked = those(layout.contacts);
  frame.locked = those(layout.locks);
  const count = take();
  for (let n = 0; n < count; n += 1)
    frame.movers.push({ is: take() === 1 ? "person" : "vehicle", from: take(), to: take() });
  return frame;
}
