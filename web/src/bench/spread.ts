/** Spreads wanted places along a line so that neighbours keep their distance, near where they want to be. */
export function spread(wanted: readonly number[], pitch: number, from: number, to: number): number[] {
  const order = wanted.map((_, at) => at).sort((a, b) => wanted[a]! - wanted[b]!);
  const placed: number[] = [];
  let last = from - pitch;
  for (const at of order) {
    last = Math.max(wanted[at]!, last + pitch);
    placed[at] = last;
  }
  let next = to + pitch;
  for (const at of [...order].reverse()) {
    next = Math.min(placed[at]!, next - pitch);
    placed[at] = next;
  }
  return placed;
}
