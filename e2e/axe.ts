import { AxeBuilder } from "@axe-core/playwright";
import type { Page } from "@playwright/test";

const standard = ["wcag2a", "wcag2aa", "wcag21aa", "wcag22aa"];

/** By night on a phone colours and sizes differ, and nothing else: the rest is looked at by day. */
const screens = [
  ["by day", "light", { width: 1280, height: 800 }, []],
  [
    "by night on a phone",
    "dark",
    { width: 390, height: 844 },
    ["color-contrast", "target-size", "scrollable-region-focusable"],
  ],
] as const;

/** The board drawn: the same on every page of a job, it is looked at on one. */
const drawing = "[data-drawing]";

/** What axe finds wrong on a page by day on a desk and by night on a phone, with the board drawn or without, and how far it scrolls sideways there. */
export async function faultsOn(page: Page, drawn: boolean): Promise<string[][]> {
  const faults = [];
  for (const [when, colorScheme, size, rules] of screens) {
    await page.setViewportSize(size);
    await page.emulateMedia({ colorScheme, reducedMotion: "reduce" });
    const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    if (over) faults.push([when, `scrolls sideways by ${over} px`]);
    if (size.width < 500) faults.push(...(await smallTargets(page)).map((target) => [when, target]));
    for (const violation of await violationsOn(page, rules, drawn)) faults.push([when, ...violation]);
  }
  return faults;
}

/** What is pressed and under 44 px high or wide; a link in a sentence and the fields a reader alone meets aside. */
const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const pressed = document.querySelectorAll<HTMLElement>("a[href], button, input, textarea, summary");
    return [...pressed].flatMap((element) => {
      const label = element.closest("label");
      const { width, height } = (label ?? element).getBoundingClientRect();
      const inSentence =
        getComputedStyle(element).display === "inline" &&
        element.parentElement!.textContent.trim() !== element.textContent.trim();
      const hidden = element.closest("[aria-hidden], [data-react-aria-prevent-focus]") !== null;
      if (hidden || inSentence || !width || (height >= 43.5 && width >= 43.5)) return [];
      return [`${element.outerHTML.slice(0, 120)} is ${Math.round(width)} by ${Math.round(height)} px`];
    });
  });

/**
 * What axe finds wrong on a page, in words to compare with nothing: by the rules of the standard, or by these alone.
 * Legacy mode leaves out the second page axe would gather its parts in: no frame of ours holds another origin.
 */
async function violationsOn(page: Page, rules: readonly string[], drawn: boolean): Promise<string[][]> {
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ["violations"] });
  if (!drawn) axe.exclude(drawing);
  const { violations } = await (rules.length ? axe.withRules([...rules]) : axe.withTags(standard)).analyze();
  return violations.map(({ id, nodes }) => [
    id,
    nodes[0]?.html.slice(0, 160) ?? "",
    nodes[0]?.failureSummary ?? "",
  ]);
}
