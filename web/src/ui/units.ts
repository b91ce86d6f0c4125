import { inUnits, metric, type Units } from "@anvilcloud/core";
import { useSyncExternalStore } from "react";

const storageKey = "anvilcloud-units";
const listeners = new Set<() => void>();
let kept: Units | undefined;

function read(): Units {
  try {
    const { system, conductors } = JSON.parse(localStorage.getItem(storageKey) ?? "{}") as Partial<Units>;
    return {
      system: system === "imperial" ? "imperial" : "metric",
      conductors: conductors === "awg" ? "awg" : "mm2",
    };
  } catch {
    return metric;
  }
}

const units = (): Units => (kept ??= read());

/** Has measures shown in other units on this device, at once and from now on. */
export function setUnits(next: Units): void {
  kept = next;
  try {
    localStorage.setItem(storageKey, JSON.stringify(next));
  } catch {
    // A browser that keeps nothing forgets it.
  }
  for (const tell of listeners) tell();
}

function subscribe(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

/** The units measures are shown and written in on this device. */
export const useUnits = (): Units => useSyncExternalStore(subscribe, units);

/** Has sentences of the core say their measures in the units of this device. */
export function useInUnits(): (text: string) => string {
  const now = useUnits();
  return (text) => inUnits(text, now);
}
