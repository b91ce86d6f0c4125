import { conditionHolds, type BoardProfile, type Fitting, type Procedure } from "../../board/index.ts";
import { askOf, type Brain, type BrainEvent } from "../brain/index.ts";
import { compare, type Mismatch } from "./claims.ts";
import { make } from "./make.ts";
import { startOf } from "./start.ts";

/** What happened at a step: its events, in order, and whether its gestures could be made. */
export interface Made {
  step: string;
  events: BrainEvent[];
  possible: boolean;
}

/** Makes the gestures of a procedure's steps one after the other, reading no claim. */
export function makeProcedure(
  brain: Brain,
  procedure: Procedure,
  seen: (made: Made, at: number) => void,
): void {
  procedure.steps.forEach((step, at) => {
    if (step.when && !conditionHolds(step.when, askOf(brain))) return;
    brain.events = [];
    const possible = step.do.every((gesture) => make(brain, gesture));
    seen({ step: step.id, events: brain.events, possible }, at);
  });
}

/** What in a procedure does not come out as it claims, on the board as it is fitted; empty where everything does. */
export function runProcedure(
  profile: BoardProfile,
  fitting: Fitting,
  procedure: Procedure,
  start: Brain = startOf(profile, fitting, procedure),
): Mismatch[] {
  const found: Mismatch[] = [];
  makeProcedure(start, procedure, ({ step, events, possible }, at) => {
    if (!possible)
      found.push({ step, what: "gesture", claimed: "can be made", caused: "no key leads there" });
    found.push(...compare(step, procedure.steps[at]!.claims, start, events));
  });
  return found;
}
