import { expect, type Page } from "@playwright/test";

/** Opens a part of the survey, where it is folded. */
export async function openPart(
  page: Page,
  part: "Site" | "Gate" | "Devices" | "What it" | "As found",
): Promise<void> {
  const head = page
    .getByRole("button", { name: new RegExp(`^${part}`) })
    .and(page.locator("[aria-controls]"));
  await expect(head).toBeVisible();
  if ((await head.getAttribute("aria-expanded")) !== "true") await head.click();
}

/** Looks devices up by some words and puts them on the job, all of them at once. */
export async function addDevices(page: Page, names: readonly RegExp[]): Promise<void> {
  await page.getByRole("button", { name: "Add devices" }).click();
  const dialog = page.getByRole("dialog", { name: "Add devices" });
  for (const name of names) await dialog.getByRole("option", { name }).first().click();
  await dialog.getByRole("button", { name: /^Add/ }).click();
  await expect(dialog).toBeHidden();
}

/** Begins a job from the list of jobs. */
export async function beginJob(page: Page, title: string, customer: string, board: RegExp): Promise<void> {
  await page.getByRole("textbox", { name: "Title" }).fill(title);
  await page.getByRole("textbox", { name: "Customer" }).fill(customer);
  await page.getByRole("option", { name: board }).click();
  await page.getByRole("button", { name: "Begin the survey" }).click();
}
