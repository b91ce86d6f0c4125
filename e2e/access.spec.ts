import { violationsOn } from "./axe.ts";
import { expect, test } from "./server.ts";

const views = [
  ["jobs", "/"],
  ["survey", "/jobs/netloft/survey"],
  ["wire", "/jobs/netloft/wire"],
  ["cables", "/jobs/netloft/wire?view=cables"],
  ["as wired", "/jobs/netloft/wire?view=as-wired"],
  ["labels", "/jobs/netloft/wire?view=labels"],
  ["set", "/jobs/netloft/set"],
  ["steps", "/jobs/netloft/wire?view=steps"],
  ["step", `/jobs/netloft/power-up/${encodeURIComponent("do:power-up:on")}`],
  ["hand over", "/jobs/lampquay/hand-over"],
  ["record", "/jobs/lampquay/record"],
] as const;

/** By night on a phone colours and sizes differ, and nothing else: the rest is looked at by day. */
const screens = [
  ["by day", { colorScheme: "light", viewport: { width: 1280, height: 800 } }, []],
  [
    "by night on a phone",
    { colorScheme: "dark", viewport: { width: 390, height: 844 } },
    ["color-contrast", "target-size", "scrollable-region-focusable"],
  ],
] as const;

for (const [when, options, rules] of screens)
  test.describe(when, () => {
    test.use(options);
    test("every main view passes axe, and none scrolls sideways", async ({ page, demo }) => {
      for (const [name, address] of views) {
        await page.goto(demo + address);
        await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
        expect([name, await violationsOn(page, rules)]).toEqual([name, []]);
        const over = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
        expect([name, over]).toEqual([name, 0]);
      }
    });
  });
