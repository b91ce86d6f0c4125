import { readFileSync } from "node:fs";
import type { Locator, Page } from "@playwright/test";
import { fileHandedOver } from "./hand-over.ts";
import { expect, read, test } from "./server.ts";

/** Goes on with the key for the next until something has the focus. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  await expect(target).toBeVisible();
  for (let n = 0; n < 120; n++) {
    if (await target.evaluate((element) => element === document.activeElement)) return;
    await page.keyboard.press("Tab");
  }
  throw new Error(`${target} is not reached by the keyboard`);
}

async function pressOn(page: Page, target: Locator): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press("Enter");
}

async function write(page: Page, target: Locator, text: string): Promise<void> {
  await tabTo(page, target);
  await page.keyboard.press("Control+a");
  await page.keyboard.type(text);
}

/** Looks something up in a list of a dialog, by words, and takes it. */
async function take(page: Page, field: Locator, words: string, option: RegExp): Promise<void> {
  await write(page, field, words);
  const found = page.getByRole("option", { name: option }).first();
  await expect(found).toBeVisible();
  const focused = () =>
    page
      .locator('[role="option"][data-focused]')
      .evaluateAll(([option]) => option?.id ?? option?.textContent ?? null);
  // The focus follows a key a moment later: it is waited for before the next one.
  while ((await found.getAttribute("data-focused")) === null) {
    const before = await focused();
    await page.keyboard.press("ArrowDown");
    await expect.poll(focused).not.toBe(before);
  }
  await page.keyboard.press("Enter");
}

test("a whole job by keys alone: begun, surveyed, wired, commissioned, handed over, and imported unchanged on another installation", async ({
  page,
  empty,
  demo,
}) => {
  await page.goto(empty);
  await expect(page.getByText("1. Say what is there")).toBeVisible();
  await pressOn(page, page.getByRole("button", { name: "New job" }));
  await write(page, page.getByRole("textbox", { name: "Title" }), "Stair window");
  await write(page, page.getByRole("textbox", { name: "Customer" }), "Brisa Holloway-Tarn");
  await take(page, page.getByRole("searchbox", { name: "Board" }), "casspel", /Casspel/);
  await pressOn(page, page.getByRole("button", { name: "Begin the survey" }));
  await expect(page.getByRole("heading", { level: 1, name: "Survey" })).toBeFocused();

  const part = (name: RegExp) => page.locator("[aria-controls]").and(page.getByRole("button", { name }));
  const open = async (name: RegExp) => {
    if ((await part(name).getAttribute("aria-expanded")) !== "true") await pressOn(page, part(name));
  };
  await open(/^Window/);
  await pressOn(page, page.getByRole("button", { name: "They are as written" }));
  await open(/^Devices/);
  await pressOn(page, page.getByRole("button", { name: "Add devices" }));
  const find = page.getByRole("searchbox", { name: "Find a device" });
  for (const [words, option] of [
    ["chain", /^Chain/],
    ["plushet", /^Plushet/],
    ["turnkey", /^Turnkey/],
  ] as const)
    await take(page, find, words, option);
  await pressOn(page, page.getByRole("button", { name: "Add 3 devices" }));
  await open(/^As found/);
  await tabTo(page, page.getByRole("switch", { name: "Everything stands here as it was found" }));
  await page.keyboard.press("Space");
  await pressOn(page, page.getByRole("button", { name: "On to the wiring" }));
  await expect(page.getByRole("heading", { level: 1, name: "Wire" })).toBeFocused();
  await pressOn(page, page.getByRole("button", { name: "Begin" }));

  const ended = page.getByRole("heading", { level: 1, name: "Hand over" });
  for (let seen = 0; seen < 80; seen++) {
    const card = page.getByRole("article");
    await expect(card.or(ended)).toBeVisible();
    if (!(await card.isVisible())) break;
    const address = page.url();
    const shown = await card.elementHandle();
    await expect(card.getByRole("button", { name: "Seen", exact: true })).toBeEnabled();
    const limit = /at least ([\d.]+)/i.exec(await card.innerText())?.[1];
    for (const field of await card.getByRole("textbox", { name: /, (V|N|V DC|V AC)$/ }).all())
      await write(page, field, limit === undefined ? "0" : String(Number(limit) + 1));
    // Out of a field a letter is an answer again.
    await tabTo(page, card.getByRole("button", { name: "Not seen" }));
    await page.keyboard.press("s");
    await expect(page).not.toHaveURL(address);
    await shown?.waitForElementState("hidden");
  }
  await write(page, page.getByRole("textbox", { name: "Taken over by" }), "Brisa Holloway-Tarn");
  await pressOn(page, page.getByRole("button", { name: "Hand over" }));
  await expect(page.getByText(/Handed over to Brisa Holloway-Tarn/)).toBeVisible();
  for (const station of ["Wire", "Power up", "Prove", "Hand over"])
    await expect(page.getByRole("link", { name: new RegExp(`^${station}, settled`) })).toBeVisible();

  const file = await fileHandedOver(page, "Brisa Holloway-Tarn");

  await page.goto(demo);
  const choosing = page.waitForEvent("filechooser");
  await page.getByRole("button", { name: "Import a job file" }).click();
  await (await choosing).setFiles(file);
  await expect(page).toHaveURL(/\/jobs\/stair-window-/);
  await expect(page.getByRole("link", { name: /^Prove, settled/ })).toBeVisible();
  const id = /jobs\/([^/]+)/.exec(page.url())?.[1];
  const again: unknown = await (await read(page, `${demo}/api/jobs/${id}/bundle`)).json();
  expect(again).toEqual(JSON.parse(readFileSync(file, "utf8")));
});
