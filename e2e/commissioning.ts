import type { Page } from "@playwright/test";
import { expect } from "./server.ts";

/** A board that is commissioned on the live bench by what its card says, with the keys of a keyboard. */
function bench(page: Page) {
  const card = page.getByRole("region", { name: "Step by step" });
  const button = (name: string) => page.getByRole("button", { name, exact: true });

  /** The step at hand says this. */
  const says = (text: string | RegExp) => expect(card.getByText(text).first()).toBeVisible();

  /** Seconds on the bench, as its clock shows them. */
  async function now(): Promise<number> {
    const [minutes, seconds] = (await page.getByLabel("Time on the bench").textContent())!.split(":");
    return Number(minutes) * 60 + Number(seconds);
  }

  /** As many seconds go by on the bench, whatever the machine takes for them. */
  async function passes(seconds: number) {
    const from = await now();
    const intervals = [100];
    await expect.poll(now, { intervals }).toBeGreaterThanOrEqual(from + seconds);
  }

  /** A key of the board, held as long as its hold takes. */
  async function holds(key: string, seconds: number) {
    await button(key).focus();
    await page.keyboard.down("Enter");
    await passes(seconds + 0.3);
    await page.keyboard.up("Enter");
  }

  async function presses(key: string, times = 1) {
    await button(key).focus();
    for (let n = 0; n < times; n += 1) await page.keyboard.press("Enter");
    // A further press would belong to these.
    await passes(0.7);
  }

  /** Time runs quicker until the step at hand says this. */
  async function waits(text: string | RegExp) {
    await page.getByText("10×", { exact: true }).click();
    await says(text);
    await page.getByText("1×", { exact: true }).click();
  }

  async function power() {
    await page.getByRole("switch", { name: "Power" }).focus();
    await page.keyboard.press("Space");
  }

  /** A part of the face, by the beginning of its name, worked by the keyboard. */
  async function works(called: RegExp, key: string, until: RegExp) {
    const part = page.getByRole("img", { name: called });
    const name = async () => (await part.getAttribute("aria-label")) ?? "";
    for (let n = 0, was = await name(); n < 40 && !until.test(was); n += 1, was = await name()) {
      await part.focus();
      await page.keyboard.press(key);
      await expect.poll(name, { intervals: [50] }).not.toBe(was);
    }
    await expect(part).toHaveAttribute("aria-label", until);
  }

  return { page, card, button, says, holds, presses, waits, power, works, passes };
}

/** Opens the bench of a board from the first page, as someone does who has no job. */
export async function withoutJob(page: Page, demo: string, board: RegExp) {
  page.setDefaultTimeout(20_000);
  await page.goto(demo);
  await page.getByRole("button", { name: "Choose a board" }).click();
  await page.getByRole("option", { name: board }).click();
  await page.getByRole("button", { name: "Pause" }).waitFor();
  return bench(page);
}

/** The first key of a card's line, in the words of the line, made at the bench. */
async function firstKey(it: ReturnType<typeof bench>, line: string): Promise<void> {
  const [, held, seconds] = /^hold (\S+) for ([\d.]+) s/i.exec(line) ?? [];
  const [, turned, to] = /^turn (\S+) to the (left|right)/i.exec(line) ?? [];
  const [, pressed, twice] = /^press (\S+?)( twice)?(?=[,. ])/i.exec(line) ?? [];
  const [, wait] = /^touch no key for ([\d.]+) s/i.exec(line) ?? [];
  if (held) await it.holds(held, Number(seconds));
  else if (turned) await it.button(`${turned} ${to === "left" ? "↺" : "↻"}`).press("Enter");
  else if (pressed) await it.presses(pressed, twice ? 2 : 1);
  else if (wait) await it.passes(Number(wait));
  else throw new Error(`no key in: ${line}`);
}

/** Sets every value that the card asks for, by the keys it tells. */
export async function setsValues(it: ReturnType<typeof bench>) {
  const keys = it.card.getByText(/^Keys from here: /);
  for (let n = 0; n < 40; n += 1) {
    // What the card asks for follows what the board does.
    await it.passes(0.3);
    if (!(await keys.count())) return;
    await firstKey(it, (await keys.textContent())!.replace("Keys from here: ", ""));
  }
}
