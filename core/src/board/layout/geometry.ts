export interface Point {
  x: number;
  y: number;
}

export interface Box extends Point {
  width: number;
  height: number;
}

/** True when the two boxes share more than an edge. */
export function overlaps(a: Box, b: Box): boolean {
  const slack = 1e-6;
  return (
    a.x + a.width > b.x + slack &&
    b.x + b.width > a.x + slack &&
    a.y + a.height > b.y + slack &&
    b.y + b.height > a.y + slack
  );
}

/** True when the box lies wholly on a face of this size. */
export function liesOn(box: Box, face: { width: number; height: number }): boolean {
  const slack = 1e-6;
  return (
    box.x >= -slack &&
    box.y >= -slack &&
    box.x + box.width <= face.width + slack &&
    box.y + box.height <= face.height + slack
  );
}

/** Width of a character as a part of its size, by its kind: a little over what the shipped typeface needs in bold. */
function characterWidth(character: string): number {
  if (/[WM%@▲▼◀▶←↑→↓●]/u.test(character)) return 0.88;
  if (/[\p{Lu}\p{S}]/u.test(character)) return 0.66;
  if (/[iljft.,:;'|! ]/.test(character)) return 0.36;
  return 0.6;
}

/** Width of a text at size 1. */
const relativeWidth = (text: string): number =>
  [...text].reduce((sum, character) => sum + characterWidth(character), 0);

/** Width a text takes at a size, mm; estimated on the safe side, as nothing here can measure one. */
export function textWidth(text: string, size: number): number {
  return size * relativeWidth(text);
}

/** The size, at most `most`, at which a text fits a width; never under `least`. */
export function sizeToFit(text: string, width: number, most: number, least = 1.6): number {
  return Math.max(least, Math.min(most, width / Math.max(0.5, relativeWidth(text))));
}
