import { readFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { watchWork, type Work } from "../../core/src/quantity/index.ts";

type Counts = Partial<Record<Work, number>>;

/** Whether everything is run and not a sample of it: `npm run prove`. */
const run = process.env.PROVE === "1" ? "prove" : "test";

/** What each suite may do at most, the same on any machine: in a plain run, and in one that proves everything. */
const ceilings = JSON.parse(
  readFileSync(fileURLToPath(new URL("ceilings.json", import.meta.url)), "utf8"),
) as Record<string, Partial<Record<typeof run, Counts>>>;

const mostOf = (suite: string, work: Work): number => ceilings[suite]?.[run]?.[work] ?? 0;

const spent = new Map<string, Counts>();

/** The file whose tests are being declared, before any test runs. */
let declaring = "";

/** Counts all work from here on against the file that has it done. */
export function openLedger(): void {
  watchWork((work, count) => {
    const file = declaring || (expect.getState().currentTestName?.split(" ")[0] ?? "between tests");
    const counts = spent.get(file) ?? {};
    counts[work] = (counts[work] ?? 0) + count;
    spent.set(file, counts);
  });
}

/** Says whose tests are declared; nothing once they all are. */
export function declares(file: string): void {
  declaring = file;
}

const kinds: readonly Work[] = ["plans", "circuits", "steps", "seconds"];

const sumOf = (work: Work) => [...spent.values()].reduce((sum, counts) => sum + (counts[work] ?? 0), 0);

/** Who spent most of this, a line each. */
const mostSpent = (work: Work) =>
  [...spent]
    .filter(([, counts]) => counts[work])
    .sort(([, a], [, b]) => b[work]! - a[work]!)
    .slice(0, 6)
    .map(([file, counts]) => `  ${Math.round(counts[work]!)} ${file}`)
    .join("\n");

/** Declares the test that holds a suite to its ceilings; the last of the suite. */
export function closeLedger(suite: string): void {
  test(`${suite}: no more is planned, solved, played and simulated than its ceiling`, () => {
    watchWork(undefined);
    const sums = Object.fromEntries(kinds.map((work) => [work, Math.round(sumOf(work))]));
    process.stdout.write(`${suite}, ${run}: ${JSON.stringify(sums)}\n`);
    const over = kinds.filter((work) => sumOf(work) > mostOf(suite, work));
    const told = over.map(
      (work) =>
        `${Math.round(sumOf(work))} ${work}, at most ${mostOf(suite, work)} by scripts/jest/ceilings.json; most by\n${mostSpent(work)}`,
    );
    expect(told).toEqual([]);
  });
}
