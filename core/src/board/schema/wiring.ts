import { z } from "zod";
import {
  at,
  behaviourId,
  behaviourValue,
  blockId,
  conditionSchema,
  dutySchema,
  idSchema,
  label,
  leafIdSchema,
  loadDutySchema,
  prose,
  reactionSchema,
  restSchema,
  terminalId,
} from "../words/index.ts";
import { doesSchema } from "./program.ts";

const colour = z.enum(["green", "grey", "black", "blue", "orange", "red", "white", "yellow"]);
const terminalObject = z.strictObject({
  number: z.number().int().min(1).max(999).optional().describe("Left out, one more than the one before."),
  label,
  holds: z.number().int().min(1).max(8).default(2).describe("How many cores and links its clamp takes."),
});

/** A block of terminals; numbers left out count on from the one before. */
export const blockSchema = z
  .strictObject({
    id: blockId.describe('One or two capital letters; its terminals are "F1", "F2", …'),
    label,
    purpose: z.enum([
      "mains",
      "drive",
      "supply",
      "protection",
      "command",
      "aerial",
      "limits",
      "output",
      "battery",
    ]),
    at: at.optional(),
    edge: z
      .enum(["top", "bottom"])
      .optional()
      .describe("The edge it sits at when it has no place; left out, by its purpose."),
    pitchMm: z.number().positive().max(20).default(5).describe("From one clamp to the next, mm."),
    first: z.number().int().min(1).max(990).default(1).describe("Number of its first terminal."),
    plug: word20()
      .optional()
      .describe("Shape of the plug, for blocks that pull off; plugs of one shape can be swapped."),
    colour: colour.optional().describe("Colour of the plug."),
    terminals: z
      .array(z.union([label.describe("A label alone: the clamp takes two."), terminalObject]))
      .min(1)
      .max(40),
  })
  .transform((block) => {
    let next = block.first;
    const terminals = block.terminals.map((each) => {
      const terminal = typeof each === "string" ? { label: each, holds: 2 } : each;
      const number = ("number" in terminal ? terminal.number : undefined) ?? next;
      next = number + 1;
      return { number, label: terminal.label, holds: terminal.holds };
    });
    return { ...block, terminals };
  });

function word20() {
  return z.string().min(1).max(20);
}

/** Terminals that are one point on the board. */
export const commonSchema = z.strictObject({ id: idSchema, terminals: z.array(terminalId).min(1).max(40) });

export const budgetSchema = z.strictObject({
  id: idSchema,
  label,
  limitMilliamps: z.number().positive().describe("What all rails that name it may carry together, mA."),
  over: z
    .enum(["limits", "fuses", "overloads"])
    .default("limits")
    .describe(
      "What it does when more is asked for: gives all it has, blows its fuse, or is merely overloaded.",
    ),
});

export const railSchema = z.strictObject({
  id: idSchema,
  label,
  feeds: z.array(loadDutySchema).min(1).max(20).describe("What it is there for, the best first."),
  kind: z.enum(["dc", "ac"]),
  volts: z.number().positive().max(420).describe("Nominal volts; of three phases, from one to another."),
  live: z
    .enum([
      "always",
      "moving",
      "opening",
      "closing",
      "open-or-closing",
      "not-closed",
      "awake",
      "testing",
      "unlocking",
    ])
    .default("always")
    .describe("When it lives; what is not always on is dead while the leaf rests closed."),
  limitMilliamps: z.number().positive().optional().describe("A limit of its own, mA."),
  budget: idSchema.optional().describe("A limit shared with other rails."),
  plus: z.array(terminalId).min(1).max(40).describe("Terminals of the + pole; on AC, of one pole."),
  minus: z
    .array(terminalId)
    .min(1)
    .max(40)
    .describe("Terminals of the − pole; on AC, of the other or the common."),
  third: z
    .array(terminalId)
    .min(1)
    .optional()
    .describe("The third pole: the second direction of a capacitor motor, or the third phase."),
});

