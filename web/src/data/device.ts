// Not crypto.randomUUID: a phone reaches the server without TLS, where browsers withhold it.
import { v4 as newId } from "uuid";

const key = "anvilcloud-device";

/** The id of this phone or desk, made once and kept; answers name it, so that its own never contradict one another. */
export function thisDevice(): string {
  const known = localStorage.getItem(key);
  if (known) return known;
  const made = newId();
  localStorage.setItem(key, made);
  return made;
}

/** Who writes a log entry and when, with an id of its own. */
export const stamp = (by: string) => ({ id: newId(), at: new Date().toISOString(), by });
