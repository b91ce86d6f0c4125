import {
  contactPart,
  jointNode,
  madeRailPart,
  nodeWord,
  partKey,
  pinNode,
  railPart,
  supplyPart,
  terminalNode,
  type Node,
  type PinNode,
} from "../node/index.ts";
import type { Move } from "../job/index.ts";
import type { Core, Sits } from "../wiring/index.ts";
import { nodeKey } from "../node/index.ts";

const pair = (text: string): [string, string] => {
  const [owner = "", id = ""] = text.split("/");
  return [owner, id];
};

/** Keys of parts from a shorthand for one line of a case: "lock/coil", "gate-eye/beam", "converter/out". */
export const supply = (text: string) => partKey(supplyPart(...pair(text)));
export const contact = (text: string) => partKey(contactPart(...pair(text)));
export const made = (text: string) => partKey(madeRailPart(...pair(text)));
export const rail = (id: string) => partKey(railPart(id));

/** A pin from its shorthand, "gate-eye/r-a". */
const pin = (text: string): PinNode => pinNode(...pair(text));

/** A place from a shorthand: a pin "gate-eye/r-a", a connector "joint/J1", anything else a terminal. */
export function node(text: string): Node {
  const [owner, id] = pair(text);
  if (!id) return terminalNode(owner);
  return owner === "joint" ? jointNode(id) : pin(text);
}

/** Where a core goes, in one word: "F3", "J1", "converter/out-plus". */
export const target = ({ to }: Pick<Core, "to">) => nodeWord(to);

/** Cores found on places, by pin: "gate-eye/r-a" to a place's shorthand or "off". */
export const moves = (found: Readonly<Record<string, string>>): Move[] =>
  Object.entries(found).map(([from, to]) => ({ pin: pin(from), to: to === "off" ? to : node(to) }));

/** The same as a bench keeps them. */
export const sits = (found: Readonly<Record<string, string>>): Sits =>
  Object.fromEntries(moves(found).map((move) => [nodeKey(move.pin), { pin: move.pin, seat: move.to }]));
