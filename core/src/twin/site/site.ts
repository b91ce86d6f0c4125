import type { Installation, Measured, Moment, Situation } from "../../circuit/index.ts";
import { canTest, measureCircuit, soughtOhms } from "../../circuit/index.ts";
import type { PartKey } from "../../node/index.ts";
import { boardSet, type Planned } from "../../state/index.ts";
import { asPlanned, type Sits } from "../../wiring/index.ts";
import { placeOf, setTripped, type Brain } from "../brain/index.ts";
import { saidBy, testOpens, withContacts, type Asked, type Standing } from "./asked.ts";

/** What a twin is made of beside its board: the job as it is read on its site, and its wiring. */
export type Planning = Pick<Planned, "bundle" | "wiring">;

/** The wires of a running installation: what they bring to the inputs, and to the drives. */
export interface Site {
  readonly planning: Planning;
  /** As it is truly wired, with whatever is wrong with it. */
  wired: Installation;
  /** The same with the contacts as they are just now; replaced where anything of it changes. */
  at: Installation;
  /** Where cores sit that do not sit where they are planned. */
  sits: Sits;
  /** Contacts that are worked just now; and those that stay as they are, whatever works them. */
  readonly tripped: Set<PartKey>;
  stuck: ReadonlyMap<PartKey, boolean>;
  /** What feeds the board, beside what is planned. */
  feeds: { volts: number; turned: boolean };
  /** The board sleeps: rails that live while it is awake are dead, and it looks at nothing but what wakes it. */
  asleep: boolean;
  /** Temperature of every core, °C. */
  celsius: number;
  /** Inputs that someone keeps, as the twin begins, otherwise than their circuit has them. */
  readonly against: Set<string>;
  /** Inputs that someone works at their terminal. */
  readonly worked: Set<string>;
  /** What the circuit was measured for last, and what came of it. */
  of: { at?: Installation; situation?: Situation; inForce?: Brain["inForce"] };
  measured: Measured;
  /** Bumped with each new measurement, for what is worked out of it. */
  measurements: number;
  /** Whoever listens to what the board asks of its circuit, and what that says. */
  heard?: (asked: Asked, said: string) => void;
}

/** Before anything was measured. */
const nothing: Measured = { inputs: {}, supplies: {}, rails: {}, unsolved: [] };

/** Nothing wrong with what feeds a board: the volts it is made for, its phases in order. */
const soundFeeds: Site["feeds"] = { volts: 1, turned: false };

/** The wires of a job: as they are planned, or as `at` has them, with cores where they were found. */
export function siteOf(planning: Planning, at?: Installation, sits: Sits = {}): Site {
  const wired = at ?? asPlanned(planning.bundle.board, planning.wiring);
  return {
    planning,
    wired,
    at: wired,
    sits,
    tripped: new Set(wired.tripped),
    stuck: new Map(),
    feeds: soundFeeds,
    against: new Set(),
    worked: new Set(),
    asleep: false,
    celsius: 20,
    of: {},
    measured: nothing,
    measurements: 0,
  };
}

/** What goes on at the board, as its rails follow it. */
export function situationOf(brain: Brain, asleep = false): Situation {
  const { run, mains } = brain;
  if (run) return run.toward === "open" ? "opening" : "closing";
  if (asleep) return "idle";
  if (!mains) return "battery";
  return placeOf(brain) === "open" && brain.leaves > 0 ? "open" : "awake";
}

const momentOf = (site: Site, situation: Situation): Moment => ({ situation, celsius: site.celsius });

/** How contacts and board stand just now, whatever is wired. */
export function standing({ tripped, at, celsius }: Site): Standing {
  const { powered, withoutMains = false, set = {} } = at;
  return { tripped: new Set(tripped), powered, withoutMains, set, celsius };
}

/** True where the circuit, and whoever works it, has an input read otherwise than at rest. */
function readsTripped(site: Site, input: Brain["board"]["inputs"][number]): boolean {
  const closed = site.measured.inputs[input.id]?.closed ?? false;
  const tripped = closed !== (input.contact === "closed");
  return site.worked.has(input.id) !== (site.against.has(input.id) !== tripped);
}

/** Measures the circuit anew where it, what goes on, or a setting is another than before; true where it was. */
function measures(site: Site, brain: Brain): boolean {
  const situation = situationOf(brain, site.asleep);
  const { of } = site;
  if (brain.power !== site.at.powered || !brain.mains !== (site.at.withoutMains ?? false))
    site.at = { ...site.at, powered: brain.power, withoutMains: !brain.mains };
  if (of.inForce !== brain.inForce) site.at = { ...site.at, set: boardSet(brain.board, brain.inForce) };
  if (of.at === site.at && of.situation === situation) return false;
  site.of = { at: site.at, situation, inForce: brain.inForce };
  site.measured = measureCircuit(site.at, momentOf(site, situation));
  site.measurements += 1;
  site.heard?.({ ...standing(site), situation, what: "readings" }, saidBy(site.at, site.measured));
  return true;
}

/** Rounds in which a board and its circuit answer one another: what trips stops, what stops lets a rail go dead. */
const mostRounds = 4;

/** The board reads its inputs, where anything changed that they are read by. */
export function readsInputs(site: Site, brain: Brain): void {
  for (let round = 0; round < mostRounds && measures(site, brain); round += 1)
    if (brain.power)
      for (const input of brain.board.inputs)
        // Asleep it looks at what wakes it, and at no protection.
        if (!site.asleep || !input.guards.length) setTripped(brain, input.id, readsTripped(site, input));
}

/** As it begins: inputs that the board has otherwise than the circuit are worked by someone. */
export function beginsWith(site: Site, brain: Brain, sensed: (input: string) => boolean): void {
  measures(site, brain);
  if (!brain.power) return;
  for (const input of brain.board.inputs)
    if (!sensed(input.id) && readsTripped(site, input) !== brain.tripped.has(input.id))
      site.against.add(input.id);
  for (const input of brain.board.inputs)
    brain.tripped[readsTripped(site, input) ? "add" : "delete"](input.id);
}

/** A contact is tripped, or let go. */
export function tripsContact(site: Site, contact: PartKey, tripped: boolean): void {
  if (site.tripped.has(contact) === tripped) return;
  site.tripped[tripped ? "add" : "delete"](contact);
  if (!site.stuck.has(contact)) takesWires(site);
}

/** The circuit as it is truly wired, with contacts as they are worked, or stuck, and as the board stands. */
export function takesWires(site: Site): void {
  const { celsius: _, ...stands } = standing(site);
  site.at = withContacts(site, stands);
}

/** An input is worked at its terminal, or let go. */
export function worksInput(site: Site, input: string, worked: boolean): void {
  if (site.worked.has(input) === worked) return;
  site.worked[worked ? "add" : "delete"](input);
  site.at = { ...site.at };
}

/** True where an input opens as its tested supply is taken away, or as its test line tells its device to. */
export function opensWhenTested(site: Site, brain: Brain, id: string): boolean {
  const input = brain.board.inputs.find((each) => each.id === id);
  if (input?.test === undefined) return true;
  // What someone keeps or works by hand is no matter of its circuit.
  if (site.against.has(id) || site.worked.has(id)) return true;
  if (!canTest(input, site.at.set)) return true;
  // An end resistor is watched all the time: where it is found there is nothing to take away.
  if (soughtOhms(input, site.at.set) !== undefined) return !readsTripped(site, input);
  const opens = testOpens(site.at, site.celsius, input);
  site.heard?.({ ...standing(site), what: "test", input: id }, `${opens}`);
  return opens;
}
