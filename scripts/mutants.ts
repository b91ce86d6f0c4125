// Changes rules at random, one at a time, and prints how many of the changes some test notices, folder by folder.
//   npm run mutants                      every folder of rules
//   npm run mutants -- circuit state     these alone
//   npm run mutants -- --most 400        a larger sample of each (400 is the most; 60 when left out)
import { spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { parseArgs } from "node:util";
import { Instrumenter } from "@stryker-mutator/instrumenter";

const root = new URL("..", import.meta.url).pathname;
const rules = ["circuit", "wiring", "controls", "state", "runsheet"];
const largestSample = 400;
/** Changes of words and of data are no changes of rules. */
const excludedMutations = ["StringLiteral", "ObjectLiteral", "Regex"];

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { most: { type: "string", default: "60" }, seed: { type: "string", default: "1" } },
});
const most = Math.min(largestSample, Number(values.most));

interface Place {
  fileName: string;
  location: Record<"start" | "end", { line: number; column: number }>;
}

const nothing = (): void => {};
const never = (): boolean => false;
const quiet = {
  ...{ trace: nothing, debug: nothing, info: nothing, warn: nothing, error: nothing, fatal: nothing },
  isDebugEnabled: never,
  isInfoEnabled: never,
};

/** Every change of the rules of a folder. */
async function mutantsOf(folder: string): Promise<Place[]> {
  const files = readdirSync(join(root, "core/src", folder), { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith(".ts") && !file.endsWith(".test.ts") && !file.endsWith("index.ts"))
    .map((file) => `core/src/${folder}/${file}`);
  const { mutants } = await new Instrumenter(quiet as never).instrument(
    files.map((name) => ({ name, mutate: true, content: readFileSync(join(root, name), "utf8") })),
    { excludedMutations, ignorers: [], plugins: null, noHeader: true } as never,
  );
  return mutants.filter(({ statusReason }) => !statusReason) as unknown as Place[];
}

/** A sample drawn by a seed (Lehmer's generator with Park and Miller's multiplier; from memory). */
function sample<T>(all: readonly T[], count: number, seed: number): T[] {
  let state = seed;
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  return all
    .map((each) => ({ each, at: next() }))
    .sort((a, b) => a.at - b.at)
    .slice(0, count)
    .map(({ each }) => each);
}

const rangeOf = ({ fileName, location: { start, end } }: Place) =>
  `${fileName}:${start.line}:${start.column}-${end.line}:${end.column}`;

interface Tried {
  status: string;
  location: Place["location"];
  mutatorName: string;
  replacement?: string;
}

/** Tries the sample of a folder; every change within a drawn range is tried with it. */
function tryAll(folder: string, ranges: readonly string[]): [file: string, Tried][] {
  const work = mkdtempSync(join(tmpdir(), "anvilcloud-mutants-"));
  const report = join(work, "report.json");
  const config = join(work, "stryker.json");
  const settings = {
    testRunner: "jest",
    plugins: ["@stryker-mutator/jest-runner"],
    testRunnerNodeArgs: ["--experimental-vm-modules", "--disable-warning=ExperimentalWarning"],
    coverageAnalysis: "off",
    jest: {
      projectType: "custom",
      configFile: "scripts/mutants/jest.config.mjs",
      enableFindRelatedTests: false,
    },
    buildCommand: "node scripts/mutants/bundle.mjs",
    mutate: ranges,
    mutator: { excludedMutations },
    concurrency: 2,
    timeoutMS: 60_000,
    reporters: ["json"],
    jsonReporter: { fileName: report },
    // Within the project, where the packages are found without links to them.
    tempDirName: "test-results/mutants",
    symlinkNodeModules: false,
    ignorePatterns: ["web", "e2e", "server", "bench", "data", "docs/screenshots", "test-results"],
    disableTypeChecks: false,
    allowConsoleColors: false,
  };
  mkdirSync(work, { recursive: true });
  writeFileSync(config, JSON.stringify(settings));
  const run = spawnSync("npx", ["stryker", "run", config], {
    cwd: root,
    stdio: ["ignore", "pipe", "pipe"],
    env: { ...process.env, MUTANTS_FOLDER: folder },
    encoding: "utf8",
  });
  try {
    const { files } = JSON.parse(readFileSync(report, "utf8")) as {
      files: Record<string, { mutants: Tried[] }>;
    };
    return Object.entries(files).flatMap(([file, { mutants }]) =>
      mutants.map((mutant): [string, Tried] => [file, mutant]),
    );
  } catch {
    throw new Error(
      `The mutation tester made no report.\n${run.stdout.slice(-3_000)}${run.stderr.slice(-2_000)}`,
    );
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

for (const folder of positionals.length ? positionals : rules) {
  const all = await mutantsOf(folder);
  const drawn = sample(all, most, Number(values.seed));
  const tried = tryAll(folder, [...new Set(drawn.map(rangeOf))]).filter(
    ([, { status }]) => status !== "Ignored" && status !== "CompileError",
  );
  const noticed = tried.filter(([, { status }]) => status === "Killed" || status === "Timeout");
  const score = Math.round((100 * noticed.length) / Math.max(1, tried.length));
  process.stdout.write(
    `${folder}: ${score} % noticed (${noticed.length} of ${tried.length}; ${all.length} in all)\n`,
  );
  for (const [file, mutant] of tried)
    if (!noticed.some(([, each]) => each === mutant))
      process.stdout.write(
        `  ${file}:${mutant.location.start.line}:${mutant.location.start.column} ${mutant.mutatorName}: ${(mutant.replacement ?? "").replace(/\s+/g, " ").slice(0, 90)}\n`,
      );
}
