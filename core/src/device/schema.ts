import { z } from "zod";
import {
  cardKind,
  dutySchema,
  idSchema,
  loadDutySchema,
  prose,
  provenanceSchema,
  restSchema,
} from "../board/index.ts";

const label = z.string().min(1).max(80);
const volts = z.number().positive().max(420);
const milliamps = z.number().min(0).max(20_000);

/** Core colours by their two-letter codes, as IEC 60757 gives them (from memory). */
export const coreColours = [
  "BK",
  "BN",
  "RD",
  "OG",
  "YE",
  "GN",
  "BU",
  "VT",
  "GY",
  "WH",
  "PK",
  "TQ",
  "GNYE",
] as const;

export const deviceKinds = [
  "photocell",
  "edge",
  "stop-button",
  "key-switch",
  "keypad",
  "loop",
  "loop-detector",
  "sensor",
  "intercom",
  "receiver",
  "remote",
  "lock",
  "flashing-light",
  "courtesy-light",
  "traffic-light",
  "bell",
  "drive",
  "converter",
  "battery",
  "supply",
  "gate-board",
] as const;

const poles = z.strictObject({ plus: idSchema, minus: idSchema, third: idSchema.optional() });

/** A device profile, `anvilcloud/device@1`. */
export const deviceSchema = z.strictObject({
  format: z.literal("anvilcloud/device@1"),
  id: idSchema,
  name: label,
  maker: label,
  revision: z.number().int().min(1).max(9_999),
  kind: z.enum(deviceKinds),
  source: provenanceSchema,
  limits: z
    .enum(["stops", "switches", "series", "one-core", "magnets", "encoder"])
    .optional()
    .describe("How a drive finds the ends of its travel."),
  parts: z
    .array(
      z.strictObject({ id: idSchema, label, strands: z.enum(["solid", "flexible"]).default("flexible") }),
    )
    .max(12)
    .default([])
    .describe("Pieces that stand at different places, each at the end of a cable of its own."),
  pins: z
    .array(z.strictObject({ id: idSchema, label, part: idSchema, core: z.enum(coreColours) }))
    .max(40)
    .default([])
    .describe("Two or more, but for a device that talks by radio alone."),
  radio: z
    .strictObject({
      card: cardKind.describe("The kind of card the board needs for it."),
      guards: z.array(z.enum(["opening", "closing"])).default([]),
    })
    .optional()
    .describe("It talks to the board by radio, through a card."),
  jumpers: z
    .array(
      z.strictObject({
        id: idSchema,
        label,
        onlyFor: label.describe("What it is bridged for and for nothing else, such as alignment."),
        otherwise: label.describe("What is lost while it is left on."),
      }),
    )
    .max(8)
    .default([])
    .describe("Jumpers on the device that must be off in service."),
  lamps: z
    .array(
      z.strictObject({
        label,
        lit: z
          .enum(["powered", "clear", "tripped"])
          .describe("While it has its supply; while nothing trips it; while something does."),
      }),
    )
    .max(6)
    .default([])
    .describe("Lamps on the device itself."),
  clearanceMm: z
    .number()
    .min(0)
    .max(2_000)
    .optional()
    .describe("Free space it needs between its housing and whatever moves past it, mm."),
  earth: idSchema.optional().describe("The pin of its protective earth, on what stands on mains."),
  doubleInsulated: z
    .boolean()
    .default(false)
    .describe("It stands on mains and needs no protective earth: its plate shows a square within a square."),
  drives: z
    .strictObject({
      thrustNewtons: z.number().positive().max(200_000).optional().describe("Full thrust, N."),
      torqueNewtonMetres: z.number().positive().max(100_000).optional().describe("Full torque, N·m."),
      freeSpeedMmPerS: z
        .number()
        .positive()
        .max(5_000)
        .optional()
        .describe("Speed with nothing to move, mm/s."),
      freeSpeedDegreesPerS: z
        .number()
        .positive()
        .max(360)
        .optional()
        .describe("The same of a swing drive, °/s."),
      stallMilliamps: z.number().positive().max(200_000).optional().describe("What it draws held still, mA."),
      selfLocking: z.boolean().default(false).describe("It holds the leaf without power."),
      ratedMassKg: z
        .number()
        .positive()
        .max(10_000)
        .optional()
        .describe("The heaviest leaf it is made for, kg."),
      headerDepthMm: z
        .number()
        .positive()
        .max(2_000)
        .optional()
        .describe("Depth it needs over or beside the opening, mm."),
    })
    .optional()
    .describe("What a drive can do."),
  holdingNewtons: z.number().positive().max(50_000).optional().describe("Holding force of a lock, N."),
  keyed: z
    .boolean()
    .default(false)
    .describe("Its plug is joined and parted only while the system has no power."),
  wiring: z
    .array(prose)
    .max(8)
    .default([])
    .describe("What its sheet asks of links and wiring beyond the pins."),
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
        through: z
          .tuple([idSchema, idSchema])
          .optional()
          .describe("Pins at its far end: its end resistor sits there, or the next edge goes on from there."),
        tripped: label.describe("What trips it, in words: the beam is broken, the button is pressed."),
        supply: idSchema.optional().describe("Without this supply the contact opens, whatever it senses."),
        test: idSchema
          .optional()
          .describe("The supply the board may interrupt to test it, or the pin of its test line."),
      }),
    )
    .default([]),
  listens: z
    .array(
      z.strictObject({
        id: idSchema,
        to: z.enum(["wake", "relay", "signal"]).describe("The kind of output it is worked by."),
        pins: z.tuple([idSchema, idSchema]),
      }),
    )
    .max(8)
    .default([])
    .describe("Pin pairs that an output of the board works, such as a wake line."),
  supplies: z
    .array(
      z.strictObject({
        id: idSchema,
        duty: loadDutySchema.or(z.literal("drive")),
        kind: z.enum(["dc", "ac", "either"]),
        volts: z.strictObject({ min: volts, max: volts }),
        milliamps: z.strictObject({
          rest: milliamps,
          working: milliamps,
          inrush: milliamps.optional().describe("For a moment as it is switched on; left out, as working."),
        }),
        lives: z
          .enum(["any", "always", "switched"])
          .default("any")
          .describe("It must always live, or only while switched on; left out, either will do."),
        ownSpur: z.boolean().default(false).describe("Fed by a spur of its own and not from the board."),
        suppression: z
          .enum(["none", "built in", "to be fitted"])
          .default("none")
          .describe("A coil's surge must be caught: by what is built in, or by what is fitted across it."),
        pins: poles,
      }),
    )
    .max(12)
    .default([]),
  provides: z
    .array(
      z.strictObject({
        id: idSchema,
        feeds: z
          .array(loadDutySchema.or(z.enum(["battery", "panel"])))
          .min(1)
          .describe("Loads it feeds, or the terminals of the board it is made for."),
        kind: z.enum(["dc", "ac"]),
        volts,
        limitMilliamps: milliamps,
        noLoadVolts: volts.optional().describe("What it gives with nothing on it, where that is more."),
        from: idSchema
          .optional()
          .describe("The supply it is made from; left out, the device's first, or none."),
        manner: z
          .enum(["rectifier", "switching"])
          .default("rectifier")
          .describe("A rectifier with capacitor passes current on; a switching converter passes power on."),
        formFactor: z
          .number()
          .min(1)
          .max(4)
          .default(1.7)
          .describe(
            "A.c. r.m.s. amps at the input for each amp, or for each amp of equal power, at the output.",
          ),
        efficiency: z.number().min(0.2).max(1).default(0.85).describe("Of a switching converter."),
        pins: poles,
      }),
    )
    .max(8)
    .default([])
    .describe("Rails the device makes from its own supply, or a source such as a battery."),
});

export type DeviceProfile = z.output<typeof deviceSchema>;
export type DeviceContact = DeviceProfile["contacts"][number];
export type DeviceSupply = DeviceProfile["supplies"][number];
export type DeviceRail = DeviceProfile["provides"][number];
export type CoreColour = (typeof coreColours)[number];
