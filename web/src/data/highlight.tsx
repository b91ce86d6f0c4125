import type { Subject } from "@anvilcloud/core";
import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from "react";

interface Highlight {
  lit: readonly Subject[];
  light: (subjects: readonly Subject[]) => void;
  /** What stays lit while nothing is pointed at. */
  kept: readonly Subject[];
  keep: (subjects: readonly Subject[]) => void;
  /** What happens when a part of the bench is pressed; nothing when left out. */
  pick?: (subject: Subject) => void;
  pickWith: (pick: ((subject: Subject) => void) | undefined) => void;
}

const nothing = () => {};

const Context = createContext<Highlight>({
  lit: [],
  light: nothing,
  kept: [],
  keep: nothing,
  pickWith: nothing,
});

/** Lets a row light its place on the bench, and the other way round; and lets a form ask for a part to be pressed there. */
export function HighlightProvider({ children }: { children: ReactNode }) {
  const [pointed, light] = useState<readonly Subject[]>([]);
  const [kept, keep] = useState<readonly Subject[]>([]);
  const [pick, setPick] = useState<((subject: Subject) => void) | undefined>();
  const pickWith = useCallback((next: typeof pick) => setPick(() => next), []);
  const value = useMemo(
    () => ({ lit: pointed.length ? pointed : kept, light, kept, keep, pick, pickWith }),
    [pointed, kept, pick, pickWith],
  );
  return <Context value={value}>{children}</Context>;
}

export const useHighlight = () => useContext(Context);

/** True when one of the subjects is lit. */
export function isLit(lit: readonly Subject[], subjects: readonly Subject[]): boolean {
  return subjects.some((subject) => lit.some((each) => each.kind === subject.kind && each.id === subject.id));
}

/** Props that make an element light its subjects while pointed at or focused. */
export function useLights(subjects: readonly Subject[]) {
  const { lit, light } = useHighlight();
  return {
    "data-lit": isLit(lit, subjects),
    onPointerEnter: () => light(subjects),
    onPointerLeave: () => light([]),
    onFocus: () => light(subjects),
    onBlur: () => light([]),
  };
}
