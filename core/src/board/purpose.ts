import type { BoardProfile, Purpose } from "./schema/index.ts";

/** A slot by its label, which may say already that it is one: "slot B", "SLOT 1". */
export const slotName = (label: string): string => (/^(slot|card)\b/i.test(label) ? label : `slot ${label}`);

/** What a leaf does once its drive lets go of it, and what to be careful of. Common practice, no published source. */
const swings = "A released leaf swings by itself on a slope or in wind. Hold it.";
const runs = "A released leaf runs by itself on a slope or in wind. Hold it.";
const drops = "What is released drops where no spring or counterweight carries it. Nobody stands under it.";
const falls = "A released sash falls shut by its own weight, or the wind throws it open. Hold it.";

/** What each purpose is called, what is said of the thing that moves, and what it does once it is released. */
const words: Record<Purpose, { label: string; thing: string; released: string }> = {
  "swing-gate": { label: "Swing gate", thing: "gate", released: swings },
  "sliding-gate": { label: "Sliding gate", thing: "gate", released: runs },
  "industrial-door": { label: "Industrial door", thing: "door", released: drops },
  "rolling-grille": { label: "Rolling grille", thing: "grille", released: drops },
  "pedestrian-door": { label: "Pedestrian sliding door", thing: "door", released: runs },
  rooflight: { label: "Rooflights", thing: "rooflight", released: falls },
  window: { label: "Window", thing: "window", released: falls },
  radio: { label: "Radio of a solar gate", thing: "gate", released: swings },
};

/** What leaves are called: of a swing pair one lies over the other, rooflights move in groups. */
const leafNames = {
  swing: { only: "leaf", overlapping: "overlapping leaf", overlapped: "overlapped leaf" },
  sliding: { only: "leaf", overlapping: "first leaf", overlapped: "second leaf" },
  groups: { only: "group", overlapping: "group 1", overlapped: "group 2" },
} as const;

/** What a leaf is called on this board: "overlapping leaf", "group 1". */
export function leafName(
  { purpose }: Pick<BoardProfile, "purpose">,
  id: keyof typeof leafNames.swing,
): string {
  const kind =
    purpose === "rooflight"
      ? "groups"
      : purpose === "swing-gate" || purpose === "radio"
        ? "swing"
        : "sliding";
  return leafNames[kind][id];
}

/** The same with its article, where it takes one: "the overlapping leaf", "group 1". */
export function theLeaf(board: Pick<BoardProfile, "purpose">, id: keyof typeof leafNames.swing): string {
  const name = leafName(board, id);
  return board.purpose === "rooflight" && id !== "only" ? name : `the ${name}`;
}

/** What those that move are called together: leaves, or groups of rooflights. */
export const leafWords = ({ purpose }: Pick<BoardProfile, "purpose">): { one: string; many: string } =>
  purpose === "rooflight" ? { one: "group", many: "groups" } : { one: "leaf", many: "leaves" };

/** "Sliding gate", "Rooflights". */
export const purposeLabel = (purpose: Purpose): string => words[purpose].label;

/** True where a leaf swings, so that its travel is an angle; any other travels a length. A radio serves swing gates. */
export const opensByAngle = (board: BoardProfile): boolean =>
  board.purpose === "swing-gate" || board.purpose === "radio";

/** What to be careful of when a leaf is released from its drive. */
export const releasedCaution = (board: BoardProfile): string => words[board.purpose].released;

/** What moves, in one word: gate, door, grille, rooflight, window. */
export const movingThing = (board: BoardProfile): string => words[board.purpose].thing;
