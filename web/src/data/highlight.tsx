import type { Subject } from "@anvilcloud/core";
import { createContext, useContext, useMemo, useState, type ReactNode } from "react";

interface Highlight {
  lit: readonly Subject[];
  light: (subjects: readonly Subject[]) => void;
}

const Context = createContext<Highlight>({ lit: [], light: () => {} });

/** Lets a row light its place on the bench, and the other way round. */
export function HighlightProvider({ children }: { children: ReactNode }) {
  const [lit, light] = useState<readonly Subject[]>([]);
  const value = useMemo(() => ({ lit, light }), [lit]);
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
