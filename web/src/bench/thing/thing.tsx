import type { Running } from "../running/use-running.ts";
import { PlanView } from "./plan-view.tsx";
import { LiftView, SashView } from "./section-view.tsx";

/** The roof that a rooflight is drawn in, °; a window stands in a wall. */
const [roof, upright] = [20, 62];

/** What the board moves, to scale: from above, or from the side where that says more. */
export function Thing({ running }: { running: Running }) {
  switch (running.info.board.purpose) {
    case "swing-gate":
    case "radio":
      return <PlanView running={running} swings />;
    case "sliding-gate":
    case "pedestrian-door":
      return <PlanView running={running} swings={false} />;
    case "industrial-door":
    case "rolling-grille":
      return <LiftView running={running} />;
    case "rooflight":
      return <SashView running={running} pitch={roof} />;
    case "window":
      return <SashView running={running} pitch={upright} />;
  }
}
