import { readFileSync } from "node:fs";
import { build } from "esbuild";
import { parseRunFile, replay } from "@anvilcloud/core";
import { savedRun } from "../core/src/testing/saved-run.ts";
import { setsValues, withoutJob } from "./commissioning.ts";
import { expect, test } from "./server.ts";

/** The core as one script, as a page would have it. */
async function coreScript(): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: ["core/src/index.ts"],
    bundle: true,
    write: false,
    format: "iife",
    globalName: "core",
    logLevel: "silent",
  });
  return outputFiles[0]!.text;
}

test("what moves: a job that runs as planned and is kept as a file, a board without a job, a door commissioned by what its card says", async ({
  page,
  demo,
}) => {
  await test.step("a job runs as planned: it opens by its remote, turns back from who stands in its way, and the run that was kept plays to the same end", async () => {
    await page.goto(`${demo}/jobs/ropewalk/live`);
    const told = page.getByRole("list", { name: "What happened" });
    const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
    await page.getByRole("button", { name: "Remote: press" }).click();
    await expect(told.getByText("The gate opens.")).toBeVisible();
    // As fast as it goes until it stands.
    await page.getByText("10×", { exact: true }).click();
    await expect(is).toHaveText("The gate is open.");
    await page.getByText("1×", { exact: true }).click();
    await page.getByRole("button", { name: "Remote: press" }).click();
    await expect(is).toHaveText("The gate closes.");
    // Someone stands in the beam while it closes: it opens again by itself.
    await page.getByRole("button", { name: "Stand in the way" }).click();
    await expect(is).toHaveText("The gate opens.");
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
    await expect(page.getByText(/its end is [0-9a-f]{16}/)).toContainText(
      /[0-9a-f]{16}/.exec(mark ?? "")![0],
    );
  });

  await test.step("a board is tried without a job, by keyboard: its power comes on and a switch on its face flips", async () => {
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

  await test.step("on a phone the board and the thing change places, and nothing goes out of the window", async () => {
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`${demo}/jobs/icehouse/live`);
    await page.getByRole("button", { name: "The door", exact: true }).click();
    await expect(page.getByRole("img", { name: "Door from the side" })).toBeInViewport();
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  });

  await test.step("a pedestrian door by pointer: it measures its way, weighs its leaf, and lets a visitor through", async () => {
    await page.setViewportSize({ width: 1280, height: 800 });
    const it = await withoutJob(page, demo, /Thrussel/);
    await it.says(/switch the mains on/);
    await page.getByText("Power", { exact: true }).click();
    // It stands closed already: that step is done.
    await it.says(/^Hold SET-UP for 6 s/);
    const key = (await it.button("SET-UP").boundingBox())!;
    await page.mouse.move(key.x + 20, key.y + 20);
    await page.mouse.down();
    await it.passes(6.4);
    await page.mouse.up();
    // What it does meanwhile is said only as long as it lasts, and may be over before it is looked for.
    await it.waits(/^Press ↓ to open the menu, go to Motion/);
    const happened = page.getByRole("list", { name: "What happened" });
    await expect(happened).toContainText("It begins: measures its way and weighs its leaf.");
    await expect(happened).toContainText("In memory: learned force.");
    await setsValues(it);
    await it.says(/^(Commissioned|Let|Walk|Stand)/);
    await page.getByRole("button", { name: "Walk in" }).click();
    const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
    await expect(is).toHaveText("The door opens.");
  });

  await test.step("a saved run of ten minutes comes to the same to the last bit in Node and in Chromium", async () => {
    await page.goto("about:blank");
    const file = savedRun();
    const here = replay(parseRunFile(file));
    await page.addScriptTag({ content: await coreScript() });
    const there = await page.evaluate((given) => {
      const { core } = globalThis as unknown as {
        core: { parseRunFile: typeof parseRunFile; replay: typeof replay };
      };
      const played = core.replay(core.parseRunFile(given));
      return { mark: played.mark, events: played.events.length, engine: navigator.userAgent };
    }, file);
    expect(there.engine).toContain("Chrome");
    expect(here.seconds).toBe(600);
    expect(there).toMatchObject({ mark: here.mark, events: here.events.length });
  });
});
