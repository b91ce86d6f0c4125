import type { FullResult, Reporter, TestCase, TestResult, TestStep } from "@playwright/test/reporter";

interface Ceiling {
  /** Journeys in all. */
  journeys: number;
  /** What they do and look for, all together: presses, texts that are typed, pages that are opened, expectations. */
  steps: number;
}

const counted: readonly string[] = ["pw:api", "expect"];

/** True for what an expectation does until it holds: as often as it takes, on a slow machine more often. */
const isRepeated = ({ parent }: TestStep): boolean =>
  parent !== undefined && (parent.category === "expect" || isRepeated(parent));

/** Counts journeys and what they do in the browser; over its ceiling the run fails and says which did most. */
export default class Ledger implements Reporter {
  private readonly did = new Map<string, number>();

  constructor(private readonly most: Ceiling) {}

  onTestBegin({ title }: TestCase): void {
    this.did.set(title, 0);
  }

  onStepEnd({ title }: TestCase, _: TestResult, step: TestStep): void {
    if (counted.includes(step.category) && !isRepeated(step))
      this.did.set(title, (this.did.get(title) ?? 0) + 1);
  }

  onEnd(): Promise<{ status?: FullResult["status"] } | undefined> {
    const { most, did } = this;
    const steps = [...did.values()].reduce((sum, each) => sum + each, 0);
    process.stdout.write(`browser: ${JSON.stringify({ journeys: did.size, steps })}\n`);
    if (did.size <= most.journeys && steps <= most.steps) return Promise.resolve(undefined);
    const each = [...did].sort(([, a], [, b]) => b - a).map(([title, count]) => `  ${count} ${title}\n`);
    process.stdout.write(
      `over the ceiling of ${most.journeys} journeys and ${most.steps} steps in e2e/playwright.config.ts; most by\n${each.join("")}`,
    );
    return Promise.resolve({ status: "failed" });
  }
}
