import { z } from "zod";
import type { BehaviourId, BehaviourValue } from "../behaviour.ts";
import { behaviourId, behaviourValue, idSchema, word } from "./basic.ts";
import {
  batteryState,
  leafState,
  supplyState,
  timerWord,
  type BatteryState,
  type LeafState,
  type SupplyState,
  type TimerWord,
} from "./leaf.ts";

/** Something that is or is not so at the board; every key given must hold. */
export interface Condition {
  powered?: boolean | undefined;
  closed?: string | undefined;
  open?: string | undefined;
  learned?: string | undefined;
  unlearned?: string | undefined;
  mode?: string | undefined;
  pending?: boolean | undefined;
  behaviour?: BehaviourId | undefined;
  is?: BehaviourValue | undefined;
  atLeast?: number | undefined;
  control?: string | undefined;
  at?: string | undefined;
  card?: string | undefined;
  leaf?: LeafState | undefined;
  supply?: SupplyState | undefined;
  battery?: BatteryState | undefined;
  timer?: TimerWord | undefined;
  fault?: string | undefined;
  all?: Condition[] | undefined;
  any?: Condition[] | undefined;
  not?: Condition | undefined;
}

/** Something that is or is not so at the board; every key given must hold. */
export const conditionSchema: z.ZodType<Condition, Condition> = z
  .strictObject({
    powered: z.boolean().optional(),
    closed: idSchema
      .optional()
      .describe("This input reads closed; one switched off by a setting counts as at rest."),
    open: idSchema.optional().describe("This input reads open, and is not switched off by a setting."),
    learned: idSchema.optional().describe("This memory holds something."),
    unlearned: idSchema.optional().describe("This memory is empty."),
    mode: word.optional().describe("What the board is doing: a mode a step's effects enter."),
    pending: z.boolean().optional().describe("A control was moved and not committed."),
    behaviour: behaviourId.optional().describe("A behaviour in force; with `is` or `atLeast`."),
    is: behaviourValue.optional(),
    atLeast: z.number().optional(),
    control: idSchema.optional().describe("A control that stands at the position `at`."),
    at: word.optional(),
    card: idSchema.optional().describe("This card is fitted."),
    leaf: leafState
      .optional()
      .describe(
        "Where the leaves are, as far as the board senses it; `stopped` is at rest between the ends.",
      ),
    supply: supplyState.optional().describe("What it lives on just now."),
    battery: batteryState.optional().describe("How its battery stands."),
    timer: timerWord
      .optional()
      .describe("The pause before closing by itself runs, or the warning before moving."),
    fault: word.optional().describe("It shows this code."),
    get all() {
      return z.array(conditionSchema).min(1).max(8).optional().describe("All of these hold.");
    },
    get any() {
      return z.array(conditionSchema).min(1).max(8).optional().describe("One of these holds.");
    },
    get not() {
      return conditionSchema.optional().describe("This does not hold.");
    },
  })
  .meta({
    id: "condition",
    description: "Something that is or is not so at the board; every key given must hold.",
  });
