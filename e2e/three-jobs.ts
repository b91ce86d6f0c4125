import type { Page } from "@playwright/test";
import { Hand } from "./hand.ts";
import { expect } from "./server.ts";

/** Windows in which the jobs are walked. */
export const sizes = [
  ["at the desk", { width: 1280, height: 800 }],
  ["on a phone", { width: 390, height: 844 }],
] as const;

/** A job as an installer finds it: what is on site and what is wanted of it. */
export interface Site {
  what: string;
  board: RegExp;
  moves: RegExp;
  devices: readonly RegExp[];
  /** A card that was fitted to the board, and in which slot. */
  card?: readonly [slot: string, card: RegExp];
  wishes: readonly (readonly [label: string, wanted: string | RegExp])[];
  /** Clicks and scrolls that are enough from an empty list to a job handed over, at the desk and on a phone. */
  enough: Record<(typeof sizes)[number][0], readonly [clicks: number, scrolls: number]>;
}

export const sites: readonly Site[] = [
  {
    what: "Cold store, loading door",
    board: /Hoistrum/,
    moves: /^Door/,
    card: ["Slot 1", /Loop detector/],
    devices: [
      /Shaft door drive/,
      /Triple/,
      /Ribbon/,
      /Vigil/,
      /signal lamps/,
      /in the ground, exit/,
      /in the ground, int/,
    ],
    wishes: [
      ["Automatic closing", "on"],
      ["Automatic closing after, s", "60"],
      ["Pedestrian opening, %", "60"],
      ["Pre-warning before closing, s", "5"],
      ["Hold-to-run for closing", "off"],
    ],
    enough: { "at the desk": [47, 24], "on a phone": [47, 49] },
  },
  {
    what: "Net shed, sliding gate",
    board: /Slathorn/,
    moves: /^Gate/,
    devices: [/sliding drive/, /Glance/, /Halt/, /Turnkey/],
    wishes: [["Automatic closing", "on"]],
    enough: { "at the desk": [30, 24], "on a phone": [30, 45] },
  },
  {
    what: "Loft, rooflights",
    board: /Skarlune/,
    moves: /^Rooflight/,
    devices: [/Chain/, /Rain/i, /Plushet/, /Halt/, /Turnkey/],
    wishes: [["Automatic closing", "on"]],
    enough: { "at the desk": [30, 20], "on a phone": [30, 38] },
  },
];

const part = (page: Page, name: RegExp) =>
  page.locator("[aria-controls]").and(page.getByRole("button", { name }));

async function survey(hand: Hand, site: Site): Promise<void> {
  const { page } = hand;
  await hand.type(page.getByRole("textbox", { name: "Installer" }), "Ivet Carrandine");
  const onward = () => page.getByRole("button", { name: /^On to the (?!wiring)|^On to what/ }).last();
  const open = async (name: RegExp) => {
    if ((await part(page, name).getAttribute("aria-expanded")) === "true") return;
    if (await onward().isVisible()) await hand.press(onward());
    if ((await part(page, name).getAttribute("aria-expanded")) !== "true") await hand.press(part(page, name));
  };
  await open(site.moves);
  await hand.press(page.getByRole("button", { name: "They are as written" }));
  await hand.type(page.getByRole("textbox", { name: "Breaker: where, how marked" }), "board B, way 12");
  if (site.card) {
    await open(/cards and use/);
    await hand.press(page.getByRole("button", { name: site.card[0] }).last());
    await hand.press(page.getByRole("option", { name: site.card[1] }));
  }
  await open(/^Devices/);
  await hand.press(page.getByRole("button", { name: "Add devices" }));
  const dialog = page.getByRole("dialog", { name: "Add devices" });
  for (const device of site.devices) await hand.press(dialog.getByRole("option", { name: device }).first());
  await hand.press(dialog.getByRole("button", { name: /^Add/ }));
  await expect(dialog).toBeHidden();
  await open(/^What it/);
  for (const [label, wanted] of site.wishes) {
    const text = page.getByRole("textbox", { name: label, exact: true });
    const choice = page.getByRole("button", { name: new RegExp(`${label}$`) });
    await expect(text.or(choice).first()).toBeVisible();
    if (await text.isVisible()) await hand.type(text, String(wanted));
    else {
      await hand.press(choice);
      await hand.press(page.getByRole("option", { name: wanted, exact: true }));
    }
  }
  await open(/^As found/);
  await hand.press(page.getByText("Everything stands here as it was found"));
}

