import type { Subject } from "@anvilcloud/core";
import { createContext, useContext, type KeyboardEvent } from "react";
import { isLit, useHighlight } from "../data/index.ts";

/** Which part of the bench takes the keyboard; the others are reached from it by arrow keys. */
export const CurrentPart = createContext<string | undefined>(undefined);

/** Parts marked as the ones in hand, whatever is pointed at. */
export const Marked = createContext<readonly Subject[]>([]);

export const partKey = (subject: Subject) => `${subject.kind} ${subject.id}`;

/** Parts that nobody presses or turns: a click on one asks what belongs to it. */
const wired: readonly Subject["kind"][] = ["terminal", "link", "rail"];

/** Props that make a drawn part pointable, focusable and named; `lit` tells that it is pointed at from anywhere. */
export function usePart(subject: Subject, name: string) {
  const { lit, light, pick, kept, keep } = useHighlight();
  const current = useContext(CurrentPart);
  const marked = useContext(Marked);
  const key = partKey(subject);
  return {
    lit: isLit(lit, [subject]) || isLit(marked, [subject]),
    props: {
      role: "img",
      "aria-label": name,
      "data-part": key,
      tabIndex: current === undefined ? undefined : current === key ? 0 : -1,
      onPointerEnter: () => light([subject]),
      onPointerLeave: () => light([]),
      onFocus: () => light([subject]),
      onBlur: () => light([]),
      ...(pick
        ? {
            style: { cursor: "pointer" },
            onClick: () => pick(subject),
            onKeyDown: (event: KeyboardEvent) => {
              if (event.key !== "Enter" && event.key !== " ") return;
              event.preventDefault();
              pick(subject);
            },
          }
        : {
            // A click keeps what is wired lit with all that belongs to it, until the next one.
            onClick: wired.includes(subject.kind)
              ? () => keep(kept.length === 1 && isLit(kept, [subject]) ? [] : [subject])
              : undefined,
            onKeyDown: undefined,
          }),
    },
  };
}
