import { z } from "zod";
import { batteryState, idSchema, leafPlace, supplyState } from "../board/index.ts";
import { mainBoard, type Node } from "../node/index.ts";
import { isClock } from "../quantity/index.ts";

const word = z.string().min(1).max(40);
const clock = z.string().refine(isClock, 'a clock time such as "7:30"');

const boardId = idSchema.default(mainBoard).describe("Left out on a job with one board.");
const pinSchema = z.strictObject({ kind: z.literal("pin"), device: idSchema, pin: idSchema });

const nodeSchema = z
  .discriminatedUnion("kind", [
    z.strictObject({ kind: z.literal("terminal"), board: boardId, terminal: idSchema }),
    z.strictObject({ kind: z.literal("pole"), board: boardId, pole: idSchema }),
    pinSchema,
    z.strictObject({ kind: z.literal("joint"), joint: idSchema }),
  ])
  .describe("A place in the circuit.") satisfies z.ZodType<Node>;

/** A core found somewhere: its pin, and its place, or "off" for one that hangs loose. */
export const moveSchema = z.strictObject({
  pin: pinSchema,
  to: z.union([z.literal("off"), nodeSchema]),
});

const cores = z.array(z.string().max(200)).max(200);

/** What one step changes at the board; kept in the log, so that the bench can be rebuilt from it alone. */
export const effectSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("power"), on: z.boolean() }),
  z.strictObject({
    kind: z.literal("land"),
    cores: cores.describe("Ids of the plan's cores."),
    pins: z.array(pinSchema).max(200).describe("Pins of devices at which they begin."),
  }),
  z.strictObject({ kind: z.literal("move"), moves: z.array(moveSchema).min(1).max(200) }),
  z.strictObject({ kind: z.literal("link"), id: idSchema, to: z.enum(["in", "out"]) }),
  z.strictObject({ kind: z.literal("switches"), to: z.record(idSchema, word) }),
  z.strictObject({ kind: z.literal("dials"), to: z.record(idSchema, clock) }),
  z.strictObject({ kind: z.literal("values"), to: z.record(idSchema, word) }),
  z.strictObject({ kind: z.literal("commit"), which: z.enum(["switches", "dials", "values"]) }),
  z.strictObject({ kind: z.literal("mode"), mode: word }),
  z.strictObject({ kind: z.literal("learn"), what: word }),
  z.strictObject({ kind: z.literal("forget"), what: word }),
  z.strictObject({ kind: z.literal("add"), what: word }).describe("One thing more in a memory."),
  z.strictObject({ kind: z.literal("drop"), what: word }).describe("One thing less in a memory."),
  z
    .strictObject({ kind: z.literal("leaf"), at: leafPlace })
    .describe("Where the leaves were last seen at rest."),
  z.strictObject({ kind: z.literal("supply"), from: supplyState }),
  z.strictObject({ kind: z.literal("battery"), is: batteryState }),
  z
    .strictObject({ kind: z.literal("fault"), code: word.optional() })
    .describe("The code it shows; without one it shows none any more."),
]);

export type Move = z.output<typeof moveSchema>;
export type StateEffect = z.output<typeof effectSchema>;
