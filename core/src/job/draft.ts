import type { BoardProfile } from "../board/index.ts";
import type { Job, Leaf } from "./schema.ts";
import { leavesLike } from "./site.ts";

/**
 * What is wanted unless someone says otherwise: closing only on command; for the first run force in the middle of its
 * range, and the follower 3 s behind on closing (both common practice of the trade, no published source).
 */
const customary: Job["wishes"] = {
  "automatic-closing": false,
  "photocell-reaction": "closing",
  "command-logic": "step-by-step",
  force: 50,
  "leaf-delay-closing": 3,
};

/** The customary wishes that some control of the board can set. */
function settableWishes(board: BoardProfile): Job["wishes"] {
  const parts = [
    ...board.settings.flatMap((setting) => setting.rows),
    ...board.dials.flatMap((dial) => dial.zones),
  ];
  return Object.fromEntries(
    Object.entries(customary).filter(([id]) => parts.some((part) => Object.hasOwn(part.sets, id))),
  );
}

/** A new job for a board: one pair of ordinary leaves, nothing chosen that could not be changed, nothing found yet. */
export function draftJob(id: string, title: string, customer: string, board: BoardProfile): Job {
  const leaf: Leaf = {
    id: "only",
    widthMm: 1_800,
    heightMm: 1_700,
    massKg: 120,
    infill: "open",
    openingDegrees: 90,
    stopOpen: true,
    stopClosed: true,
  };
  return {
    id,
    title,
    site: { customer, address: "", town: "" },
    installer: "",
    survey: {
      leaves: leavesLike(leaf, board.leaves > 1 ? 2 : 1),
      users: "trained-private",
      inSight: true,
      breaker: "",
      notes: "",
      serviceMonths: 12,
    },
    wishes: settableWishes(board),
    board: { id: board.id, revision: board.revision },
    devices: [],
    found: { noted: false, firmware: "", links: {}, switches: {}, dials: {} },
  };
}