export const inputSchema = z.strictObject({
  id: idSchema,
  label,
  terminal: terminalId,
  common: idSchema,
  contact: restSchema.describe("How the input wants its contact to rest."),
  senses: z
    .enum(["contact", "resistor", "pulse"])
    .default("contact")
    .describe("A plain contact, a contact with an end resistor, or the pulse train of an optical edge."),
  ohms: z.number().positive().max(100_000).optional().describe("The end resistor it wants to see at rest."),
  takes: z.array(dutySchema).min(1).max(30).describe("What it can be used for, the best first."),
  chosenBy: z
    .strictObject({
      behaviour: behaviourId,
      rows: z
        .array(z.strictObject({ is: word20(), takes: z.array(dutySchema).min(1) }))
        .min(2)
        .max(12),
    })
    .optional()
    .describe("The setting that chooses what it is used for: by each of its words, what it takes then."),
  leaves: z.array(leafIdSchema).optional().describe("Only for devices of these leaves."),
  guards: z.array(z.enum(["opening", "closing"])).default([]),
  ignored: z
    .array(z.enum(["opening", "closing"]))
    .default([])
    .describe("Movements during which the board may be set to ignore it."),
  link: idSchema.optional().describe("The link that bridges it when unused."),
  off: z
    .strictObject({ behaviour: behaviourId, is: behaviourValue })
    .optional()
    .describe("The setting that switches it off, for when nothing is wired to it."),
  setBy: z
    .array(behaviourId)
    .default([])
    .describe("Behaviours by which its reaction, its test or its use are chosen."),
  test: idSchema
    .optional()
    .describe("The output or rail that the board interrupts before moving, expecting the contact to open."),
  testedBefore: z
    .enum(["each", "opening", "closing"])
    .default("each")
    .describe("Before which movements it is tested."),
  wake: idSchema.optional().describe("The rail or output that wakes its device while it is needed."),
  reactions: z
    .array(reactionSchema)
    .max(20)
    .default([])
    .describe(
      "What the leaf does when this input trips, by the leaf's state; the first row that holds counts.",
    ),
  clears: z
    .array(
      z.strictObject({
        when: conditionSchema.default({}),
        open: z.enum(["restart-pause", "close"]).describe("While the leaf is open or opens."),
      }),
    )
    .max(8)
    .default([])
    .describe("What it does once the input is at rest again; the first row that holds counts."),
  does: z
    .array(doesSchema)
    .max(8)
    .default([])
    .describe("What it commands; left out, what it is used for. The first row that holds counts."),
});

export const linkSchema = z.strictObject({
  id: idSchema,
  between: z.tuple([terminalId, terminalId]),
  delivered: z.enum(["in", "out"]).describe("How it stands on a new board."),
});

export const outputSchema = z.strictObject({
  id: idSchema,
  label,
  kind: z.enum(["relay", "test", "wake", "brake", "signal"]),
  terminals: z
    .array(terminalId)
    .min(1)
    .max(4)
    .describe("Of a relay its common, the contact that works, and the one that rests where it has one."),
  task: label.optional().describe("What it does, where that is fixed."),
  setBy: behaviourId.optional().describe("The behaviour that chooses what it does."),
  maxVolts: z.number().positive().max(420).optional(),
  maxMilliamps: z.number().positive().optional(),
});

const poles = z.strictObject({
  live: terminalId.optional(),
  neutral: terminalId.optional(),
  earth: terminalId.optional(),
  l1: terminalId.optional(),
  l2: terminalId.optional(),
  l3: terminalId.optional(),
  a: terminalId.optional().describe("One end of a transformer's secondary."),
  b: terminalId.optional().describe("Its other end."),
  plus: terminalId.optional(),
  minus: terminalId.optional(),
});

export const supplySchema = z
  .strictObject({
    kind: z.enum(["mains", "three-phase", "transformer", "dc", "solar"]),
    volts: z.array(z.number().positive().max(420)).min(1).describe("The supplies it can be set for."),
    selector: idSchema.optional().describe("The link, jumper or slide that is set for the supply at hand."),
    recognised: z
      .boolean()
      .default(false)
      .describe("The board tells by itself which of its voltages it has, and shows it."),
    poles,
    note: prose.optional(),
  })
  .describe("What the board lives on.");

export const batterySchema = z.strictObject({
  volts: z.array(z.number().positive().max(60)).min(1),
  plus: terminalId,
  minus: terminalId,
  lowVolts: z.number().positive().max(60).optional().describe("Under this the battery counts as low."),
  chargeMilliamps: z
    .number()
    .positive()
    .max(20_000)
    .optional()
    .describe("What the board charges it with, mA."),
  optional: z.boolean().default(true),
});

export const panelFeedSchema = z
  .strictObject({
    plus: terminalId,
    minus: terminalId,
    volts: z
      .union([z.number().positive().max(60), z.array(z.number().positive().max(60)).min(1)])
      .describe("Nominal volts, or those it can have."),
    isolatedBy: idSchema.optional().describe("The jumper that cuts the panel off while it is on."),
  })
  .describe("Terminals of a solar panel.");
