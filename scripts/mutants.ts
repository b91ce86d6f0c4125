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
const rules = Object.keys(
  JSON.parse(readFileSync(join(root, "scripts/mutants/holders.json"), "utf8")) as object,
);
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

/** The same in an order drawn by a seed (Lehmer's generator with Park and Miller's multiplier; from memory). */
function shuffled<T>(all: readonly T[], seed: number): T[] {
  let state = seed;
  const next = () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
  return all
    .map((each) => ({ each, at: next() }))
    .sort((a, b) => a.at - b.at)
    .map(({ each }) => each);
}

const before = (a: { line: number; column: number }, b: { line: number; column: number }) =>
  a.line < b.line || (a.line === b.line && a.column <= b.column);

const holds = (outer: Place, inner: Place) =>
  outer.fileName === inner.fileName &&
  before(outer.location.start, inner.location.start) &&
  before(inner.location.end, outer.location.end);

/** A range is tried with every change within it; one that holds more than these would stand for a whole function. */
const mostWithin = 6;

/** Ranges drawn by a seed until the changes within them come to the count. */
function draw(all: readonly Place[], count: number, seed: number): string[] {
  const within = (place: Place) => all.filter((each) => holds(place, each));
  const drawn = new Set<Place>();
  const ranges = new Set<string>();
  for (const place of shuffled(all, seed)) {
    if (drawn.size >= count) break;
    const changes = within(place);
    if (drawn.has(place) || changes.length > mostWithin) continue;
    for (const each of changes) drawn.add(each);
    ranges.add(rangeOf(place));
  }
  return [...ranges];
}

/** The instrumenter counts lines from 0, a range from 1; both count columns from 0. */
const rangeOf = ({ fileName, location: { start, end } }: Place) =>
  `${fileName}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`;

interface Tried {
  status: string;
  location: Place["location"];
  mutatorName: string;
  replacement?: string;
}

/** Tries every change within these ranges of a folder. */
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
    // Every ten seconds how many are tried; the outcome comes at the end.
    reporters: ["json", "progress-append-only"],
    jsonReporter: { fileName: report },
    // Within the project, where the packages are found without links to them, and no other tool clears away.
    tempDirName: "coverage/mutants",
    symlinkNodeModules: false,
    ignorePatterns: ["web", "e2e", "server", "bench", "data", "docs/screenshots", "test-results", "coverage"],
    disableTypeChecks: false,
    allowConsoleColors: false,
  };
  mkdirSync(work, { recursive: true });
  writeFileSync(config, JSON.stringify(settings));
  const run = spawnSync("npx", ["stryker", "run", config], {
    cwd: root,
    stdio: ["ignore", 2, "pipe"],
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
    throw new Error(`The mutation tester made no report.\n${run.stderr.slice(-3_000)}`);
  } finally {
    rmSync(work, { recursive: true, force: true });
  }
}

for (const folder of positionals.length ? positionals : rules) {
  const all = await mutantsOf(folder);
  const tried = tryAll(folder, draw(all, most, Number(values.seed))).filter(
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
