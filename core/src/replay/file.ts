import { z } from "zod";
import { checkGesture, namesOf, type BoardProfile } from "../board/index.ts";
import { parseWith, ProblemsError, shown, type Problem } from "../finding/index.ts";
import { boardOnSite, bundleSchema, parseBundle, type JobBundle } from "../job/index.ts";
import { engineVersion, runFormat, runSchema, type Run } from "../twin/index.ts";

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

/** Every name a script gives must be one of the board's. */
function scriptProblems(run: Run, board: BoardProfile, file: string): Problem[] {
  const problems: Problem[] = [];
  const report = (path: string, expected: string, found: unknown, remedy: string) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  const names = namesOf(board);
  const one = (list: readonly string[], id: string, path: string, what: string) => {
    if (!list.includes(id))
      report(path, `${what} of the board (${list.join(", ") || "it has none"})`, id, "Correct it.");
  };
  run.script.forEach(({ do: gesture, works, damages }, at) => {
    const path = `run.script[${at}]`;
    if (gesture) checkGesture(gesture, `${path}.do`, names, report);
    if (works) one(names.inputs, works.input, `${path}.works.input`, "an input");
    if (damages !== undefined) one(names.memories, damages, `${path}.damages`, "a memory");
  });
  return problems;
}

/**
 * Reads a run file. Throws ProblemsError: of a file that is none, of a job that is wrong, of a name its board has not, and of
 * a run that was made with another version of the twin, for it would not run as it did.
 */
export function parseRunFile(data: unknown, file = "run"): RunFile {
  const raw = parseWith(envelope, data, file);
  const run = parseWith(runSchema, raw.run, file);
  const bundle = parseBundle(raw.bundle, file);
  const problems = [
    ...scriptProblems(run, boardOnSite(bundle.job, bundle.board), file),
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
