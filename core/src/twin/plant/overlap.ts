import type { Contact } from "../../motion/index.ts";

/** The strip of the overlapping leaf, on its inner side: near closed neither leaf passes the other. */
export interface Overlap {
  /** Edges nearer to closed than this lie over one another, m. */
  zoneM: number;
  /** How thick the strip is: what the overlapped leaf lacks to closed where it comes too late, m. */
  stripM: number;
  stiffness: number;
  /** The overlapped leaf is between the strip and closed, as it must be. */
  ahead: boolean;
}

/** Two ordinary leaves of steel; assumed. */
export const ordinaryOverlap = (): Overlap => ({ zoneM: 0.2, stripM: 0.03, stiffness: 6e4, ahead: true });

/** Which side of the strip the overlapped leaf is on: settled where the edges do not lie over one another yet. */
export function takesSides(overlap: Overlap, overlapping: number, overlapped: number): void {
  const apart = overlapping > overlap.zoneM || overlapped > overlap.zoneM;
  if (apart) overlap.ahead = overlapped <= overlapping;
}

/** Leaves that do not touch. */
export const apart: Readonly<Record<"overlapping" | "overlapped", readonly Contact[]>> = {
  overlapping: [],
  overlapped: [],
};

const touch = (at: number, stops: Contact["stops"], stiffness: number): Contact => ({
  at,
  stops,
  stiffness,
  damping: 0,
});

/** What the leaves do to each other where their edges, m from closed, lie over one another. */
export function overlapContacts(
  { zoneM, stripM, stiffness, ahead }: Overlap,
  overlapping: number,
  overlapped: number,
): typeof apart {
  if (overlapping > zoneM || overlapped > zoneM) return apart;
  return ahead
    ? {
        overlapping: [touch(overlapped, "closing", stiffness)],
        overlapped: [touch(overlapping, "opening", stiffness)],
      }
    : {
        overlapping: [touch(overlapped - stripM, "opening", stiffness)],
        overlapped: [touch(overlapping + stripM, "closing", stiffness)],
      };
}

/** True where the overlapped leaf has come too late: it lies on the strip, short of closed. */
export const binds = (overlap: Overlap, overlapping: number, overlapped: number): boolean =>
  !overlap.ahead && overlapping < overlap.zoneM && overlapped < overlapping + overlap.stripM * 1.5;
