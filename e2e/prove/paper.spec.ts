import { expect, test } from "../server.ts";

const pages = [
  ["netloft", "survey"],
  ["netloft", "wire"],
  ["netloft", "set"],
  ["icehouse", "travel"],
  ["icehouse", "record"],
  ["sailloft", "record"],
] as const;

test("on paper each page says whose it is, tables say their columns on every page, and nothing is there to be pressed", async ({
  page,
  demo,
}) => {
  for (const [job, view] of pages) {
    await page.emulateMedia({ media: "screen" });
    await page.goto(`${demo}/jobs/${job}/${view}`);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await page.emulateMedia({ media: "print" });
    const at = `${job} ${view}`;

    const title = page.locator("header").filter({ hasText: /, revision \d+/ });
    await expect(title, at).toBeVisible();

    // The head of a group may fold on screen: on paper it is words like any other. What is asked stands in its fields.
    const pressed = await page
      .locator("button:visible, input:visible")
      .evaluateAll((all) =>
        all.flatMap((each) => (each.closest("th") ? [] : [each.outerHTML.slice(0, 120)])),
      );
    if (view !== "survey") expect([at, pressed]).toEqual([at, []]);

    // What keeps its place in a window, and what can be pressed, is not said again on the next page.
    const heads = await page.locator("thead th:visible").evaluateAll((all) =>
      all.map((each) => {
        const before = getComputedStyle(each, "::before").content;
        const words = before === "none" ? (each as HTMLElement).innerText : before;
        const again =
          getComputedStyle(each).position === "static" && !each.querySelector("button:not([hidden])");
        return { words, again: again || before !== "none" };
      }),
    );
    for (const { words, again } of heads) expect([at, words !== "", again]).toEqual([at, true, true]);
    if (view !== "survey" && view !== "travel" && view !== "set") expect(heads.length).toBeGreaterThan(3);
  }
});
