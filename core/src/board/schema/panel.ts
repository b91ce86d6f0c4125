import { z } from "zod";
import {
  behaviourId,
  conditionSchema,
  firmwareList,
  gestureSchema,
  idSchema,
  label,
  prose,
  seconds,
  setsSchema,
  word,
} from "../words/index.ts";

const number = z
  .strictObject({
    from: z.number(),
    to: z.number(),
    step: z.number().positive().default(1),
    unit: z.string().max(12).optional(),
    delivered: z.number(),
    rolls: z.boolean().default(false).describe("After the last value comes the first."),
    sets: setsSchema.describe("A range runs evenly from the number `from` to the number `to`."),
  })
  .describe("A number that is stepped up and down.");

const choice = z.strictObject({
  shows: word.describe("What the display shows for it."),
  reads: label.describe("What it means, in words."),
  sets: setsSchema.default({}),
});

/** One entry of a menu: it leads to another menu, holds a value, or does something. */
const itemSchema = z.strictObject({
  id: idSchema,
  shows: word.describe("What the display shows on it."),
  label,
  firmware: firmwareList.optional(),
  leaves: z.number().int().min(1).max(2).optional().describe("Only with this many leaves."),
  when: conditionSchema.optional().describe("It is shown only while this holds, such as another value."),
  menu: idSchema.optional().describe("It leads to this menu."),
  number: number.optional(),
  choices: z.array(choice).min(2).max(40).optional(),
  delivered: word.optional().describe("What a new board shows for the choice."),
  does: idSchema
    .optional()
    .describe("It starts this program; where the profile has none yet, the procedure that tells of it."),
  by: gestureSchema
    .optional()
    .describe("What opens or starts it, where that differs from the menu's `into`."),
  flips: label.optional().describe("It changes by itself, and when: such as a flag for values as delivered."),
  note: prose.optional(),
});

const moves = {
  next: gestureSchema.optional(),
  previous: gestureSchema.optional(),
  into: gestureSchema.optional().describe("Opens the entry, or begins to change its value."),
  back: gestureSchema.optional().describe("One level up, or out."),
};

const menuSchema = z.strictObject({
  id: idSchema,
  label,
  kind: z
    .enum(["list", "wizard", "by-number", "app"])
    .default("list")
    .describe(
      "A list to walk, a first-time wizard passed in order, entries chosen by their number, or values set in the maker's app alone, which no keys reach.",
    ),
  ends: z.enum(["idle", "stays"]).default("stays").describe("Where the last entry of a wizard leads."),
  items: z.array(itemSchema).min(1).max(60),
  ...moves,
});

const entrySchema = z.strictObject({
  id: idSchema,
  to: idSchema.describe("The menu it opens."),
  by: z.array(gestureSchema).min(1).max(4),
  firmware: firmwareList.optional(),
  when: conditionSchema.default({}),
  note: prose.optional(),
});

/** Keys and display as a tree of menus. */
export const panelSchema = z
  .strictObject({
    ...moves,
    more: gestureSchema.optional().describe("Raises a value by a step."),
    less: gestureSchema.optional().describe("Lowers it."),
    confirm: gestureSchema.optional().describe("Stores a value."),
    fast: z
      .strictObject({ afterSeconds: seconds, step: z.number().positive() })
      .optional()
      .describe("Held, the value runs in larger steps."),
    repeatsPerSecond: z
      .number()
      .positive()
      .max(50)
      .optional()
      .describe("Steps a second while a key is held, once it repeats."),
    storing: z
      .strictObject({ seconds, shows: word })
      .optional()
      .describe("Storing takes a while and shows something; a key pressed meanwhile is lost."),
    stores: z
      .enum(["on confirm", "after a pause", "on save"])
      .default("on confirm")
      .describe("When a changed value is kept; a list that is not saved reverts on leaving."),
    pauseSeconds: seconds.optional().describe("The pause after which a value is stored."),
    timeoutSeconds: seconds.optional().describe("Without a key press the menu closes after this."),
    timeoutKeeps: z
      .boolean()
      .default(false)
      .describe("A value that is being changed is kept when the menu closes by itself."),
    opens: z.array(entrySchema).default([]).describe("The ways in."),
    menus: z.array(menuSchema).min(1).max(24),
  })
  .describe("Keys and display as a tree of menus.");

/** What the board does by itself and no control changes. */
export const fixedSchema = z
  .partialRecord(behaviourId, z.union([z.boolean(), z.number(), z.string().max(40)]))
  .describe("Behaviours that no control changes, with their value.");
