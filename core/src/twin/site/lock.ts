import type { Contact } from "../../motion/index.ts";
import { partKey, supplyPart, type PartKey } from "../../node/index.ts";
import type { Brain } from "../brain/index.ts";
import { edgeOf, type Plant } from "../plant/index.ts";
import type { Site } from "./site.ts";

/** A lock that holds the leaf which closes last: a bolt that its coil draws, or a magnet that holds while it is fed. */
export interface Lock {
  readonly key: PartKey;
  readonly magnet: boolean;
  engaged: boolean;
  /** What it is to the leaf that it holds. */
  readonly contact: Contact;
}

/** Nearer to closed than this a bolt meets its plate; it gives so much play, m. Assumed. */
const bolt = { meets: 0.016, play: 0.02, stiffness: 5e5 };

/** The locks of a site, none of them engaged. */
export const locksOf = ({ at }: Site): Lock[] =>
  at.devices.flatMap(({ id, profile }) =>
    profile.kind === "lock"
      ? profile.supplies.slice(0, 1).map((supply) => ({
          key: partKey(supplyPart(id, supply.id)),
          magnet: profile.holdingNewtons !== undefined,
          engaged: false,
          contact: { at: bolt.play, stops: "opening" as const, stiffness: bolt.stiffness, damping: 0 },
        }))
      : [],
  );

/** Locks take hold where the leaf they hold is closed, unless they miss it, and let go as their coil is fed or no longer is. */
export function locksHold(
  locks: readonly Lock[],
  { brain, site, plant, misses }: { brain: Brain; site: Site; plant: Plant; misses: boolean },
): void {
  const leaf = plant.leaves.first;
  if (!leaf || !locks.length) return;
  for (const lock of locks) {
    const state = site.measured.supplies[lock.key]?.state;
    const fed = state === "supplied" || state === "over";
    const opening = brain.run?.toward === "open";
    // The board lets go of it as the leaf is to open, wherever its rail lives: a bolt by an impulse, a magnet by a pause.
    const holds = lock.magnet ? fed && !opening : !(opening && fed);
    const closed = edgeOf(leaf) < bolt.meets;
    const engaged = holds && (lock.engaged ? edgeOf(leaf) < bolt.play * 2 : closed && !opening && !misses);
    if (engaged === lock.engaged) continue;
    lock.engaged = engaged;
    leaf.obstacles = engaged
      ? [...leaf.obstacles, lock.contact]
      : leaf.obstacles.filter((each) => each !== lock.contact);
  }
}
