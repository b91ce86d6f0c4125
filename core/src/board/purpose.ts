import type { BoardProfile, Purpose } from "./schema/index.ts";

/** What each purpose is called, and what is said of the thing that moves. */
const words: Record<Purpose, { label: string; thing: string }> = {
  "swing-gate": { label: "Swing gate", thing: "gate" },
  "sliding-gate": { label: "Sliding gate", thing: "gate" },
  "industrial-door": { label: "Industrial door", thing: "door" },
  "rolling-grille": { label: "Rolling grille", thing: "grille" },
  "pedestrian-door": { label: "Pedestrian sliding door", thing: "door" },
  rooflight: { label: "Rooflights", thing: "rooflight" },
  window: { label: "Window", thing: "window" },
  radio: { label: "Radio of a solar gate", thing: "gate" },
};

/** "Sliding gate", "Rooflights". */
export const purposeLabel = (purpose: Purpose): string => words[purpose].label;

/** What moves, in one word: gate, door, grille, rooflight, window. */
export const movingThing = (board: BoardProfile): string => words[board.purpose].thing;
