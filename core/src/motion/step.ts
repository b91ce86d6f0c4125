import { contactForce, edgeMassKg, frictionAt, type Body, type Contact } from "./body.ts";
import type { Push } from "./drive.ts";

/** Where a body stands and how fast it goes: m and m/s, or rad and rad/s. It is changed in place. */
export interface Motion {
  at: number;
  speed: number;
}

/** What pushes a body for one step, beside its own weight, springs and wind. */
export interface Forces {
  drive: (speed: number) => Push;
  /** It cannot be moved at all: its drive is off and holds it. */
  held?: boolean;
  contacts: readonly Contact[];
}

/** Radians of a contact's own swing that one part of a step may take: the peak is then off by under one part in 1 000. */
const swingPerPart = 0.02;

/** How many parts a step is cut into: one in free movement, more while something stiff is pressed or just ahead. */
export function partsOf(body: Body, motion: Motion, contacts: readonly Contact[], seconds: number): number {
  const edge = motion.at * body.arm;
  const reach = Math.abs(motion.speed) * body.arm * seconds;
  let stiffest = 0;
  for (const { at, stops, stiffness } of contacts) {
    const far = stops === "closing" ? edge - at : at - edge;
    if (far <= reach && stiffness > stiffest) stiffest = stiffness;
  }
  if (stiffest === 0) return 1;
  const swing = Math.sqrt(stiffest / edgeMassKg(body)) * seconds;
  return Math.max(1, Math.ceil(swing / swingPerPart));
}

/** Speed after a time under a force that falls with speed: by the trapezoid where that is calm, else by its end, which never swings. */
function afterPush(speed: number, inertia: number, { push, drag }: Push, seconds: number): number {
  const loss = (drag * seconds) / inertia;
  const gain = (push * seconds) / inertia;
  return loss > 1 ? (speed + gain) / (1 + loss) : (speed * (1 - loss / 2) + gain) / (1 + loss / 2);
}

function part(body: Body, motion: Motion, forces: Forces, seconds: number): void {
  const { inertia, arm } = body;
  const half = motion.at + (motion.speed * seconds) / 2;
  const friction = frictionAt(body, half);
  let push = body.pull(half);
  for (const contact of forces.contacts) push += arm * contactForce(contact, half * arm, motion.speed * arm);
  const drive = forces.drive(motion.speed);
  push += drive.push;
  const was = motion.speed;
  let speed: number;
  if (was === 0 && Math.abs(push) <= friction) speed = 0;
  else {
    const against = Math.sign(was === 0 ? push : was) * friction;
    speed = afterPush(was, inertia, { push: push - against, drag: drive.drag }, seconds);
    // Friction stops and never drives: what it would turn round stands still for a moment, and sets off again or not.
    if (was !== 0 && speed * was < 0) speed = 0;
  }
  motion.speed = speed;
  motion.at = half + (speed * seconds) / 2;
}

/**
 * Moves a body on by some seconds: half the way, the change of speed there, the other half. Cut into parts where something
 * stiff is met. A body that is held stands where it is.
 */
export function advance(body: Body, motion: Motion, forces: Forces, seconds: number): void {
  if (forces.held) {
    motion.speed = 0;
    return;
  }
  const parts = partsOf(body, motion, forces.contacts, seconds);
  for (let n = 0; n < parts; n += 1) part(body, motion, forces, seconds / parts);
}
