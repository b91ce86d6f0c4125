import type { Page } from "@playwright/test";
import { largeBoards } from "../core/src/testing/many.ts";
import { longestTask, withPage } from "./browser.ts";
import { largeJob } from "./large-job.ts";

/** Long enough for a page to come to rest, ms. */
const rest = 4_000;

const stations = ["survey", "wire", "set", "power-up", "prove", "hand-over"];

async function longestUntilRest(page: Page): Promise<number> {
  await page.waitForTimeout(rest);
  return longestTask(page);
}

/** How long the page does not answer while a job of 60 devices is opened at each station, and the stations are changed. */
export const benchLongTasks = (): Promise<void> =>
  withPage(false, async (page, address) => {
    const bundle = largeJob(largeBoards()[0]!, 60);
    const used = new Set(bundle.job.devices.map(({ device }) => device.id));
    const devices = bundle.devices.filter(({ id }) => used.has(id));
    await fetch(`${address}/api/bundles`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...bundle, devices }),
    });
    const opened = [];
    for (const station of stations) {
      await page.goto(`${address}/jobs/large/${station}`);
      opened.push(`${station} ${await longestUntilRest(page)} ms`);
    }
    const changed = [];
    for (const station of stations) {
      await page.locator(`nav a[href$="/${station}"]`).first().click();
      changed.push(`${station} ${await longestUntilRest(page)} ms`);
    }
    process.stdout.write(
      `page of 60 devices, longest task as it is opened: ${opened.join(", ")}\n` +
        `  and as the station is changed: ${changed.join(", ")} (budget: none over 200 ms)\n`,
    );
  });
