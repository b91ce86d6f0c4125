import type { Page } from "@playwright/test";
import { expect, test } from "./server.ts";

/** A board that is commissioned on the live bench by what its card says, with the keys of a keyboard. */
function bench(page: Page) {
  const card = page.getByRole("region", { name: "Step by step" });
  const button = (name: string) => page.getByRole("button", { name, exact: true });

  /** The step at hand says this. */
  const says = (text: string | RegExp, timeout = 20_000) =>
    expect(card.getByText(text).first()).toBeVisible({ timeout });

  /** Seconds on the bench, as its clock shows them. */
  async function now(): Promise<number> {
    const [minutes, seconds] = (await page.getByLabel("Time on the bench").textContent())!.split(":");
    return Number(minutes) * 60 + Number(seconds);
  }

  /** As many seconds go by on the bench, whatever the machine takes for them. */
  async function passes(seconds: number) {
    const from = await now();
    const intervals = [100];
    await expect.poll(now, { intervals, timeout: 120_000 }).toBeGreaterThanOrEqual(from + seconds);
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
    await says(text, 120_000);
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
async function withoutJob(page: Page, demo: string, board: RegExp) {
  page.setDefaultTimeout(20_000);
  await page.goto(demo);
  await page.getByRole("button", { name: "Choose a board" }).click();
  await page.getByRole("option", { name: board }).click();
  await page.getByRole("button", { name: "Pause" }).waitFor();
  return bench(page);
}

test("a two-leaf gate, by keyboard, from power-up to a full cycle; a slip is told, and led out of", async ({
  page,
  demo,
}) => {
  const it = await withoutJob(page, demo, /Tandrel/);
  await it.says("Set LEAVES pair.");
  await it.works(/^Slide LEAVES/, "Enter", /pair/);
  await it.says(/^Turn PUSH \(V2\) to 11:45/);
  await it.works(/^Dial PUSH/, "+", /at 11:45/);
  await it.says(/^Turn PAIR \(V3\) to 9:45/);
  await it.works(/^Dial PAIR/, "+", /at 9:45/);
  await it.says(/switch the breaker on/);
  await it.power();
  await it.says("Hold TAKE for 3 s; the board reads the dials.");
  // The slip: let go too early, and a switch flipped that nothing asks for.
  await it.holds("TAKE", 1);
  await it.card.getByText("If it goes otherwise").click();
  await it.says(/Let go too early and nothing is read/);
  await it.works(/^Switch S1/, "Enter", /, on$/);
  await it.says("S1 stands at on: it belongs at off.");
  await it.works(/^Switch S1/, "Enter", /, off$/);
  await expect(it.card.getByRole("list", { name: "What keeps it" })).toHaveCount(0);
  await it.holds("TAKE", 3);
  await it.says(/^Press TAKE three times in a row/);
  await it.presses("TAKE", 3);
  await it.says(/to half-way, engage the drives again/);
  await it.button("Half-way by hand").press("Enter");
  await it.says(/^Stand clear and press MOVE once/);
  await it.presses("MOVE");
  await it.passes(1.5);
  await it.presses("MOVE");
  await it.says(/open every leaf fully by hand/);
  await it.button("Open by hand").press("Enter");
  await it.says(/^Hold MOVE for 6 s until TRAVEL blinks/);
  await it.holds("MOVE", 6);
  await it.says(/^Watch the leaves close/);
  await it.waits(/^Press MOVE once and let the gate run to fully open/);
  await expect(page.getByText("In memory: travel.")).toBeVisible();
  await it.presses("MOVE");
  await page.getByText("10×", { exact: true }).click();
  const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
  await expect(is).toHaveText("The gate is open.", { timeout: 60_000 });
  await it.presses("MOVE");
  await expect(is).toHaveText("The gate is closed.", { timeout: 60_000 });
  await page.getByText("1×", { exact: true }).click();
  await it.says(/^Hold MOVE and TAKE together for 2 s/);
});

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
async function setsValues(it: ReturnType<typeof bench>) {
  const keys = it.card.getByText(/^Keys from here: /);
  for (let n = 0; n < 40; n += 1) {
    // What the card asks for follows what the board does.
    await it.passes(0.3);
    if (!(await keys.count())) return;
    await firstKey(it, (await keys.textContent())!.replace("Keys from here: ", ""));
  }
}

test("an industrial door, its values set by the keys the card tells, its ends learned, to a full cycle", async ({
  page,
  demo,
}) => {
  const it = await withoutJob(page, demo, /Hoistrum/);
  await it.says(/^Switch the breaker on/);
  await it.power();
  await it.says(/Go to 21 Force limit/);
  await setsValues(it);
  await it.says(/^Bring the door half-way/);
  await it.button("Half-way by hand").press("Enter");
  await it.says("Hold UP for a second.");
  // The list still stands open, and UP means nothing in it: that is told, with the way out.
  await it.says(/still stands open, and keys act in it: hold KNOB for 1 s/);
  await it.holds("KNOB", 1);
  await it.holds("UP", 1);
  await it.says(/^Open the fitter's list, go to 20/);
  await it.holds("KNOB", 11);
  await it.presses("KNOB");
  await it.says("Hold UP until the door stands fully open.");
  await it.holds("UP", 14);
  await it.says("Press KNOB. The display asks for the floor.");
  await it.presses("KNOB");
  await it.says("Hold DOWN until the door stands on the floor.");
  await it.holds("DOWN", 24);
  await it.says("Press KNOB. ENDS is steadily lit.");
  await it.presses("KNOB");
  await it.says(/^Press UP once/);
  await it.presses("UP");
  await it.says("Watch one full cycle.");
  await it.waits(/^Open with UP, close with DOWN/);
  await expect(page.getByText(/In memory: /).first()).toBeVisible();
});

test("a pedestrian door by pointer: it measures its way, weighs its leaf, and lets a visitor through", async ({
  page,
  demo,
}) => {
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
  await it.says(/^It leans on its closed stop/);
  await it.waits(/^It opens and closes once at its own speed/);
  await it.waits(/^Press ↓ to open the menu, go to Motion/);
  await setsValues(it);
  await it.says(/^(Commissioned|Let|Walk|Stand)/);
  await page.getByRole("button", { name: "Walk in" }).click();
  const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
  await expect(is).toHaveText("The door opens.");
});
