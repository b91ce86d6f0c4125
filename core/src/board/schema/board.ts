import { z } from "zod";
import {
  commitSchema,
  dialSchema,
  dipSchema,
  displaySchema,
  jumperSchema,
  keySchema,
  lampSchema,
  settingSchema,
  slideSchema,
} from "./controls.ts";
import { fixedSchema, panelSchema } from "./panel.ts";
import { codeSchema, memorySchema, procedureSchema } from "./procedure.ts";
import { fallSchema, programSchema } from "./program.ts";
import {
  batterySchema,
  blockSchema,
  budgetSchema,
  commonSchema,
  inputSchema,
  linkSchema,
  outputSchema,
  panelFeedSchema,
  railSchema,
  supplySchema,
} from "./wiring.ts";
import { at, behaviourId, idSchema, label, mm, prose, provenanceSchema, seconds } from "../words/index.ts";

export const cardKind = z.enum([
  "radio",
  "twin-link",
  "loop-detector",
  "expansion",
  "wireless-edge",
  "traffic-light",
]);

/** What a card adds to the board it is fitted to: the same lists as a profile's own. */
const addsSchema = z.strictObject({
  blocks: z.array(blockSchema).max(26).default([]),
  commons: z.array(commonSchema).max(60).default([]),
  rails: z.array(railSchema).max(60).default([]),
  inputs: z.array(inputSchema).max(80).default([]),
  links: z.array(linkSchema).max(80).default([]),
  outputs: z.array(outputSchema).max(40).default([]),
  lamps: z.array(lampSchema).max(80).default([]),
  dips: z.array(dipSchema).max(8).default([]),
  slides: z.array(slideSchema).max(20).default([]),
  jumpers: z.array(jumperSchema).max(20).default([]),
  dials: z.array(dialSchema).max(20).default([]),
  settings: z.array(settingSchema).max(80).default([]),
  keys: z.array(keySchema).max(30).default([]),
  memories: z.array(memorySchema).max(40).default([]),
  programs: z.array(programSchema).max(60).default([]),
  procedures: z.array(procedureSchema).max(60).default([]),
});

const cardSchema = z.strictObject({
  id: idSchema,
  name: label,
  kind: cardKind,
  note: prose.optional(),
  milliamps: z.number().min(0).max(5_000).default(0).describe("What it draws from the budget it names."),
  budget: idSchema.optional(),
  adds: addsSchema.prefault({}),
});

const slotSchema = z.strictObject({
  id: idSchema,
  label,
  at: at.optional(),
  takes: z.array(idSchema).min(1).describe("Cards that fit it."),
  fitted: idSchema.optional().describe("The card a new board comes with."),
});

/** A board profile, `anvilcloud/board@3`. */
export const boardSchema = z.strictObject({
  $schema: z.string().max(300).optional().describe("Lets an editor complete and check this file."),
  format: z.literal("anvilcloud/board@3"),
  pieces: z
    .record(idSchema, z.unknown())
    .optional()
    .describe(
      "A place for pieces that repeat: mark one with &name and use it elsewhere as *name or <<: *name.",
    ),
  id: idSchema,
  name: label,
  maker: label,
  revision: z.number().int().min(1).max(9_999),
  generation: label.optional().describe("What the maker calls this generation of the board."),
  firmware: z.array(z.string().min(1).max(20)).min(1).describe("Versions this profile holds for."),
  purpose: z.enum([
    "swing-gate",
    "sliding-gate",
    "industrial-door",
    "rolling-grille",
    "pedestrian-door",
    "rooflight",
    "window",
    "radio",
  ]),
  summary: prose,
  source: provenanceSchema,
  face: z
    .strictObject({ widthMm: mm.positive(), heightMm: mm.positive() })
    .optional()
    .describe("Size of the face; left out, as large as its parts need."),
  leaves: z.number().int().min(0).max(2).default(1).describe("The most leaves it can drive; a radio none."),
  delivered: z
    .strictObject({ leaves: z.number().int().min(1).max(2) })
    .optional()
    .describe("What a new board takes its site to be."),
  limits: z
    .array(z.enum(["stops", "switches", "series", "one-core", "magnets", "encoder"]))
    .default([])
    .describe(
      "What may end the travel: fixed stops, switches wired to the board, switches in series with the motor, both switches on one core, magnets, an encoder.",
    ),
  supply: supplySchema,
  battery: batterySchema.optional(),
  solar: panelFeedSchema.optional(),
  blocks: z.array(blockSchema).min(1).max(26),
  commons: z.array(commonSchema).max(60).default([]),
  budgets: z.array(budgetSchema).max(20).default([]),
  rails: z.array(railSchema).max(60).default([]),
  inputs: z.array(inputSchema).max(80).default([]),
  links: z.array(linkSchema).max(80).default([]),
  outputs: z.array(outputSchema).max(40).default([]),
  display: displaySchema.optional(),
  lamps: z.array(lampSchema).max(80).default([]),
  dips: z.array(dipSchema).max(8).default([]),
  slides: z.array(slideSchema).max(20).default([]),
  jumpers: z.array(jumperSchema).max(20).default([]),
  dials: z.array(dialSchema).max(20).default([]),
  settings: z.array(settingSchema).max(80).default([]).describe("What switches, slides and jumpers set."),
  keys: z.array(keySchema).max(30).default([]),
  commits: z.array(commitSchema).max(3).default([]),
  panel: panelSchema.optional(),
  fixed: fixedSchema.default({}),
  behaviours: z
    .array(behaviourId)
    .default([])
    .describe("Behaviours the board is said to have; each needs a control or a fixed value."),
  slots: z.array(slotSchema).max(8).default([]),
  cards: z.array(cardSchema).max(20).default([]),
  memories: z.array(memorySchema).max(40).default([]),
  codes: z.array(codeSchema).max(200).default([]),
  boots: z
    .array(z.strictObject({ shows: z.string().min(1).max(160), seconds }))
    .max(8)
    .default([])
    .describe("Screens that follow one another once it has power."),
  draw: z
    .strictObject({
      asleepMilliamps: z.number().min(0).max(5_000),
      awakeMilliamps: z.number().min(0).max(20_000),
    })
    .optional()
    .describe("What the board itself draws at its supply, mA."),
  programs: z.array(programSchema).max(60).default([]).describe("What it does by itself."),
  falls: z
    .array(fallSchema)
    .max(12)
    .default([])
    .describe("What it does without mains or with a low battery."),
  procedures: z.array(procedureSchema).max(60).default([]),
});

export type BoardProfile = z.output<typeof boardSchema>;
export type Block = BoardProfile["blocks"][number];
export type Rail = BoardProfile["rails"][number];
export type BoardInput = BoardProfile["inputs"][number];
export type Lamp = BoardProfile["lamps"][number];
export type Dial = BoardProfile["dials"][number];
export type Setting = BoardProfile["settings"][number];
export type Commit = BoardProfile["commits"][number];
export type CardKind = z.output<typeof cardKind>;
export type Card = BoardProfile["cards"][number];
export type Memory = BoardProfile["memories"][number];
export type Panel = NonNullable<BoardProfile["panel"]>;
export type Menu = Panel["menus"][number];
export type MenuItem = Menu["items"][number];
export type Display = NonNullable<BoardProfile["display"]>;
export type Purpose = BoardProfile["purpose"];
export type Procedure = BoardProfile["procedures"][number];
export type ProcedureStep = Procedure["steps"][number];
export type Claims = ProcedureStep["claims"];
export type Program = BoardProfile["programs"][number];
export type Fall = BoardProfile["falls"][number];
export type Does = BoardProfile["keys"][number]["does"][number];
