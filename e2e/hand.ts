import type { Locator, Page } from "@playwright/test";
import { expect } from "./server.ts";

/** How much of the window one turn of the wheel or one stroke of the thumb moves. */
const stroke = 0.8;

/** Where the middle of an element lies against what the window shows of it: above, below, in it, or in it but under something. */
async function place(target: Locator): Promise<"above" | "below" | "aside" | "seen"> {
  return target.evaluate((element) => {
    const box = element.getBoundingClientRect();
    const [x, y] = [box.left + box.width / 2, box.top + box.height / 2];
    if (x < 0 || x > window.innerWidth) return "aside";
    if (y < 0) return "above";
    if (y > window.innerHeight) return "below";
    const top = document.elementFromPoint(x, y);
    if (!top || element.contains(top) || top.contains(element) || top.closest("label")?.contains(element))
      return "seen";
    return y < window.innerHeight / 2 ? "above" : "below";
  });
}

/** What lies over the middle of an element. */
const under = (target: Locator) =>
  target.evaluate((element) => {
    const { left, top, width, height } = element.getBoundingClientRect();
    const over = document.elementFromPoint(left + width / 2, top + height / 2);
    return `${Math.round(left)} ${Math.round(top)} under ${over?.outerHTML.slice(0, 200)}`;
  });

/** Somebody's hand at the app: presses only what is in sight, scrolls to it where it is not, and counts both. */
export class Hand {
  clicks = 0;
  scrolls = 0;
  answers = 0;
  readonly #trail: string[] = [];

  constructor(readonly page: Page) {}

  /** Scrolls until something is in sight; a window, a dialog and a list within one all scroll under the pointer. */
  async to(target: Locator): Promise<void> {
    await expect(target).toBeVisible();
    for (let n = 0; n < 40; n++) {
      const at = await place(target);
      if (at === "seen") return;
      await this.#scroll(target, at);
    }
    throw new Error(`${target} never comes in sight`);
  }

  /** One stroke toward a target: made once it moves it, for what has just come may still be under what goes. */
  async #scroll(target: Locator, at: "above" | "below" | "aside"): Promise<void> {
    const stands = async () => ({ box: await target.boundingBox(), at: await place(target) });
    await expect(async () => {
      const before = await stands();
      // What lay over it may have gone meanwhile.
      if (before.at !== at) return;
      await this.#stroke(target, at === "above" ? -1 : 1, at === "aside" ? "x" : "y");
      const after = await stands();
      if (JSON.stringify(before) !== JSON.stringify(after)) return;
      this.scrolls -= 1;
      this.#trail.pop();
      throw new Error(`${target} cannot be scrolled to, ${at}: ${await under(target)}`);
    }).toPass({ timeout: 600_000 });
  }

  async #stroke(target: Locator, way: 1 | -1, along: "x" | "y"): Promise<void> {
    this.scrolls += 1;
    this.#trail.push(`scroll to ${target}`);
    await target.evaluate(
      (element, { way, stroke, along }) => {
        let pane: Element | null = element.parentElement;
        while (pane) {
          const { overflowX, overflowY } = getComputedStyle(pane);
          const over =
            along === "y"
              ? pane.scrollHeight > pane.clientHeight + 1
              : pane.scrollWidth > pane.clientWidth + 1;
          if (over && /auto|scroll/.test(along === "y" ? overflowY : overflowX)) break;
          pane = pane.parentElement;
        }
        if (along === "x")
          return element.scrollIntoView({ inline: "center", block: "nearest", behavior: "instant" });
        const height = pane?.clientHeight ?? window.innerHeight;
        (pane ?? window).scrollBy({ top: way * stroke * height, behavior: "instant" });
      },
      { way, stroke, along },
    );
  }

  async press(target: Locator): Promise<void> {
    await this.to(target);
    await this.fits();
    this.clicks += 1;
    this.#trail.push(`press ${target}`);
    await target.click();
  }

  /** Types into a field; the field beside the last one is reached with the key for the next. */
  async type(target: Locator, text: string): Promise<void> {
    const here = await target.evaluate((element) => element === document.activeElement);
    if (!here) {
      await this.page.keyboard.press("Tab");
      const next = await target.evaluate((element) => element === document.activeElement);
      if (!next) await this.press(target);
    }
    await this.to(target);
    await target.fill(text);
  }

  /** An answer to a step: not counted among the clicks. */
  async answer(target: Locator): Promise<void> {
    await this.to(target);
    await this.fits();
    this.answers += 1;
    await target.click();
  }

  /** Nothing goes out of the window sideways, and what is pressed is as large as a thumb. */
  async fits(): Promise<void> {
    const wide = await this.page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(this.page.viewportSize()?.width ?? 0);
    const small = await this.page.evaluate(() =>
      [
        ...document.querySelectorAll(
          "button, [role=button], [role=tab], input, select, summary, [role=radio]",
        ),
      ]
        .map((each) => ({ each, box: each.getBoundingClientRect() }))
        .filter(
          ({ each, box }) =>
            box.width > 1 && box.height > 1 && !each.closest("[aria-hidden=true], [style*=clip]"),
        )
        .filter(({ each }) => !(each instanceof HTMLInputElement && each.closest("label")))
        .filter(({ box }) => box.height < 43.5 || box.width < 43.5)
        .map(
          ({ each, box }) =>
            `${each.tagName} ${each.getAttribute("aria-label") ?? each.textContent} ${box.width}×${box.height}`,
        ),
    );
    expect([...new Set(small)]).toEqual([]);
  }

  get told(): string {
    return `${this.clicks} clicks, ${this.scrolls} scrolls, ${this.answers} answers`;
  }

  get trail(): string {
    return this.#trail.join("\n");
  }
}
