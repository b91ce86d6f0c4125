import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { runServer } from "../e2e/run-server.ts";

/** A page of a server of its own, 1280 × 800, that notes for how long it does not answer; both are gone afterwards. */
export async function withPage(
  demo: boolean,
  work: (page: Page, address: string) => Promise<void>,
): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-bench-"));
  const server = await runServer(join(folder, "bench.db"), demo);
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
    args: ["--no-sandbox"],
  });
  try {
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
    await work(page, server.address);
  } finally {
    await browser.close();
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}

/** The longest time for which the page did not answer since this was asked last, ms. */
export const longestTask = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const seen = window as unknown as { tasks: number[] };
    return Math.round(Math.max(0, ...seen.tasks.splice(0)));
  });
