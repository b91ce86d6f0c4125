import { readFile } from "node:fs/promises";
import type { Page } from "@playwright/test";
import Papa from "papaparse";
import { expect, test } from "./server.ts";
import { storeSheds } from "./sheds.ts";
import { walkSteps } from "./walk-steps.ts";

/** Chooses in a list by its label, by keyboard: opened with Enter, found by typing what it begins with. */
async function choose(page: Page, label: RegExp, option: RegExp) {
  await page.getByRole("button", { name: label }).focus();
  await page.keyboard.press("Enter");
  await page.getByRole("option", { name: option }).first().press("Enter");
}

/** Notes where a core sits. */
async function noteCore(page: Page, core: RegExp, place: RegExp) {
  await choose(page, /Core$/, core);
  await choose(page, /Sits on$/, place);
  await page.getByRole("button", { name: "It sits here" }).press("Enter");
}

const atBoard = (page: Page) => page.getByRole("list", { name: "Findings at the board" });
const differences = (page: Page) =>
  page.getByRole("list", { name: "Differences to the plan" }).getByRole("listitem");

test("a job is wired: two cores miswired, told and mended; a colour found stands in its list, which is read back", async ({
  page,
  demo,
}) => {
  await test.step("a job is wired, two cores miswired, told and mended, and its wire list read back", async () => {
    const errors: string[] = [];
    page.on("pageerror", (error) => errors.push(error.message));

    // Every wiring step, one after another, seen.
    await page.goto(`${demo}/jobs/netloft/wire`);
    await page.getByRole("button", { name: "Begin" }).click();
    expect(await walkSteps(page, "wire/")).toBeGreaterThan(10);
    await page.goto(`${demo}/jobs/netloft/wire?view=as-wired`);
    await expect(atBoard(page)).toHaveCount(0);

    // The stop's core on the beam's terminal, and the photocell's supply on the terminals of the lock.
    await noteCore(page, /^Stop, boat store: \w+ contact a/, /^C4 /);
    await expect(differences(page)).toHaveCount(1);
    await expect(differences(page).first()).toContainText("Stop (P2) reads open instead of closed");
    await noteCore(page, /^Photocell, quay side: \w+ receiver \+/, /^R4 /);
    await expect(differences(page)).toHaveCount(2);
    await expect(atBoard(page)).toContainText("Stop (P2) reads open");
    await expect(atBoard(page)).toContainText("of Stop, boat store sits on C4; planned is P2");

    // Told again after a new start, as it is in the log.
    await page.reload();
    await expect(differences(page)).toHaveCount(2);

    // One is put where it is planned, the other by picking its terminal on the drawing.
    await differences(page)
      .filter({ hasText: "Stop, boat store" })
      .getByRole("button", { name: /as planned$/ })
      .click();
    await expect(differences(page)).toHaveCount(1);
    await choose(page, /Core$/, /^Photocell, quay side: \w+ receiver \+/);
    await page.getByRole("button", { name: "Pick on the drawing" }).press("Enter");
    await page.locator('[data-part="terminal R3"]').first().click();
    await page.getByRole("button", { name: "It sits here" }).click();
    await expect(differences(page)).toHaveCount(0);
    await expect(atBoard(page)).toHaveCount(0);

    // The wire list, saved and read back by a CSV package.
    await page.goto(`${demo}/jobs/netloft/wire`);
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "CSV" }).click();
    const file = await (await download).path();
    const { data, errors: wrong } = Papa.parse<Record<string, string>>(await readFile(file, "utf8"), {
      header: true,
      skipEmptyLines: true,
    });
    expect(wrong).toEqual([]);
    const shown = page.getByRole("table", { name: "Wire list" }).locator("tr[data-lit]");
    expect(data).toHaveLength(await shown.count());
    expect(data).toContainEqual(
      expect.objectContaining({ device: "Stop, boat store", pin: "contact a", to: "P2" }),
    );
    expect(errors).toEqual([]);
  });

  await test.step("a colour found stands in the wire list, and a wish moves the plan", async () => {
    await storeSheds(page, demo, { until: "power-up" });
    await page.goto(`${demo}/jobs/sheds/wire?view=as-wired`);
    await choose(page, /Core$/, /contact a, planned on P2/);
    await choose(page, /Colour found$/, /^VT$/);
    await expect(page.getByText(/was found as/)).toBeVisible();
    await page.getByRole("radio", { name: "Plan", exact: true }).press("Space");
    await expect(page.getByRole("table", { name: "Wire list" })).toContainText("VT");
  });
});
