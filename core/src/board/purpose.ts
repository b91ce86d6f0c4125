import type { BoardProfile, Purpose } from "./schema/index.ts";

/** A slot by its label, which may say already that it is one: "slot B", "SLOT 1". */
export const slotName = (label: string): string => (/^(slot|card)\b/i.test(label) ? label : `slot ${label}`);

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

/** What moves, in one word: gate, door, grille, rooflight, window. */
export const movingThing = (board: BoardProfile): string => words[board.purpose].thing;
