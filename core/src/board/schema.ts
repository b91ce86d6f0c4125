import { z } from "zod";
import { isClock } from "../quantity/index.ts";
import { behaviourIds } from "./behaviour.ts";

/** Ids are short words: letters, digits and hyphens, beginning with a letter or digit. */
export const idSchema = z
  .string()
  .max(60)
  .regex(/^[A-Za-z0-9][A-Za-z0-9-]*$/, "a short word of letters, digits and hyphens");
const label = z.string().min(1).max(80);
const prose = z.string().min(1).max(600);
const mm = z.number().min(0).max(2000);
const at = z.strictObject({ x: mm, y: mm }).describe("Place on the face, mm from its upper left corner.");
const clock = z.string().refine(isClock, 'a clock time such as "7:30"');
const terminalId = z.string().regex(/^[A-Z]{1,2}\d{1,3}$/, 'a terminal such as "F3": block and number');

export const provenanceSchema = z
  .strictObject({
    from: z.enum(["maker's sheet", "seen on site", "assumed"]),
    note: prose.optional(),
  })
  .describe("Where a statement is known from.");

/** Kinds of contact an input can take. */
const contactDuties = ["stop", "photocell", "edge", "step", "pedestrian", "open-only", "exit"] as const;
/** Kinds of load a rail can feed. */
const loadDuties = [
  "accessory",
  "flash",
  "lock",
  "drive-overlapping",
  "drive-overlapped",
  "drive-only",
] as const;

export const dutySchema = z.enum(contactDuties);
export const loadDutySchema = z.enum(loadDuties);
export const restSchema = z.enum(["closed", "open"]);

const behaviourId = z.enum(behaviourIds);
const behaviourValue = z.union([z.boolean(), z.number(), z.string().max(40)]);

/** Something that is or is not so at the board; every key given must hold. */
const conditionSchema = z.strictObject({
  powered: z.boolean().optional(),
  closed: idSchema.optional().describe("This input reads closed."),
  open: idSchema.optional().describe("This input reads open."),
  learned: z.string().max(40).optional(),
  unlearned: z.string().max(40).optional(),
  mode: z.string().max(40).optional(),
  pending: z.boolean().optional().describe("A control was moved and not committed."),
  behaviour: behaviourId.optional(),
  is: behaviourValue.optional(),
  atLeast: z.number().optional(),
});

const railSchema = z.strictObject({
  id: idSchema,
  label,
  feeds: z.array(loadDutySchema).min(1),
  kind: z.enum(["dc", "ac"]),
  volts: z.number().positive().max(400),
  live: z.enum(["always", "moving", "unlocking"]).default("always"),
  limitMilliamps: z.number().positive().optional(),
  budget: idSchema.optional().describe("A limit shared with other rails."),
  plus: z.array(terminalId).min(1).describe("Terminals of the + pole; on AC, of one pole."),
  minus: z.array(terminalId).min(1).describe("Terminals of the − pole; on AC, of the other."),
});

const blockSchema = z.strictObject({
  id: z.string().regex(/^[A-Z]{1,2}$/, "one or two capital letters"),
  label,
  at,
  pitchMm: z.number().positive().max(20).default(5),
  purpose: z.enum(["mains", "drive", "supply", "protection", "command", "aerial"]),
  terminals: z
    .array(
      z.strictObject({
        number: z.number().int().min(1).max(999),
        label,
        holds: z.number().int().min(1).default(2),
      }),
    )
    .min(1),
});

const inputSchema = z.strictObject({
  id: idSchema,
  label,
  terminal: terminalId,
  common: idSchema,
  contact: restSchema.describe("How the input wants its contact to rest."),
  takes: z.array(dutySchema).min(1).describe("What it can be used for, the best first."),
  guards: z.array(z.enum(["opening", "closing"])).default([]),
  link: idSchema.optional().describe("The link that bridges it when unused."),
  reactions: z
    .array(
      z.strictObject({
        when: conditionSchema.default({}),
        closed: label,
        opening: label,
        open: label,
        closing: label,
      }),
    )
    .default([])
    .describe(
      "What the gate does when this input trips, by the leaf's state; the first row that holds counts.",
    ),
});

const lampSchema = z.strictObject({
  id: idSchema,
  label,
  at,
  colour: z.enum(["green", "red", "amber", "blue", "white"]),
  shows: z.array(z.strictObject({ when: conditionSchema, is: z.enum(["lit", "blinking", "dark"]) })).min(1),
});

const setsSchema = z.record(
  z.string(),
  z.union([behaviourValue, z.strictObject({ from: z.number(), to: z.number() })]),
);

const dialSchema = z.strictObject({
  id: idSchema,
  label,
  at,
  sweep: z.strictObject({ from: clock, to: clock }),
  delivered: clock,
  zones: z
    .array(
      z.strictObject({
        from: z.number().min(0).max(1),
        to: z.number().min(0).max(1),
        reads: label.optional().describe("What the dial says in this zone, when it is not plain."),
        sets: setsSchema,
      }),
    )
    .min(1)
    .describe("Parts of the sweep as fractions, without gaps, and what each sets."),
});

