/** A number as people read it: at most `digits` decimals, no trailing zeros. */
export function plainNumber(value: number, digits = 1): string {
  const rounded = Number(value.toFixed(digits));
  return Object.is(rounded, -0) ? "0" : String(rounded);
}

/** "1 core", "3 cores". */
export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

/** "a", "a and b", "a, b and c". */
export function listed(items: readonly string[], word: "and" | "or" = "and"): string {
  if (items.length < 2) return items.join("");
  return `${items.slice(0, -1).join(", ")} ${word} ${items[items.length - 1]}`;
}

/** A text with its first letter in upper case. */
export function sentence(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

/** A span with its unit: "12 to 30 V", or "24 V" where both ends are the same. */
export function spanText(from: number, to: number, unit: string): string {
  return `${from === to ? "" : `${plainNumber(from)} to `}${plainNumber(to)} ${unit}`;
}

/** An id made of a name: letters and digits of it, marked as someone's own; `fallback` where it has none. */
export function ownId(name: string, fallback: string): string {
  const words = name
    .normalize("NFKD")
    .toLowerCase()
    .match(/[a-z0-9]+/g);
  return `own-${(words ?? [fallback]).join("-")}`.slice(0, 60).replace(/-+$/, "");
}
