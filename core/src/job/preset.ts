import { z } from "zod";
import {
  behaviourIds,
  behaviourMisfit,
  canSet,
  idSchema,
  type BehaviourId,
  type BehaviourValue,
  type BoardProfile,
} from "../board/index.ts";
import { parseWith, ProblemsError, readYaml, shown, type Problem } from "../finding/index.ts";

const words = (most: number) => z.string().trim().min(1).max(most);

const startSchema = z.strictObject({
  value: z.union([z.boolean(), z.number(), z.string().max(40)]),
  why: words(300).describe("Why a job of this kind begins with it."),
});

/** What a kind of installation usually wants of every behaviour that matters there, each with the reason. */
export const presetSchema = z.strictObject({
  format: z.literal("anvilcloud/preset@1"),
  id: idSchema,
  name: words(60),
  revision: z.number().int().min(1).max(9_999),
  says: words(300).describe("For what kind of installation it is."),
  wishes: z.partialRecord(z.enum(behaviourIds), startSchema),
});

export type Preset = z.output<typeof presetSchema>;

/** What a job keeps of the preset it began with: its reasons stand beside the wishes. */
export const begunSchema = presetSchema.pick({ id: true, name: true, wishes: true });

type Wishes = Partial<Record<BehaviourId, BehaviourValue>>;
type Starts = Preset["wishes"];

const entries = (wishes: Starts) => Object.entries(wishes) as [BehaviourId, Starts[BehaviourId] & {}][];

/** Values that are none their behaviours can take. */
export function checkPreset({ wishes }: Pick<Preset, "wishes">, file: string): Problem[] {
  return entries(wishes).flatMap(([id, { value }]): Problem[] => {
    const expected = behaviourMisfit(id, value);
    if (expected === undefined) return [];
    const remedy = "Give a value it can take, or leave it out.";
    return [{ file, path: `wishes.${id}.value`, expected, found: shown(value), remedy }];
  });
}

/** Reads a preset from YAML. Throws ProblemsError with line and column of everything that is wrong. */
export const readPreset = (text: string, file: string): Preset =>
  readYaml(text, file, { schema: presetSchema, check: checkPreset });

/** Reads a preset that is data already. Throws ProblemsError with the place of each fault. */
export function parsePreset(data: unknown, file: string): Preset {
  const preset = parseWith(presetSchema, data, file);
  const problems = checkPreset(preset, file);
  if (problems.length) throw new ProblemsError(problems);
  return preset;
}

/** What of a preset some control of the board can give, as wishes of a job. */
export const presetWishes = (board: BoardProfile, { wishes }: Pick<Preset, "wishes">): Wishes =>
  Object.fromEntries(
    entries(wishes)
      .filter(([id, { value }]) => canSet(board, id, value))
      .map(([id, { value }]) => [id, value]),
  );

/** The wishes of a job as a preset of one's own; reasons that are known are kept, the others say that the job had it so. */
export function presetOf(
  { wishes, preset }: { wishes: Wishes; preset?: Pick<Preset, "wishes"> },
  as: Pick<Preset, "id" | "name" | "revision" | "says">,
): Preset {
  const own = (Object.entries(wishes) as [BehaviourId, BehaviourValue][]).map(([id, value]) => {
    const start = preset?.wishes[id];
    return [id, start?.value === value ? start : { value, why: `As chosen for “${as.name}”.` }];
  });
  return { format: "anvilcloud/preset@1", ...as, wishes: Object.fromEntries(own) };
}