const dipSchema = z.strictObject({
  id: z.string().regex(/^[A-Z]{1,2}$/, "one or two capital letters"),
  label,
  at,
  delivered: z
    .array(z.enum(["on", "off"]))
    .min(1)
    .max(12),
});

const settingSchema = z.strictObject({
  switches: z.array(idSchema).min(1).max(4),
  label,
  rows: z.array(z.strictObject({ at: z.array(z.enum(["on", "off"])), sets: setsSchema })).min(2),
});

const holdSchema = z.strictObject({ key: idSchema, seconds: z.number().positive().max(120) });

const gestureSchema = z.union([
  z.strictObject({ hold: holdSchema }),
  z.strictObject({
    press: z.strictObject({ key: idSchema, times: z.number().int().min(1).max(20).default(1) }),
  }),
  z.strictObject({ power: z.enum(["on", "off"]) }),
  z.strictObject({ place: prose }),
  z.strictObject({ watch: prose }),
  z.strictObject({ remote: prose }),
]);

const effectSchema = z.strictObject({
  power: z.boolean().optional(),
  mode: z.string().max(40).optional(),
  learn: z.string().max(40).optional(),
  forget: z.string().max(40).optional(),
  commit: idSchema.optional(),
});

const procedureSchema = z.strictObject({
  id: idSchema,
  station: z.enum(["power-up", "travel", "force", "remotes"]),
  title: label,
  source: provenanceSchema,
  firmware: z.array(z.string().max(20)).optional(),
  leaves: z.number().int().min(1).max(2).optional().describe("Only for this many leaves."),
  needs: z.array(conditionSchema).default([]),
  steps: z
    .array(
      z.strictObject({
        id: idSchema,
        do: gestureSchema,
        says: prose,
        caution: prose.optional(),
        effects: effectSchema.default({}),
        see: prose.optional().describe("What is seen at the leaf; what the lamps show is computed."),
        ifNot: prose.optional(),
      }),
    )
    .min(1),
});

const commitSchema = z.strictObject({
  id: idSchema,
  for: z.enum(["switches", "dials"]),
  hold: holdSchema,
  says: prose,
});

/** A board profile, `anvilcloud/board@1`. */
export const boardSchema = z.strictObject({
  format: z.literal("anvilcloud/board@1"),
  id: idSchema,
  name: label,
  maker: label,
  revision: z.number().int().min(1),
  firmware: z.array(z.string().min(1).max(20)).min(1),
  purpose: z.enum(["swing-gate"]),
  summary: prose,
  source: provenanceSchema,
  face: z.strictObject({ widthMm: mm.positive(), heightMm: mm.positive() }),
  leaves: z.number().int().min(1).max(2).describe("The most leaves it can drive."),
  travelEnds: z.enum(["stops", "switches"]).describe("What ends the travel: fixed stops, or limit switches."),
  inlet: z.strictObject({
    volts: z.number().positive(),
    live: terminalId,
    neutral: terminalId,
    earth: terminalId.optional(),
  }),
  blocks: z.array(blockSchema).min(1),
  commons: z.array(z.strictObject({ id: idSchema, terminals: z.array(terminalId).min(1) })),
  budgets: z
    .array(z.strictObject({ id: idSchema, label, limitMilliamps: z.number().positive() }))
    .default([]),
  rails: z.array(railSchema),
  inputs: z.array(inputSchema),
  links: z.array(
    z.strictObject({
      id: idSchema,
      between: z.tuple([terminalId, terminalId]),
      delivered: z.enum(["in", "out"]),
    }),
  ),
  lamps: z.array(lampSchema).default([]),
  dips: z.array(dipSchema).default([]),
  dials: z.array(dialSchema).default([]),
  settings: z.array(settingSchema).default([]).describe("What each switch, or group of switches, sets."),
  keys: z.array(z.strictObject({ id: idSchema, label, at, outside: prose.optional() })).default([]),
  commits: z.array(commitSchema).default([]),
  procedures: z.array(procedureSchema).default([]),
});

export type BoardProfile = z.output<typeof boardSchema>;
export type Condition = z.output<typeof conditionSchema>;
export type ContactDuty = z.output<typeof dutySchema>;
export type LoadDuty = z.output<typeof loadDutySchema>;
export type Rail = BoardProfile["rails"][number];
export type BoardInput = BoardProfile["inputs"][number];
export type Lamp = BoardProfile["lamps"][number];
export type Dial = BoardProfile["dials"][number];
export type Setting = BoardProfile["settings"][number];
export type Commit = BoardProfile["commits"][number];
export type Procedure = BoardProfile["procedures"][number];
export type ProcedureStep = Procedure["steps"][number];
export type Gesture = ProcedureStep["do"];
export type Effect = ProcedureStep["effects"];
export type Provenance = z.output<typeof provenanceSchema>;
export type SetsValue = BoardProfile["dials"][number]["zones"][number]["sets"][string];
