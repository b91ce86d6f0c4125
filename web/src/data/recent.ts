/** Lists of what was used last on this device, by what they hold. */
type Kind = "jobs" | "devices" | "boards";

/** A thing that was used, and what it is called. */
export interface Recent {
  id: string;
  text: string;
}

const most = 8;
const keyOf = (kind: Kind) => `anvilcloud-recent-${kind}`;

const isRecent = (value: unknown): value is Recent =>
  typeof value === "object" &&
  value !== null &&
  typeof (value as Recent).id === "string" &&
  typeof (value as Recent).text === "string";

/** What was used last, the latest first; nothing where the browser keeps nothing. */
export function recent(kind: Kind): Recent[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(kind)) ?? "[]");
    return Array.isArray(kept) ? kept.filter(isRecent).slice(0, most) : [];
  } catch {
    return [];
  }
}

/** Notes that a thing was used. */
export function noteRecent(kind: Kind, used: Recent): void {
  const others = recent(kind).filter(({ id }) => id !== used.id);
  try {
    localStorage.setItem(keyOf(kind), JSON.stringify([used, ...others].slice(0, most)));
  } catch {
    // A browser that keeps nothing forgets it.
  }
}
