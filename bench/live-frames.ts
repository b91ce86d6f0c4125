import type { Page } from "@playwright/test";
import { longestTask, withPage } from "./browser.ts";
import { report } from "./measure.ts";

/** So long frames are counted, ms. */
const counted = 6_000;

/** Frames that a page paints while it is counted: as a text, for what compiles this names functions the page does not know. */
const framesOf = (page: Page): Promise<number> =>
  page.evaluate(`new Promise((done) => {
    const until = performance.now() + ${counted};
    let frames = 0;
    requestAnimationFrame(function next() {
      frames += 1;
      if (performance.now() < until) requestAnimationFrame(next);
      else done(frames);
    });
  })`);

/**
 * Frames painted while a two-leaf gate runs on the live bench, as it is and ten times as fast, against the same page while
 * time stands still; and for how long it did not answer meanwhile.
 */
export const benchLiveFrames = (): Promise<void> =>
  withPage(true, async (page, address) => {
    await page.goto(`${address}/jobs/ropewalk/live`);
    await page.getByRole("button", { name: "Pause" }).click();
    await page.waitForTimeout(2_000);
    const still = await framesOf(page);
    for (const [pace, text] of [
      ["1×", "as it is"],
      ["10×", "ten times as fast"],
    ] as const) {
      await page.getByText(pace, { exact: true }).click();
      await page.getByRole("button", { name: "Remote: press" }).click();
      await longestTask(page);
      const frames = await framesOf(page);
      const longest = await longestTask(page);
      report(
        `live bench ${text}, frames against a still page (${frames} of ${still} in ${counted / 1_000} s, longest task ${longest} ms)`,
        frames / still,
        "budget: no task over 200 ms",
      );
    }
  });
