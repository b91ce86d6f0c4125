import { z } from "zod";
import { parseWith, ProblemsError } from "../finding/index.ts";
import { faultSchema, type Played, type Run } from "../twin/index.ts";
import { parseRunFile, runFileSchema, type RunFile } from "./file.ts";
import { namesIn } from "./names.ts";

/** Runs of one sweep at most. */
const mostCases = 500;

/** What differs from run to run: the seed, or what is wrong from the beginning; or each with each. */
const overSchema = z.strictObject({
  seeds: z.number().int().min(1).max(mostCases).default(1).describe("So many seeds, from the run's own on."),
  faults: z.array(z.array(faultSchema).max(20)).min(1).max(mostCases).optional(),
});

/** A sweep as a file says it: a run file, and what differs. */
export const sweepFileSchema = runFileSchema.extend({
  over: z.looseObject({ seeds: z.number().int().optional() }),
});

/** A run that is played many times, each time with something else. */
export interface RunSweep extends RunFile {
  over: z.output<typeof overSchema>;
}

/** Reads a sweep. Throws ProblemsError. */
export function parseSweep(data: unknown, file = "sweep"): RunSweep {
  const { over: given, ...rest } = parseWith(z.looseObject({ over: z.unknown() }), data, file);
  const over = parseWith(
    overSchema.refine(({ seeds, faults = [[]] }) => seeds * faults.length <= mostCases, {
      message: `Expected at most ${mostCases} runs of a sweep.`,
      path: ["seeds"],
    }),
    given,
    `${file}: over`,
  );
  const read = parseRunFile(rest, file);
  const named = namesIn(read.bundle, file);
  over.faults?.forEach((wrong, at) => named.faults(wrong, `over.faults[${at}]`));
  if (named.problems.length) throw new ProblemsError(named.problems);
  return { ...read, over };
}

/** The runs of a sweep, in order. */
export const casesOf = ({ run, over: { seeds, faults = [[]] } }: RunSweep): Run[] =>
  faults.flatMap((wrong) =>
    Array.from({ length: seeds }, (_, n): Run => ({
      ...run,
      seed: (run.seed + n) >>> 0,
      script: wrong.length ? [{ at: 0, faults: wrong }, ...run.script] : run.script,
    })),
  );

/** What is told of one run of a sweep. */
export interface Told {
  seed: number;
  mark: string;
  leaf: Played["ends"]["leaf"];
  display: string;
  /** How often a leaf pushed against something, and how often the board found something wrong by itself. */
  obstructed: number;
  failed: number;
  /** Seconds until the leaves first stood after they had moved; undefined where they never did. */
  stoodAfter?: number;
  /** Most that one drive drew, A. */
  mostAmps: number;
}

/** One run of a sweep in short. */
export function toldOf({ seed }: Run, { mark, ends, events, samples }: Played): Told {
  const count = (kind: string) => events.filter(({ event }) => event.kind === kind).length;
  const began = events.find(({ event }) => event.kind === "moves")?.at;
  const stood = events.find(
    ({ at, event }) => event.kind === "stops" && began !== undefined && at > began,
  )?.at;
  const amps = Object.values(samples).flatMap((leaf) => leaf.map(([, each]) => each));
  return {
    ...{ seed, mark, leaf: ends.leaf, display: ends.display },
    ...{ obstructed: count("obstructed"), failed: count("fails") },
    ...(began === undefined || stood === undefined ? {} : { stoodAfter: stood - began }),
    mostAmps: amps.reduce((most, each) => (each > most ? each : most), 0),
  };
}

/**
 * Plays the cases of a sweep, as many at a time as there are players; each that is done is told with its place. Once `gone`
 * is aborted no more are begun. Throws what a player throws.
 */
export async function sweeps<Case, Result>(
  cases: readonly Case[],
  players: readonly ((each: Case) => Promise<Result>)[],
  onDone: (result: Result, at: number) => void,
  gone?: { readonly aborted: boolean },
): Promise<void> {
  let next = 0;
  const work = async (player: (each: Case) => Promise<Result>): Promise<void> => {
    while (next < cases.length && !gone?.aborted) {
      const at = next++;
      const result = await player(cases[at]!);
      if (!gone?.aborted) onDone(result, at);
    }
  };
  await Promise.all(players.map(work));
}
