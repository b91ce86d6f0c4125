import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { runServer } from "../e2e/run-server.ts";
import { largeBoards } from "../core/src/testing/many.ts";
import { largeJob } from "./large-job.ts";

/** Long enough for a page to come to rest, ms. */
const rest = 4_000;

const stations = ["survey", "wire", "set", "power-up", "prove", "hand-over"];

/** The longest time for which the page did not answer since this was asked last, ms. */
async function longestTask(page: Page): Promise<number> {
  await page.waitForTimeout(rest);
  return page.evaluate(() => {
    const seen = window as unknown as { tasks: number[] };
    return Math.round(Math.max(0, ...seen.tasks.splice(0)));
  });
}

/** How long the page does not answer while a job of 60 devices is opened at each station, and the stations are changed. */
export async function benchLongTasks(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-bench-"));
  const server = await runServer(join(folder, "bench.db"), false);
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
    args: ["--no-sandbox"],
  });
  try {
    const bundle = largeJob(largeBoards()[0]!, 60);
    const used = new Set(bundle.job.devices.map(({ device }) => device.id));
    const devices = bundle.devices.filter(({ id }) => used.has(id));
    await fetch(`${server.address}/api/bundles`, {
      method: "POST",
      headers: { "Content-Type": "application/json" },
      body: JSON.stringify({ ...bundle, devices }),
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() => {
      const tasks: number[] = [];
      Object.assign(window, { tasks });
      new PerformanceObserver((list) =>
        tasks.push(...list.getEntries().map((each) => each.duration)),
      ).observe({
        type: "longtask",
        buffered: true,
      });
    });
    const opened = [];
    for (const station of stations) {
      await page.goto(`${server.address}/jobs/large/${station}`);
      opened.push(`${station} ${await longestTask(page)} ms`);
    }
    const changed = [];
    for (const station of stations) {
      await page.locator(`nav a[href$="/${station}"]`).first().click();
      changed.push(`${station} ${await longestTask(page)} ms`);
    }
    process.stdout.write(
      `page of 60 devices, longest task as it is opened: ${opened.join(", ")}\n` +
        `  and as the station is changed: ${changed.join(", ")} (budget: none over 200 ms)\n`,
    );
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
