import { z } from "zod";
import { idSchema } from "../board/index.ts";
import { isClock } from "../quantity/index.ts";

const word = z.string().min(1).max(40);
const clock = z.string().refine(isClock, 'a clock time such as "7:30"');

const place = z
  .string()
  .max(130)
  .regex(
    /^(board|joint|[A-Za-z0-9-]+)\/[A-Za-z0-9-]+$/,
    'a place such as "board/F3", "joint/J1" or "converter/out-plus"',
  );

/** A core found somewhere: its pin as `device/pin`, and its place, or "off" for one that hangs loose. */
export const moveSchema = z.strictObject({
  pin: z
    .string()
    .max(130)
    .regex(/^[A-Za-z0-9-]+\/[A-Za-z0-9-]+$/, 'a pin such as "gate-eye/r-a"'),
  to: z.union([z.literal("off"), place]),
});

/** What one step changes at the board; kept in the log, so that the bench can be rebuilt from it alone. */
export const effectSchema = z.discriminatedUnion("kind", [
  z.strictObject({ kind: z.literal("power"), on: z.boolean() }),
  z.strictObject({ kind: z.literal("land"), cores: z.array(z.string().max(200)).max(200) }),
  z.strictObject({ kind: z.literal("move"), moves: z.array(moveSchema).min(1).max(200) }),
  z.strictObject({ kind: z.literal("link"), id: idSchema, to: z.enum(["in", "out"]) }),
  z.strictObject({ kind: z.literal("switches"), to: z.record(idSchema, word) }),
  z.strictObject({ kind: z.literal("dials"), to: z.record(idSchema, clock) }),
  z.strictObject({ kind: z.literal("values"), to: z.record(idSchema, word) }),
  z.strictObject({ kind: z.literal("commit"), which: z.enum(["switches", "dials", "values"]) }),
  z.strictObject({ kind: z.literal("mode"), mode: word }),
  z.strictObject({ kind: z.literal("learn"), what: word }),
  z.strictObject({ kind: z.literal("forget"), what: word }),
]);

export type StateEffect = z.output<typeof effectSchema>;
