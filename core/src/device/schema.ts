import { z } from "zod";
import { dutySchema, idSchema, loadDutySchema, provenanceSchema, restSchema } from "../board/index.ts";

const label = z.string().min(1).max(80);
const volts = z.number().positive().max(420);
const milliamps = z.number().min(0).max(20_000);

/** Core colours by their two-letter codes, as IEC 60757 gives them (from memory). */
const coreColours = ["BK", "BN", "RD", "OG", "YE", "GN", "BU", "VT", "GY", "WH", "PK", "TQ", "GNYE"] as const;

const poles = z.strictObject({ plus: idSchema, minus: idSchema, third: idSchema.optional() });

/** A device profile, `anvilcloud/device@1`. */
export const deviceSchema = z.strictObject({
  format: z.literal("anvilcloud/device@1"),
  id: idSchema,
  name: label,
  maker: label,
  revision: z.number().int().min(1),
  kind: z.enum([
    "photocell",
    "edge",
    "stop-button",
    "key-switch",
    "keypad",
    "lock",
    "flashing-light",
    "drive",
    "converter",
    "sensor",
    "loop-detector",
    "traffic-light",
    "gate-board",
  ]),
  source: provenanceSchema,
  limits: z
    .enum(["stops", "switches", "series", "one-core", "magnets", "encoder"])
    .optional()
    .describe("How a drive finds the ends of its travel."),
  parts: z
    .array(
      z.strictObject({ id: idSchema, label, strands: z.enum(["solid", "flexible"]).default("flexible") }),
    )
    .min(1)
    .describe("Pieces that stand at different places, each at the end of a cable of its own."),
  pins: z.array(z.strictObject({ id: idSchema, label, part: idSchema, core: z.enum(coreColours) })).min(2),
  contacts: z
    .array(
      z.strictObject({
        id: idSchema,
        duty: dutySchema,
        rest: restSchema,
        senses: z
          .enum(["contact", "resistor", "pulse"])
          .optional()
          .describe(
            "One with an end resistor, or the pulse train of an optical edge; left out, a plain contact.",
          ),
        ohms: z.number().positive().max(100_000).optional().describe("Its end resistor at rest, Ω."),
        pins: z.tuple([idSchema, idSchema]),
        tripped: label.describe("What trips it, in words: the beam is broken, the button is pressed."),
        supply: idSchema.optional().describe("Without this supply the contact opens, whatever it senses."),
      }),
    )
    .default([]),
  supplies: z
    .array(
      z.strictObject({
        id: idSchema,
        duty: loadDutySchema.or(z.literal("drive")),
        kind: z.enum(["dc", "ac", "either"]),
        volts: z.strictObject({ min: volts, max: volts }),
        milliamps: z.strictObject({ rest: milliamps, working: milliamps }),
        pins: poles,
      }),
    )
    .default([]),
  provides: z
    .array(
      z.strictObject({
        id: idSchema,
        feeds: z.array(loadDutySchema).min(1),
        kind: z.enum(["dc", "ac"]),
        volts,
        limitMilliamps: milliamps,
        pins: poles,
      }),
    )
    .default([])
    .describe("Rails the device makes from its own supply, such as a converter's output."),
});

export type DeviceProfile = z.output<typeof deviceSchema>;
export type DeviceContact = DeviceProfile["contacts"][number];
export type DeviceSupply = DeviceProfile["supplies"][number];
