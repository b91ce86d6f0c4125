import { readFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { fileHandedOver } from "../hand-over.ts";
import { expect, read, test } from "../server.ts";
import { addDevices, beginJob, openPart } from "../survey.ts";
import { walkSteps } from "../walk-steps.ts";

async function choose(page: Page, label: string, option: string | RegExp): Promise<void> {
  await page.getByRole("button", { name: label }).last().click();
  await page.getByRole("option", { name: option }).click();
}

async function saved(page: Page): Promise<void> {
  await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
}

test("a whole job, from a new one to the exported file, imported unchanged on another installation", async ({
  page,
  demo,
  empty,
}) => {
  await page.goto(demo);
  await page.getByRole("button", { name: "New job" }).click();
  await page.getByRole("button", { name: "Begin the survey" }).click();
  await expect(page.getByText("Give the job a title, such as the gate's place.")).toBeVisible();
  await beginJob(page, "Kelp store, pair", "Brisa Holloway-Tarn", /Tandrel/);

  await expect(page.getByRole("heading", { level: 1, name: "Survey" })).toBeVisible();
  await page.getByRole("textbox", { name: "Installer" }).fill("Ivet Carrandine");
  await openPart(page, "Gate");
  const mass = page.getByRole("textbox", { name: "Mass, kg" }).first();
  await mass.fill("-5");
  await mass.press("Tab");
  await expect(page.getByText("at least 5 kg")).toBeVisible();
  await mass.fill("150");
  await mass.press("Tab");
  await expect(page.getByText("at least 5 kg")).toBeHidden();
  await openPart(page, "Devices");
  await addDevices(page, [/^Heron/, /^Glance/, /^Plushet/, /^Halt/, /^Turnkey/]);
  await saved(page);
  await addDevices(page, [/^Heron/]);
  await saved(page);
  await openPart(page, "What it");
  await choose(page, "Automatic closing", "on");
  const rest = page.getByRole("textbox", { name: "Automatic closing after, s" });
  await rest.fill("30");
  await rest.press("Tab");
  const force = page.getByRole("textbox", { name: "Force, %" });
  await force.fill("50");
  await force.press("Tab");
  await openPart(page, "As found");
  await page.getByText("Everything stands here as it was found").click();
  await saved(page);
  await expect(page.getByRole("link", { name: /Survey, settled/ })).toBeVisible();

  await page.getByRole("link", { name: /^Wire/ }).click();
  await expect(page.getByRole("table", { name: "Wire list" })).toContainText("P3");
  await expect(page.getByRole("table", { name: "Links" })).toContainText("P1–P3");
  await expect(page.getByText(/74\smA of 550\smA, 476\smA to spare/)).toBeVisible();
  await page.getByRole("link", { name: /^Set/ }).click();
  await expect(page.getByText("8:45, 18 %").first()).toBeVisible();

  await page.getByRole("link", { name: /^Wire/ }).click();
  // The station before can be begun too, and stands until this one is there.
  await expect(page.getByRole("heading", { level: 1, name: "Wire" })).toBeVisible();
  await page.getByRole("button", { name: "Begin" }).click();
  const steps = await walkSteps(page);
  expect(steps).toBeGreaterThan(40);

  await expect(page).toHaveURL(/hand-over$/);
  for (const station of ["Wire", "Set", "Power up", "Travel", "Force", "Remotes", "Prove", "Hand over"])
    await expect(page.getByRole("link", { name: new RegExp(`^${station}, settled`) })).toBeVisible();
  await page.getByRole("textbox", { name: "Taken over by" }).fill("Brisa Holloway-Tarn");
  await page.getByRole("button", { name: "Hand over" }).click();
  await expect(page.getByText(/Handed over to Brisa Holloway-Tarn/)).toBeVisible();

  const file = await fileHandedOver(page, "Brisa Holloway-Tarn");
  await expect(page.getByRole("table", { name: "Results" })).toContainText("Learning the travel, 3 of 3");

  await page.goto(empty);
  await expect(page.getByText("1. Say what is there")).toBeVisible();
  const choosing = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Import a job file" }).click();
  await (await choosing).setFiles(file);
  await expect(page).toHaveURL(/\/jobs\/kelp-store-pair-/);
  await expect(page.getByRole("link", { name: /^Prove, settled/ })).toBeVisible();
  const id = /jobs\/([^/]+)/.exec(page.url())?.[1];
  const again: unknown = await (await read(page, `${empty}/api/jobs/${id}/bundle`)).json();
  expect(again).toEqual(JSON.parse(readFileSync(file, "utf8")));
});
