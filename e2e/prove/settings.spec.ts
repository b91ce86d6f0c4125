import type { Page } from "@playwright/test";
import { expect, read, test } from "../server.ts";
import { openPart } from "../survey.ts";
import { walkSteps } from "../walk-steps.ts";

/** Keys pressed so far, counted at the page. */
function keysOf(page: Page): { press: (key: string) => Promise<void>; count: number } {
  const keys = {
    count: 0,
    press: async (key: string) => {
      keys.count += 1;
      await page.keyboard.press(key);
    },
  };
  return keys;
}

/** Walks the face by arrow keys from the part in hand to another. */
async function goTo(page: Page, keys: ReturnType<typeof keysOf>, part: string): Promise<void> {
  const here = () => page.evaluate(() => document.activeElement?.getAttribute("data-part"));
  for (let n = 0; n < 120 && (await here()) !== part; n += 1) await keys.press("ArrowRight");
  expect(await here()).toBe(part);
}

const entry = (page: Page) => page.getByRole("region", { name: "Entered on the face" });

async function openEntry(page: Page, demo: string, job: string): Promise<void> {
  await page.goto(`${demo}/jobs/${job}/set?view=stands`);
  await expect(entry(page).getByRole("heading", { name: "On the face" })).toBeVisible();
  await entry(page).locator("[data-part][tabindex='0']").focus();
}

test("as found is entered on the face by keys alone, on dials, on a menu, and on a knob with a text", async ({
  page,
  demo,
}) => {
  const boards = [
    {
      job: "netloft",
      parts: [
        ["switch S3", "Enter"],
        ["dial V2", "+"],
        ["slide LEAVES", "Enter"],
      ],
      field: /S1 to S6/,
      text: "101100",
    },
    { job: "ropewalk", parts: [["jumper JU", "Enter"]], field: /Aut2/, text: "45" },
    { job: "icehouse", parts: [["slide PH", "Enter"]], field: /^03/, text: "12" },
  ] as const;
  for (const { job, parts, field, text } of boards) {
    await openEntry(page, demo, job);
    const keys = keysOf(page);
    for (const [part, key] of parts) {
      await goTo(page, keys, part);
      await keys.press(key);
    }
    const typed = entry(page).getByRole("textbox", { name: field });
    await typed.focus();
    await typed.fill(text);
    keys.count += text.length;
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
    process.stdout.write(`${job}: as found entered with ${keys.count} keys\n`);
    const { job: stored } = (await (await read(page, `${demo}/api/jobs/${job}`)).json()) as {
      job: { found: { switches: object; values: object } };
    };
    expect(JSON.stringify(stored.found)).toContain(`"${text.length > 3 ? "on" : text}"`);
    await typed.fill("nonsense");
    await expect(entry(page).getByText(/Expected .*, found “nonsense”/)).toBeVisible();
  }
});

test("three boards of different manner are set to the end of their set-up, and a slip in the menu is led back", async ({
  page,
  demo,
}) => {
  for (const job of ["netloft", "icehouse", "ropewalk"]) {
    await page.goto(`${demo}/jobs/${job}/survey`);
    const noted = page.getByRole("switch", { name: "Everything stands here as it was found" });
    await expect(page.getByRole("heading", { level: 1, name: "Survey" })).toBeVisible();
    await openPart(page, "As found");
    if (!(await noted.isChecked())) await page.getByText("Everything stands here as it was found").click();
    for (const station of ["wire", "set"]) {
      await page.goto(`${demo}/jobs/${job}/${station}?view=steps`);
      const begin = page.getByRole("button", { name: /^(Begin|Go on)$/ });
      await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      if (!(await begin.isVisible())) continue;
      await begin.click();
      await walkSteps(page, station);
    }
    await expect(page.getByRole("link", { name: /^Set, settled/ })).toBeVisible();
  }
  await page.goto(`${demo}/jobs/ropewalk/power-up?view=steps`);
  await page.getByRole("link", { name: /dLY2/ }).click();
  const guide = page.getByRole("region", { name: "Key guide" });
  await guide.getByRole("button", { name: "It shows that" }).click();
  await guide.getByRole("button", { name: "It shows something else" }).click();
  await guide.getByLabel("Something else").fill("Prot");
  await guide.getByRole("button", { name: "Find it" }).click();
  await expect(guide.getByText("On from where it is.")).toBeVisible();
  const count = Number(/of (\d+)/.exec((await guide.getByText(/^Key 1 of/).textContent()) ?? "")?.[1]);
  for (let n = 0; n < count; n += 1) await guide.getByRole("button", { name: "It shows that" }).click();
  await expect(guide.getByText(/dLY2 Delay closing stands at 4/)).toBeVisible();
});