/** A reading within its limits: in the middle of two, well under one alone. */
function within(limits: string): string {
  const [, least] = /at least ([\d.]+)/i.exec(limits) ?? [];
  const [, most] = /at most ([\d.]+)/i.exec(limits) ?? [];
  if (most === undefined) return String(Number(least ?? 0) * 1.1);
  return String(least === undefined ? Math.round(Number(most) * 0.75) : (Number(least) + Number(most)) / 2);
}

async function steps(hand: Hand): Promise<number> {
  const { page } = hand;
  const ended = page.getByRole("heading", { level: 1, name: "Hand over" });
  for (let seen = 0; seen < 160; seen++) {
    const card = page.getByRole("article");
    await expect(card.or(ended)).toBeVisible();
    if (!(await card.isVisible())) return seen;
    // Whoever comes to a card stands at its head.
    await expect(card.getByRole("heading", { level: 1 })).toBeFocused();
    const address = page.url();
    const shown = await card.elementHandle();
    const title = (await card.getAttribute("aria-label")) ?? "";
    // Who answers has read what to do and what is to be seen.
    const see = card.getByRole("list", { name: "You should now see" }).getByRole("listitem").last();
    await hand.to(card.getByRole("heading", { level: 1 }));
    await hand.to(see);
    const limits = (await card.innerText()).split("\n").find((line) => /^at (least|most) /i.test(line)) ?? "";
    for (const field of await card.getByRole("textbox", { name: /, (V|N|V DC|V AC)$/ }).all()) {
      await hand.to(field);
      await field.fill(within(limits));
    }
    const answer = card.getByRole("button", { name: "Seen", exact: true });
    await expect(answer, title).toBeEnabled();
    await hand.answer(answer);
    await expect(page, title).not.toHaveURL(address);
    await shown?.waitForElementState("hidden");
  }
  throw new Error("the run sheet does not end");
}

/** Walks a job from an empty list to its hand-over in one of the windows, and tells what that took. */
export async function walkJob(
  page: Page,
  empty: string,
  site: Site,
  [where, viewport]: (typeof sizes)[number],
): Promise<void> {
  await page.setViewportSize(viewport);
  await page.goto(empty);
  const hand = new Hand(page);
  await hand.press(page.getByRole("button", { name: "New job" }));
  await hand.type(page.getByRole("textbox", { name: "Title" }), site.what);
  await hand.type(page.getByRole("textbox", { name: "Customer" }), "Saltreath Ice and Fish");
  await hand.press(page.getByRole("option", { name: site.board }));
  await hand.press(page.getByRole("button", { name: "Begin the survey" }));
  await expect(page.getByRole("heading", { level: 1, name: "Survey" })).toBeVisible();
  await survey(hand, site);
  const surveyed = hand.told;
  await hand.press(page.getByRole("button", { name: "On to the wiring" }));
  await hand.press(page.getByRole("button", { name: "Begin" }));
  expect(await steps(hand)).toBeGreaterThan(20);
  await hand.type(page.getByRole("textbox", { name: "Taken over by" }), "Brisa Holloway-Tarn");
  await hand.press(page.getByRole("button", { name: "Hand over" }));
  await expect(page.getByText(/Handed over to Brisa Holloway-Tarn/)).toBeVisible();
  console.log(`${site.what}, ${where}: ${hand.told}; to the end of the survey ${surveyed}`);
  const [clicks, scrolls] = site.enough[where];
  expect(hand.clicks, hand.trail).toBeLessThanOrEqual(clicks);
  expect(hand.scrolls, hand.trail).toBeLessThanOrEqual(scrolls);
}
