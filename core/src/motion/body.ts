/**
 * One thing that moves, as one coordinate: 0 where it is closed, `travel` where it is open. What slides, lifts or is pushed
 * is measured in metres along its way, what turns about a hinge in radians.
 */
export interface Body {
  /** m, or rad. */
  travel: number;
  /** What resists being set moving: kg, or kg·m² about the hinge. */
  inertia: number;
  /** Way of the closing edge for one unit of the coordinate, m: 1 of what slides, the width of what turns. */
  arm: number;
  /** What weight, springs, slope and wind do where it stands, N or N·m; positive opens. */
  pull: (at: number) => number;
  /** Dry friction of hinges, rollers or guides, N or N·m, whichever way it goes; as much holds it at rest. */
  friction: number;
  /** A stretch of its way on which it rubs besides: a bent leaf, a stone on a track. */
  rubs?: { from: number; to: number; friction: number };
}

/** Dry friction where a body stands, N or N·m. */
export const frictionAt = ({ friction, rubs }: Pick<Body, "friction" | "rubs">, at: number): number =>
  rubs && at > rubs.from && at < rubs.to ? friction + rubs.friction : friction;

/** What stands at the ends of the travel, and in its way. */
export interface Contact {
  /** Where it is met, m of the edge's way. */
  at: number;
  /** Met by what closes, or by what opens. */
  stops: "closing" | "opening";
  /** N/m at the edge. */
  stiffness: number;
  /** N·s/m at the edge, while it is pressed. */
  damping: number;
}

/** Standard gravity, m/s² (ISO 80000-3). */
export const gravity = 9.80665;

/** Density of air for wind, kg/m³ (EN 1991-1-4, from memory). */
const airDensity = 1.25;

/** Pressure of a wind that blows straight at a surface, Pa. */
export const windPascals = (metresPerSecond: number): number =>
  (airDensity * metresPerSecond * metresPerSecond) / 2;

/** Kinetic energy, J. */
export const kineticJoules = ({ inertia }: Pick<Body, "inertia">, speed: number): number =>
  (inertia * speed * speed) / 2;

/** Mass that an obstacle at the closing edge feels, kg. */
export const edgeMassKg = ({ inertia, arm }: Pick<Body, "inertia" | "arm">): number => inertia / (arm * arm);

/** What a contact does to the edge at a place and a speed, N; positive opens, nothing while it is not touched. */
export function contactForce(
  { at, stops, stiffness, damping }: Contact,
  edge: number,
  speed: number,
): number {
  const pressed = stops === "closing" ? at - edge : edge - at;
  if (pressed <= 0) return 0;
  const inward = stops === "closing" ? -speed : speed;
  // It pushes and never pulls: a damped buffer lets go of what leaves it quickly.
  const force = Math.max(0, stiffness * pressed + damping * inward);
  return stops === "closing" ? force : -force;
}
