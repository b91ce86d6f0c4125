import type { BoardInput, End } from "../../board/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { contactPart, partKey, type PartKey } from "../../node/index.ts";
import { endsWorked } from "../../state/index.ts";
import type { Brain, Which } from "../brain/index.ts";
import type { Plant, PlantLeaf } from "../plant/index.ts";
import { pulsesTold } from "./asked.ts";
import { situationOf, standing, tripsContact, type Site } from "./site.ts";

/** How a drive finds the ends of its travel. */
export type Limits = NonNullable<DeviceProfile["limits"]>;

/** A contact that a leaf works near one end of its travel. */
export interface EndContact {
  readonly key: PartKey;
  readonly leaf: PlantLeaf;
  readonly end: End;
  /** Met by what passes it: a magnet; a cam is pressed from there on. */
  readonly passes: boolean;
  /** How far it has slipped from where it was set, part of the travel; positive lets the leaf go further. */
  slipped: number;
  worked: boolean;
}

/** Parts of the travel; assumed. */
const parts = {
  /** Before its end a leaf meets its limit. */
  before: 0.001,
  /** A magnet is felt for as long, to either side. */
  felt: 0.012,
};

/** The contacts that the leaves of a plant work at their ends. */
export const endContacts = ({ at }: Site, plant: Plant): EndContact[] =>
  Object.values(plant.leaves).flatMap((leaf) => {
    const profile = at.devices.find(({ id }) => id === leaf.device)?.profile;
    return (profile?.contacts ?? []).flatMap(({ id, duty }) =>
      (endsWorked[duty] ?? []).map((end): EndContact => ({
        key: partKey(contactPart(leaf.device, id)),
        ...{ leaf, end },
        passes: profile?.limits === "magnets",
        slipped: 0,
        worked: false,
      })),
    );
  });

/** True where a leaf works its contact where it stands. */
function isWorked({ leaf, end, passes, slipped }: EndContact): boolean {
  const part = leaf.motion.at / leaf.body.travel;
  const short = (end === "open" ? 1 - part : part) + slipped;
  return short <= parts.before && (!passes || short > parts.before - parts.felt);
}

/** Contacts at the ends follow their leaves. */
export function worksEnds(site: Site, contacts: readonly EndContact[]): void {
  for (const contact of contacts) {
    const worked = isWorked(contact);
    if (worked === contact.worked) continue;
    contact.worked = worked;
    tripsContact(site, contact.key, worked);
  }
}

/** How far from its end a drive with limits of its own is cut off, part of the travel. */
export const cutOff = parts.before;

/** The input that tells a board that a leaf is at an end, by a core for each or by one for both; undefined where none does. */
export function endInput({ board, leaves }: Brain, which: Which, end: End | "both"): BoardInput | undefined {
  const called = which === "second" ? "overlapped" : leaves > 1 ? "overlapping" : "only";
  const own = board.inputs.filter(
    ({ leaves: of, takes }) => takes.length > 0 && (!of || of.includes(called)),
  );
  const both = own.find(({ takes }) => takes.includes("limits"));
  if (end === "both") return both;
  const named = end === "open" ? "limit-open" : "limit-closed";
  // Where both share a core, the one that could be either is for both.
  const other = end === "open" ? "limit-closed" : "limit-open";
  const each = own.find(({ takes }) => takes.includes(named));
  return each && own.some(({ takes }) => takes.includes(other) && !takes.includes(named))
    ? each
    : (both ?? each);
}

/** True where the pulses of a leaf's encoder reach the board, or are counted without a core of their own. */
export function pulsesReach(site: Site, brain: Brain, { device }: PlantLeaf): boolean {
  const situation = situationOf(brain);
  const reach = pulsesTold(site.at, site.celsius, device, situation);
  site.heard?.({ ...standing(site), what: "pulses", device, situation }, `${reach}`);
  return reach;
}
