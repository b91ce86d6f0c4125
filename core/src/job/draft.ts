import type { BoardProfile } from "../board/index.ts";
import type { Job } from "./schema.ts";

/** A new job for a board: one pair of ordinary leaves, nothing chosen that could not be changed, nothing found yet. */
export function draftJob(id: string, title: string, customer: string, board: BoardProfile): Job {
  const leaf = { widthMm: 1_800, heightMm: 1_700, massKg: 120, infill: "open", openingDegrees: 90 } as const;
  const stops = { stopOpen: true, stopClosed: true };
  return {
    id,
    title,
    site: { customer, address: "", town: "" },
    installer: "",
    survey: {
      leaves:
        board.leaves > 1
          ? [
              { id: "overlapping", ...leaf, ...stops },
              { id: "overlapped", ...leaf, ...stops },
            ]
          : [{ id: "only", ...leaf, ...stops }],
      users: "trained-private",
      inSight: true,
      breaker: "",
      notes: "",
      serviceMonths: 12,
    },
    wishes: { "automatic-closing": false, "photocell-reaction": "closing", "command-logic": "step-by-step" },
    board: { id: board.id, revision: board.revision },
    devices: [],
    found: { noted: false, firmware: "", links: {}, switches: {}, dials: {} },
  };
}
