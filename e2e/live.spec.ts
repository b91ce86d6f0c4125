import { readFileSync } from "node:fs";
import { expect, test } from "./server.ts";

test("a job runs as planned: it opens by its remote, turns back from who stands in its way, and the run that was kept plays to the same end", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/ropewalk/live`);
  const told = page.getByRole("list", { name: "What happened" });
  const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
  await page.getByRole("button", { name: "Remote: press" }).click();
  await expect(told.getByText("The gate opens.")).toBeVisible();
  // As fast as it goes until it stands.
  await page.getByText("10×", { exact: true }).click();
  await expect(is).toHaveText("The gate is open.", { timeout: 30_000 });
  await page.getByText("1×", { exact: true }).click();
  await page.getByRole("button", { name: "Remote: press" }).click();
  await expect(is).toHaveText("The gate closes.");
  // Someone stands in the beam while it closes: it opens again by itself.
  await page.getByRole("button", { name: "Stand in the way" }).click();
  await expect(is).toHaveText("The gate opens.", { timeout: 60_000 });
  await page.getByRole("button", { name: "Pause" }).click();

  await page.getByRole("tab", { name: "Keep and play" }).click();
  await page.getByLabel("Name of this run").fill("Turned back");
  const coming = page.waitForEvent("download");
  await page.getByRole("button", { name: "Keep it as a file" }).click();
  const file = await (await coming).path();
  const mark = await page.getByText(/comes to the same end: [0-9a-f]{16}/).textContent();
  const [chooser] = await Promise.all([
    page.waitForEvent("filechooser"),
    page.getByRole("button", { name: "Play a file" }).click(),
  ]);
  await chooser.setFiles({
    name: "turned-back.run.json",
    mimeType: "application/json",
    buffer: readFileSync(file),
  });
  await expect(page.getByText(/its end is [0-9a-f]{16}/)).toContainText(/[0-9a-f]{16}/.exec(mark ?? "")![0]);
});

test("a board is tried without a job, by keyboard: its power comes on and a switch on its face flips", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/boards/quillmarsh-tandrel/live`);
  await page.getByRole("button", { name: "Pause" }).waitFor();
  await page.getByRole("switch", { name: "Power" }).focus();
  await page.keyboard.press("Space");
  await expect(page.getByRole("img", { name: /^Lamp POWER, \w+, lit$/ })).toBeVisible();
  const one = page.getByRole("img", { name: /^Switch S1, / });
  const was = await one.getAttribute("aria-label");
  await one.focus();
  await page.keyboard.press("Enter");
  await expect(one).not.toHaveAttribute("aria-label", was!);
  // Time stands still by its key, and goes on.
  await page.locator("body").click({ position: { x: 5, y: 300 } });
  await page.keyboard.press("p");
  await expect(page.getByRole("button", { name: "Go on" })).toBeVisible();
});

test("on a phone the board and the thing change places, and nothing goes out of the window", async ({
  page,
  demo,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(`${demo}/jobs/icehouse/live`);
  await page.getByRole("button", { name: "The door", exact: true }).click();
  await expect(page.getByRole("img", { name: "Door from the side" })).toBeInViewport();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});
