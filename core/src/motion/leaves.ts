import { cosine, sine } from "../quantity/index.ts";
import { gravity, windPascals, type Body } from "./body.ts";

/** What the site does to a leaf. */
export interface Site {
  /** Speed of the wind that blows straight at the closed leaf, m/s; positive pushes it open. */
  windMetresPerSecond?: number;
  /** Rise of the way toward open, or of the hinge line's lean, as a part: 0.02 is two in a hundred. */
  slope?: number;
  /** Friction beside that of a leaf in good order: 1 left out, 4 of a dry hinge. */
  wear?: number;
  /** Part of the weight that a lifting door's springs carry: 1 in balance. */
  springs?: number;
}

interface Size {
  widthM: number;
  heightM: number;
  massKg: number;
}

/** Part of an area that stands against the wind. */
export const solidity = { solid: 1, open: 0.25 } as const;

/** Friction of a leaf in good order as a part of its weight: hinges at their pin, rollers on a track; assumed. */
const rolling = 0.012;
const hinge = { part: 0.12, pinM: 0.012 };

const slopeSine = (slope: number) => slope / Math.sqrt(1 + slope * slope);

/**
 * A leaf hinged at its side, uniform: I = m·w²/3. Wind pushes it at half its width with q·h·w²/2 where it stands across, and
 * with what of it stands across as it turns; a hinge line that leans makes it climb toward open.
 */
export function swingLeaf(
  { widthM, heightM, massKg }: Size,
  { travel, infill = "open" }: { travel: number; infill?: keyof typeof solidity },
  { windMetresPerSecond = 0, slope = 0, wear = 1 }: Site = {},
): Body {
  const wind =
    Math.sign(windMetresPerSecond) *
    windPascals(windMetresPerSecond) *
    solidity[infill] *
    heightM *
    ((widthM * widthM) / 2);
  const lean = massKg * gravity * (widthM / 2) * slopeSine(slope);
  return {
    travel,
    inertia: (massKg * widthM * widthM) / 3,
    arm: widthM,
    pull: (at) => {
      const across = wind === 0 ? 0 : cosine(at);
      return wind * across * Math.abs(across) - (lean === 0 ? 0 : lean * cosine(at));
    },
    // Two hinges carry the weight, and hold the leaf's overhang of half a width over its height.
    friction: wear * hinge.part * hinge.pinM * massKg * gravity * (1 + widthM / heightM),
  };
}

/** A leaf that slides along its way on rollers; wind across it loads its guides. */
export function slidingLeaf(
  { widthM, heightM, massKg }: Size,
  { travel, infill = "open" }: { travel: number; infill?: keyof typeof solidity },
  { windMetresPerSecond = 0, slope = 0, wear = 1 }: Site = {},
): Body {
  const along = massKg * gravity * slopeSine(slope);
  const across = windPascals(windMetresPerSecond) * solidity[infill] * widthM * heightM;
  return {
    travel,
    inertia: massKg,
    arm: 1,
    pull: () => -along,
    friction: wear * rolling * (massKg * gravity + across),
  };
}

/** Two leaves that part on one belt: one coordinate, both masses; on a slope what one climbs the other descends. */
export const partingPair = (size: Size, way: { travel: number }, site: Site = {}): Body =>
  slidingLeaf({ ...size, massKg: 2 * size.massKg }, way, { ...site, slope: 0 });

/**
 * What lifts off the ground onto a track or a drum, with springs: what still hangs grows lighter as it rises, and the
 * springs, wound off, with it. In balance they carry all of it everywhere; a grille without springs carries nothing.
 */
export function liftingLeaf(
  { massKg }: Pick<Size, "massKg">,
  { travel }: { travel: number },
  { springs = 1, wear = 1 }: Site = {},
): Body {
  return {
    travel,
    inertia: massKg,
    arm: 1,
    pull: (at) => -massKg * gravity * (1 - Math.min(1, Math.max(0, at / travel))) * (1 - springs),
    friction: wear * rolling * 2 * massKg * gravity,
  };
}

/**
 * A rooflight or window hinged at its upper edge and pushed out at its lower one by a chain: the coordinate is the chain's
 * stroke. Its weight closes it, by less the further it opens; `pitch` is the roof's, 0 of a wall.
 */
export function pushedSash(
  { heightM, massKg }: Pick<Size, "heightM" | "massKg">,
  { travel, pitch = 0 }: { travel: number; pitch?: number },
  { wear = 1 }: Site = {},
): Body {
  const weight = (massKg * gravity) / 2;
  return {
    travel,
    // A uniform sash hinged at its edge acts on the chain as a third of its mass.
    inertia: massKg / 3,
    arm: 1,
    // The stroke is the way of the lower edge: an angle of stroke over height.
    pull: (at) => -weight * sine(pitch + at / heightM),
    friction: wear * rolling * massKg * gravity,
  };
}
