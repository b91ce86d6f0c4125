import { expect, type Page } from "@playwright/test";

/** Answers every step from the one on screen as seen, with a reading where one is asked; returns how many there were. With a station, only its steps. */
export async function walkSteps(page: Page, station = ""): Promise<number> {
  for (let steps = 0; steps < 120; steps++) {
    const card = page.getByRole("article");
    await expect(card.or(page.getByRole("heading", { level: 1, name: "Hand over" }))).toBeVisible();
    if (!(await card.isVisible())) return steps;
    const address = page.url();
    if (!address.includes(`/${station}`)) return steps;
    const shown = await card.elementHandle();
    // A dead mains, a force well under its limit, and a rail at its 24 V.
    for (const [unit, value] of [
      [/, V$/, "0"],
      [/, N$/, "310"],
      [/, V (DC|AC)$/, "24"],
    ] as const)
      for (const reading of await card.getByRole("textbox", { name: unit }).all()) await reading.fill(value);
    await card.getByRole("button", { name: "Seen", exact: true }).click();
    await expect(page).not.toHaveURL(address);
    // The address changes first: the next card is read once the one just answered is gone.
    await shown?.waitForElementState("hidden");
  }
  throw new Error("the run sheet does not end");
}