test("a reset on demand, what it voids made good, as left recorded, and the differences seen on the next visit", async ({
  page,
  demo,
}) => {
  const reopen = async (why: string) => {
    await page.getByRole("button", { name: "Open it again…" }).click();
    await page.getByRole("textbox", { name: "Why it is opened again" }).fill(why);
    await page.getByRole("button", { name: "Open it again", exact: true }).click();
    await expect(page.getByRole("button", { name: "Open it again…" })).toBeHidden();
  };
  await page.goto(`${demo}/jobs/sailloft/work`);
  await reopen("A transmitter was lost.");
  await page.getByText("Erase all remotes").click();
  const purpose = page.locator("details").filter({ hasText: "Erase all remotes" });
  await expect(purpose.getByRole("listitem")).toHaveCount(2);
  await purpose.getByRole("button", { name: "Begin it" }).click();
  await purpose.getByRole("textbox", { name: "Why it is needed" }).fill("A transmitter was lost.");
  await purpose.getByRole("button", { name: "Begin", exact: true }).click();
  await purpose.getByRole("link", { name: "to its steps" }).click();
  await expect(page.getByText("The board as found is not noted yet.")).toBeVisible();

  await openEntry(page, demo, "sailloft");
  const keys = keysOf(page);
  await goTo(page, keys, "dial D2");
  await keys.press("-");
  await entry(page).getByRole("button", { name: "Keep as found: 1 differ" }).click();
  await expect(entry(page).getByRole("button", { name: "Everything stands as it was left" })).toBeVisible();
  const table = page.getByRole("region", { name: "Found, planned, left" });
  await expect(table.getByText("changed between visits")).toBeVisible();

  await page.goto(`${demo}/jobs/sailloft/work`);
  await page.getByText("Erase all remotes").click();
  await purpose.getByRole("link", { name: "to its steps" }).click();
  await page.getByRole("button", { name: "Seen", exact: true }).click();
  await page.goto(`${demo}/jobs/sailloft/remotes?view=steps`);
  await page.getByRole("button", { name: "Go on" }).click();
  await walkSteps(page, "remotes");
  await expect(page.getByRole("link", { name: /^Remotes, settled/ })).toBeVisible();
  await expect(page.getByRole("link", { name: /^Set, blocked/ })).toBeVisible();

  await openEntry(page, demo, "sailloft");
  await entry(page).getByText("As left", { exact: true }).click();
  await entry(page).locator("[data-part][tabindex='0']").focus();
  await goTo(page, keys, "dial D2");
  await keys.press("+");
  await entry(page).getByRole("button", { name: "Keep as left: 1 changed" }).click();
  process.stdout.write(`sailloft: found and left entered with ${keys.count} keys\n`);
  for (const station of ["Set", "Power up", "Travel", "Force", "Remotes", "Prove"])
    await expect(page.getByRole("link", { name: new RegExp(`^${station}, settled`) })).toBeVisible();

  await page.goto(`${demo}/jobs/sailloft/hand-over`);
  await page.getByRole("textbox", { name: "Taken over by" }).fill("Perrin Astlethwaite");
  await page.getByRole("button", { name: "Hand over" }).click();
  await page.goto(`${demo}/jobs/sailloft/set?view=stands`);
  await reopen("The next visit.");
  const row = table.getByRole("row", { name: /D2/ });
  await expect(row).toContainText("changed between visits");
  await expect(row.getByRole("cell")).toHaveCount(6);
});
