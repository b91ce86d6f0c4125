import type { BoardProfile } from "../board/index.ts";
import { draftedLeaves } from "./assumed.ts";
import { presetWishes, type Preset } from "./preset.ts";
import type { Job, Leaf } from "./schema.ts";
import { leavesLike } from "./site.ts";

/**
 * What is wanted unless someone says otherwise, and why: common practice of the trade, no published source. The board's
 * own values stand for the rest.
 */
export const customaryStarts: Preset["wishes"] = {
  "automatic-closing": { value: false, why: "It closes on command only, until its closing is guarded." },
  "photocell-reaction": { value: "closing", why: "A beam broken while it opens stops nobody." },
  "command-logic": { value: "open-stop-close-stop", why: "The same button stops it." },
  force: { value: 50, why: "The first run begins in the middle of the range and is trimmed." },
  "force-opening": { value: 50, why: "The first run begins in the middle of the range and is trimmed." },
  "force-closing": { value: 50, why: "The first run begins in the middle of the range and is trimmed." },
  "leaf-delay-closing": { value: 3, why: "The overlapping leaf arrives last by about 3 s." },
};

/** An ordinary leaf for what the board is made for; sizes are assumed until someone measures. */
function draftLeaf(board: BoardProfile): Leaf {
  const leaf = { id: "only", infill: "open", stopOpen: true, stopClosed: true } as const;
  switch (board.purpose) {
    case "swing-gate":
    case "radio":
      return { ...leaf, widthMm: 1_800, heightMm: 1_700, massKg: 120, openingDegrees: 90 };
    case "sliding-gate":
      return { ...leaf, widthMm: 4_000, heightMm: 1_800, massKg: 350, travelMm: 3_800 };
    case "industrial-door":
    case "rolling-grille":
      return { ...leaf, widthMm: 4_000, heightMm: 4_000, massKg: 250, travelMm: 3_900 };
    case "pedestrian-door":
      return { ...leaf, widthMm: 1_000, heightMm: 2_200, massKg: 80, travelMm: 900, infill: "solid" };
    case "rooflight":
    case "window":
      return { ...leaf, widthMm: 1_000, heightMm: 800, massKg: 20, travelMm: 400, infill: "solid" };
  }
}

/** How many leaves are assumed: a pair where the board drives two, unless a new board takes itself to drive one. */
const draftLeaves = (board: BoardProfile): 1 | 2 =>
  board.leaves > 1 && board.delivered?.leaves !== 1 ? 2 : 1;

/** A new job for a board: one pair of ordinary leaves, nothing chosen that could not be changed, nothing found yet. */
export function draftJob(id: string, title: string, customer: string, board: BoardProfile): Job {
  const leaves = leavesLike(draftLeaf(board), draftLeaves(board));
  return {
    id,
    title,
    site: { customer, address: "", town: "" },
    installer: "",
    assumed: draftedLeaves(leaves),
    survey: {
      leaves,
      users: "trained-private",
      inSight: true,
      breaker: "",
      notes: "",
      serviceMonths: 12,
    },
    wishes: presetWishes(board, { wishes: customaryStarts }),
    board: { id: board.id, revision: board.revision },
    proof: "before",
    devices: [],
    found: { noted: false, firmware: "", links: {}, switches: {}, dials: {}, values: {} },
  };
}
