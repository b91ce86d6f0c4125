import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const standard = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"];

/**
 * What axe finds wrong on a page, in words to compare with nothing: by the rules of the standard, or by these alone.
 * Legacy mode leaves out the second page axe would gather its parts in: no frame of ours holds another origin.
 */
export async function violationsOn(page: Page, rules: readonly string[] = []): Promise<string[][]> {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ["violations"] });
  const { violations } = await (rules.length ? axe.withRules([...rules]) : axe.withTags(standard)).analyze();
  return violations.map(({ id, nodes }) => [
    id,
    nodes[0]?.html.slice(0, 160) ?? "",
    nodes[0]?.failureSummary ?? "",
  ]);
}
