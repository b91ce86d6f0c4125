import { clockBeside, clockNear, type Dial } from "@anvilcloud/core";
import { createContext, type KeyboardEvent, type PointerEvent } from "react";

/** What happens when a dial of the bench is turned by hand; nothing when left out. */
export const TurnDial = createContext<((dial: string, clock: string) => void) | undefined>(undefined);

/** Where the pointer stands from the middle of a dial, degrees clockwise from 12. */
function angleAt(event: PointerEvent<SVGGElement>): number {
  // The knob is drawn around its own origin.
  const middle = event.currentTarget.getScreenCTM();
  const [x, y] = [event.clientX - (middle?.e ?? 0), event.clientY - (middle?.f ?? 0)];
  return ((Math.atan2(x, -y) * 180) / Math.PI + 360) % 360;
}

/** Props that let a dial's knob be dragged to a position, and turned by plus and minus. */
export function turnProps(
  dial: Dial,
  clock: string,
  turn: ((dial: string, clock: string) => void) | undefined,
) {
  if (!turn) return { knob: {}, keys: () => {} };
  const drag = (event: PointerEvent<SVGGElement>) => turn(dial.id, clockNear(angleAt(event), dial.sweep));
  return {
    knob: {
      style: { cursor: "grab", touchAction: "none" },
      onPointerDown: (event: PointerEvent<SVGGElement>) => {
        event.stopPropagation();
        event.currentTarget.setPointerCapture(event.pointerId);
        drag(event);
      },
      onPointerMove: (event: PointerEvent<SVGGElement>) => {
        if (event.currentTarget.hasPointerCapture(event.pointerId)) drag(event);
      },
    },
    keys: (event: KeyboardEvent) => {
      const by = event.key === "+" || event.key === "=" ? 1 : event.key === "-" ? -1 : undefined;
      if (by) turn(dial.id, clockBeside(clock, dial.sweep, by));
    },
  };
}
