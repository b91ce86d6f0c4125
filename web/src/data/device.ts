const key = "anvilcloud-device";

/** The id of this phone or desk, made once and kept; answers name it, so that its own never contradict one another. */
export function thisDevice(): string {
  const known = localStorage.getItem(key);
  if (known) return known;
  const made = crypto.randomUUID();
  localStorage.setItem(key, made);
  return made;
}

/** Who writes a log entry and when, with an id of its own. */
export const stamp = (by: string) => ({ id: crypto.randomUUID(), at: new Date().toISOString(), by });
