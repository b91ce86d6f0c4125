import type { BoardProfile, ContactDuty, End } from "../board/index.ts";
import { circuitSettings, type BoardSet, type Installation, type Wire } from "../circuit/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { contactPart, nodeKey, nodeWord, partKey, pinNode, type PartKey } from "../node/index.ts";
import { seated, seatOf, type Core, type WiringPlan } from "../wiring/index.ts";
import type { BenchState } from "./bench.ts";

/** Cores as they sit: where they were found, else where the plan has them once they are landed. */
export function wiresOf(
  { cores }: Pick<WiringPlan, "cores">,
  { landed, sits }: Pick<BenchState, "landed" | "sits">,
): Core[] {
  const onTerminals = new Set(landed);
  return cores.flatMap((core) => {
    const found = seatOf(sits, core.from);
    if (found === undefined) return onTerminals.has(core.id) ? [core] : [];
    return found === "off" ? [] : [seated(core, found)];
  });
}

/** Cores that were found on pins for which nothing is planned. */
function unplannedWires(
  { devices, cores }: Pick<WiringPlan, "devices" | "cores">,
  { sits }: BenchState,
): Wire[] {
  const found = Object.entries(sits);
  if (!found.length) return [];
  const planned = new Set<string>(cores.map((core) => nodeKey(core.from)));
  const pins = new Set<string>(
    devices.flatMap(({ id, profile }) => profile.pins.map((pin) => nodeKey(pinNode(id, pin.id)))),
  );
  return found.flatMap(([key, { pin, seat }]): Wire[] =>
    seat === "off" || planned.has(key) || !pins.has(key)
      ? []
      : [{ id: `${nodeWord(pin)}>${nodeWord(seat)}`, from: pin, to: seat }],
  );
}

/** What was worked out for positions in force, by them: most steps leave them as they are. */
const known = new WeakMap<BenchState["inForce"], { board: BoardProfile; set: BoardSet }>();

/** What the settings in force make of the circuit. */
export function boardSet(board: BoardProfile, inForce: BenchState["inForce"]): BoardSet {
  const before = known.get(inForce);
  if (before?.board === board) return before.set;
  const given = behavioursAt(board, inForce);
  const ids = circuitSettings(board);
  const set = Object.fromEntries(ids.flatMap((id) => (given[id] === undefined ? [] : [[id, given[id]]])));
  known.set(inForce, { board, set });
  return set;
}

/** At which ends of its travel a leaf works a contact, by what the contact is there for. */
export const endsWorked: Partial<Record<ContactDuty, readonly End[]>> = {
  "limit-open": ["open"],
  "limit-closed": ["closed"],
  limits: ["open", "closed"],
};

/** Contacts that the leaves work where they were last seen; where nobody has seen them they are taken for closed. */
function workedByLeaves(
  { devices }: Pick<WiringPlan, "devices">,
  { leaf = "closed" }: BenchState,
): PartKey[] {
  return devices.flatMap(({ id, profile }) =>
    profile.contacts.flatMap((contact) =>
      endsWorked[contact.duty]?.some((end) => end === leaf) ? [partKey(contactPart(id, contact.id))] : [],
    ),
  );
}

/** The circuit of a state: its cores, links and tripped contacts, and what the settings in force make of it. */
export function installationOf(
  board: BoardProfile,
  wiring: Pick<WiringPlan, "devices" | "cores">,
  state: BenchState,
): Installation {
  return {
    board,
    devices: wiring.devices,
    wires: [...wiresOf(wiring, state), ...unplannedWires(wiring, state)],
    linksIn: new Set(Object.keys(state.links).filter((id) => state.links[id] === "in")),
    tripped: new Set([...state.tripped, ...workedByLeaves(wiring, state)]),
    powered: state.powered,
    set: boardSet(board, state.inForce),
  };
}
