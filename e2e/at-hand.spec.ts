import { writeFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { lineOf, workAtHome } from "./home.ts";
import { expect, read, test } from "./server.ts";
import { addDevices, openPart } from "./survey.ts";

const notice = (page: Page) => page.getByRole("region", { name: "What was done" });

test("what lies at hand: home on a phone, anything by one key, what was done taken back, a file whose job is here", async ({
  page,
  demo,
}, info) => {
  await test.step("home: what is next, found, narrowed, put away, deleted and taken back", async () => {
    await workAtHome(page, demo, { width: 390, height: 844 });
    await page.setViewportSize({ width: 1280, height: 800 });
  });

  await test.step("anything is reached from one place by one key, and nothing of it by touch alone", async () => {
    await page.goto(`${demo}/jobs/icehouse/survey`);
    await expect(page.getByRole("heading", { level: 1, name: "Survey" })).toBeVisible();
    const look = async (words: string, option: RegExp) => {
      await page.keyboard.press("/");
      await page.getByRole("searchbox", { name: "Go to, or do" }).fill(words);
      await expect(page.getByRole("option", { name: option }).first()).toBeVisible();
      await page.keyboard.press("Enter");
    };
    await look("travel", /^Travel/);
    await expect(page).toHaveURL(/icehouse\/travel$/);
    await look("terminal LP3", /^Terminal LP3/);
    await expect(page).toHaveURL(/icehouse\/wire$/);
    await expect(page.getByText(/LP3/).first()).toBeVisible();
    await look("eel fence", /^Eel fence track/);
    await expect(page).toHaveURL(/jobs\/eelfence/);
    await look("quernish", /Osierbeck/);
    await expect(page).toHaveURL(/boards\/osierbeck-quernish/);
    await page.keyboard.press("Control+k");
    await expect(page.getByRole("option", { name: "Eel fence track, solar radio" })).toBeVisible();
    await page.keyboard.press("Escape");
    await look("feet inches", /^Units and keys/);
    await page.getByText("feet and inches, lb, lbf").click();
    await page.getByText("AWG", { exact: true }).click();
    await page.keyboard.press("Escape");
    await page.goto(`${demo}/jobs/netloft/survey`);
    await openPart(page, "Gate");
    const width = page.getByRole("textbox", { name: /^Width, ft, in/ }).first();
    await width.fill(`6' 1 1/2"`);
    await width.press("Tab");
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
    const { job } = (await (await read(page, `${demo}/api/jobs/netloft`)).json()) as {
      job: { survey: { leaves: { widthMm: number }[] } };
    };
    expect(job.survey.leaves[0]!.widthMm).toBe(1867);
    await page.goto(`${demo}/jobs/netloft/wire`);
    await expect(page.getByRole("table", { name: "Wire list" })).toContainText("AWG 18");
  });

  await test.step("a device removed and a step ticked are taken back, and the focus stays with the work", async () => {
    await page.goto(`${demo}/jobs/netloft/survey`);
    await openPart(page, "Devices");
    const cards = page.locator("#devices-fields > ul").first().getByRole("listitem");
    const before = await cards.count();
    await addDevices(page, [/^Voice intercom/, /^Turnkey/]);
    await expect(notice(page)).toContainText("Added: ");
    await expect(cards).toHaveCount(before + 2);
    await page.getByRole("button", { name: /^Remove Keypad/ }).press("Enter");
    await expect(cards).toHaveCount(before + 1);
    expect(await page.evaluate(() => document.activeElement?.closest("#devices") !== null)).toBe(true);
    await page.keyboard.press("Control+z");
    await expect(cards).toHaveCount(before + 2);
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();

    await page.goto(`${demo}/jobs/netloft/wire/${encodeURIComponent("isolate:breaker")}`);
    await page.getByRole("button", { name: "Seen", exact: true }).click();
    await expect(page.getByRole("heading", { level: 1, name: /prove dead/ })).toBeFocused();
    await page.keyboard.press("Control+z");
    await expect(notice(page)).toContainText("Taken back");
    await expect(page.getByRole("link", { name: /^Wire, open, 0 of/ })).toBeVisible();
    const { log } = (await (await read(page, `${demo}/api/jobs/netloft/log`)).json()) as {
      log: { outcome: string }[];
    };
    expect(log.map(({ outcome }) => outcome)).toEqual(["seen", "withdrawn"]);
  });

  await test.step("a job file whose job is here: shown how it differs, then not taken, taken as a copy, and as a later state", async () => {
    const bundle = (await (await read(page, `${demo}/api/jobs/ropewalk/bundle`)).json()) as {
      job: { title: string };
      log: object[];
    };
    bundle.job.title = "Ropewalk gates, north side";
    bundle.log.push({
      id: "later",
      at: "2026-11-27T09:00:00.000Z",
      by: "Ivet",
      kind: "note",
      text: "hinge dry",
    });
    const file = info.outputPath("later.json");
    writeFileSync(file, JSON.stringify(bundle));
    const bring = async () => {
      await page.goto(demo);
      const choosing = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Import a job file" }).click();
      await (await choosing).setFiles(file);
      const dialog = page.getByRole("dialog", { name: "Ropewalk gates, heavy pair is here already" });
      await expect(dialog.getByRole("table", { name: "Differences" })).toContainText(
        "Ropewalk gates, north side",
      );
      await expect(dialog).toContainText("The log of the file has 1 entry more");
      return dialog;
    };
    await (await bring()).getByRole("button", { name: "Do not import it" }).click();
    await expect(lineOf(page, /Ropewalk gates, heavy pair/)).toBeVisible();
    await (await bring()).getByRole("button", { name: "As a copy beside it" }).click();
    await expect(page).toHaveURL(/\/jobs\/copy-\w+/);
    await (await bring()).getByRole("button", { name: "As its later state" }).click();
    await expect(page).toHaveURL(/\/jobs\/ropewalk/);
    await expect(page.getByText("Ropewalk gates, north side").first()).toBeVisible();
    const again = (await (await read(page, `${demo}/api/jobs/ropewalk/log`)).json()) as {
      log: object[];
    };
    expect(again.log).toHaveLength(bundle.log.length);
  });
});
