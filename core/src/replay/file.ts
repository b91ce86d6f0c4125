import { z } from "zod";
import { parseWith, ProblemsError } from "../finding/index.ts";
import { bundleSchema, parseBundle, type JobBundle } from "../job/index.ts";
import { engineVersion, runFormat, runSchema, type Run } from "../twin/index.ts";
import { namesIn } from "./names.ts";

/** A run that is saved and sent: with the job it is played on. */
export interface RunFile {
  run: Run;
  bundle: JobBundle;
}

/** A run file as it is sent: a run, of which the schema by the name of `run` says more, and the job it is played on. */
export const runFileSchema = z.strictObject({
  run: z.looseObject({ format: z.literal(runFormat), engine: z.number().int(), seed: z.number().int() }),
  bundle: bundleSchema,
});

const envelope = z.strictObject({ run: z.unknown(), bundle: z.unknown() });

/**
 * Reads a run file. Throws ProblemsError: of a file that is none, of a job that is wrong, of a name its board has not, and of
 * a run that was made with another version of the twin, for it would not run as it did.
 */
export function parseRunFile(data: unknown, file = "run"): RunFile {
  const raw = parseWith(envelope, data, file);
  const run = parseWith(runSchema, raw.run, file);
  const bundle = parseBundle(raw.bundle, file);
  const named = namesIn(bundle, file);
  named.script(run);
  const problems = [
    ...named.problems,
    ...(run.engine === engineVersion
      ? []
      : [
          {
            ...{ file, path: "run.engine", expected: `${engineVersion}, the version of this twin` },
            found: String(run.engine),
            remedy: "Play it with the version it was made with, or make it anew with this one.",
          },
        ]),
  ];
  if (problems.length) throw new ProblemsError(problems);
  return { run, bundle };
}
