import type { Drawn } from "./parts.tsx";
import { PlanView } from "./plan-view.tsx";
import { LiftView, SashView } from "./section-view.tsx";

/** The roof that a rooflight is drawn in, °; a window stands in a wall. */
const [roof, upright] = [20, 62];

/** What the board moves, to scale: from above, or from the side where that says more. */
export function Thing(drawn: Drawn) {
  switch (drawn.board.purpose) {
    case "swing-gate":
    case "radio":
      return <PlanView {...drawn} swings />;
    case "sliding-gate":
    case "pedestrian-door":
      return <PlanView {...drawn} swings={false} />;
    case "industrial-door":
    case "rolling-grille":
      return <LiftView {...drawn} />;
    case "rooflight":
      return <SashView {...drawn} pitch={roof} />;
    case "window":
      return <SashView {...drawn} pitch={upright} />;
  }
}
