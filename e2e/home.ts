import type { Page } from "@playwright/test";
import { expect } from "./server.ts";

const jobsTable = (page: Page) => page.getByRole("table", { name: "Jobs" });

/** The line of a job in the list of jobs. */
export const lineOf = (page: Page, title: string | RegExp) =>
  jobsTable(page).getByRole("row", { name: title });

/** Chooses what else is done with a job of the list. */
async function more(page: Page, title: string, act: string): Promise<void> {
  await page.getByRole("button", { name: `More for ${title}` }).click();
  await page.getByRole("menuitem", { name: act }).click();
}

/** What is next, found, narrowed, put away, deleted and taken back, in a window of some size. */
export async function workAtHome(
  page: Page,
  demo: string,
  viewport: { width: number; height: number },
): Promise<void> {
  await page.setViewportSize(viewport);
  await page.goto(demo);
  const next = page.getByRole("region", { name: "Next" });
  await expect(next.getByRole("region", { name: "Service due" })).toContainText("Eel fence track");
  await expect(next.getByRole("region", { name: "Under way" })).toContainText("Icehouse loading door");

  const find = page.getByRole("textbox", { name: "Find a job" });
  await find.fill("cold hoistrum");
  await expect(page.getByText("No job is like that.", { exact: false })).toBeVisible();
  await find.fill("saltreath hoist");
  await expect(lineOf(page, /Icehouse/)).toBeVisible();
  await expect(jobsTable(page).locator("tbody").getByRole("row")).toHaveCount(1);
  // What is looked for stands in the address, and is there again when it is opened anew.
  await page.reload();
  await expect(find).toHaveValue("saltreath hoist");
  await page.getByRole("button", { name: "Show all" }).click();
  await expect(lineOf(page, /Netloft/)).toBeVisible();

  await more(page, "Netloft yard, swing pair", "Delete it");
  await expect(lineOf(page, /Netloft/)).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(lineOf(page, /Netloft/)).toBeVisible();
  await more(page, "Ropewalk gates, heavy pair", "It waits for …");
  await page.getByRole("textbox", { name: "Waits for" }).fill("a strike");
  await page.getByRole("button", { name: "Note it" }).click();
  await expect(next.getByRole("region", { name: "Waiting" })).toContainText("Waits for a strike");
  await more(page, "Sail loft rooflights", "Make it a template");
  await page.getByText(/^Templates 1$/).click();
  await page.getByRole("button", { name: "More for Sail loft rooflights" }).click();
  await page.getByRole("menuitem", { name: "Begin a job like it" }).click();
  await page.getByRole("textbox", { name: "Title" }).fill("Cork loft");
  await page.getByRole("textbox", { name: "Customer" }).fill("Brisa Holloway-Tarn");
  await page.getByRole("button", { name: "Begin it" }).click();
  await expect(page).toHaveURL(/\/jobs\/cork-loft-\w+\/survey/);
  await expect(page.getByRole("link", { name: /^Wire, .*0 of/ })).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(viewport.width);
}
