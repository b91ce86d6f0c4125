import { layoutOf, type BoardProfile, type PlacedPart } from "@anvilcloud/core";

/** Where a part is drawn. Every part of a profile has its place in the layout. */
export function placed(board: BoardProfile, kind: PlacedPart["kind"], id: string): PlacedPart {
  const part = layoutOf(board).parts.find((each) => each.kind === kind && each.id === id);
  if (!part) throw new Error(`no place for ${kind} ${id}`);
  return part;
}
