import type { Page } from "@playwright/test";
import { expect } from "./server.ts";

/** Opens a job that was handed over anew, and keeps its file; where it lies. */
export async function fileHandedOver(page: Page, to: string): Promise<string> {
  await page.reload();
  await expect(page.getByText(new RegExp(`Handed over to ${to}`))).toBeVisible();
  const downloading = page.waitForEvent("download");
  await page.getByRole("link", { name: "Job file" }).click();
  const file = await (await downloading).path();
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await expect(page.getByRole("article", { name: "Record" })).toContainText("next service");
  return file;
}
