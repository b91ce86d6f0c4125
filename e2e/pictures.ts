import { fileURLToPath } from "node:url";
import type { Page } from "@playwright/test";
import { expect, test } from "./server.ts";

const folder = fileURLToPath(new URL("../docs/screenshots/", import.meta.url));
const desk = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };
const step = (job: string, station: string, id: string) =>
  `/jobs/${job}/${station}/${encodeURIComponent(id)}`;

/** Notes the stop's core on another terminal. */
async function miswire(page: Page): Promise<void> {
  await page.getByRole("button", { name: /Core$/ }).click();
  await page.getByRole("option", { name: /^Stop, boat store: \w+ contact a/ }).click();
  await page.getByRole("button", { name: /Sits on$/ }).click();
  await page.getByRole("option", { name: /^C4 / }).click();
  await page.getByRole("button", { name: "It sits here" }).click();
  await expect(page.getByRole("list", { name: "Differences to the plan" }).getByRole("listitem")).toHaveCount(
    1,
  );
  await page.getByRole("heading", { name: "Where a core really sits" }).scrollIntoViewIfNeeded();
}

/** A gate half open, with someone waiting, time standing still. */
async function runIt(page: Page): Promise<void> {
  await page.getByRole("button", { name: "Remote: press" }).click();
  await page.getByRole("button", { name: "Drive in" }).click();
  await expect(page.getByRole("cell", { name: /^[4-6]\d %$/ }).first()).toBeVisible();
  await page.getByRole("button", { name: "Pause" }).click();
  await expect(page.getByRole("button", { name: "Go on" })).toBeVisible();
  await page.evaluate(() => scrollTo(0, 0));
}

/** Half-way through the keys of a value. */
async function someKeys(page: Page): Promise<void> {
  const guide = page.getByRole("region", { name: "Key guide" });
  for (let n = 0; n < 6; n += 1) await guide.getByRole("button", { name: "It shows that" }).click();
  await guide.evaluate((each) => each.scrollIntoView({ block: "start", behavior: "instant" }));
  await expect(guide.getByRole("button", { name: "It shows that" })).toBeInViewport();
}

/** The first procedure that can be begun, opened. */
async function openFirst(page: Page): Promise<void> {
  await page.locator("main details > summary").first().click();
}

const pictures: {
  name: string;
  address: string;
  screen?: typeof desk;
  night?: boolean;
  before?: (page: Page) => Promise<void>;
}[] = [
  { name: "jobs", address: "/" },
  { name: "survey", address: "/jobs/chandlery/survey" },
  { name: "wire", address: "/jobs/netloft/wire" },
  { name: "set", address: "/jobs/netloft/set" },
  { name: "found-left", address: "/jobs/netloft/set?view=stands" },
  { name: "key-guide", address: step("ropewalk", "power-up", "set:delay-close:4"), before: someKeys },
  { name: "other-work", address: "/jobs/chandlery/work", before: openFirst },
  {
    name: "step-wire",
    address: step("ropewalk", "wire", "wire:cell-road:receiver:r-plus>E1,r-minus>E2,r-a>X3,r-b>X1"),
  },
  { name: "step-power-up", address: step("netloft", "power-up", "do:power-up:on") },
  {
    name: "step-hold-night",
    address: step("netloft", "power-up", "commit:read-dials:V1=8:45,V2=11:15,V3=9:45"),
    night: true,
  },
  { name: "live", address: "/jobs/ropewalk/live", before: runIt },
  { name: "hand-over", address: "/jobs/sailloft/hand-over" },
  { name: "record", address: "/jobs/sailloft/record" },
  { name: "boards", address: "/boards" },
  { name: "board", address: "/boards/osierbeck-quernish" },
  { name: "compare", address: "/boards/compare?a=sorrel-tinkell&b=dunnick-wendrel" },
  { name: "editor", address: "/boards/pengrath-drawmel/edit" },
  { name: "phone-step", address: step("icehouse", "travel", "do:encoder-ends:mark-up"), screen: phone },
  { name: "as-wired", address: "/jobs/netloft/wire?view=as-wired", before: miswire },
];

/** Has the fresh job isolated and proved dead, so that its cards show the work and not what they wait for. */
async function isolate(page: Page, demo: string): Promise<void> {
  for (const [at, id] of ["isolate:breaker", "isolate:prove-dead"].entries())
    await page.request.post(`${demo}/api/jobs/netloft/log`, {
      data: {
        kind: "step",
        id: `picture-${at}`,
        at: "2026-11-20T08:00:00.000Z",
        by: "Ivet Carrandine",
        step: id,
        station: "wire",
        title: at ? "Disconnect the battery, prove dead" : "Isolate and mark the breaker",
        outcome: "seen",
        effects: [],
      },
    });
}

test("every picture of the documents", async ({ page, demo }) => {
  for (const [at, { name, address, screen = desk, night, before }] of pictures.entries()) {
    // After the list of jobs, in which it is fresh.
    if (at === 1) await isolate(page, demo);
    await page.setViewportSize(screen);
    await page.emulateMedia({ colorScheme: night ? "dark" : "light", reducedMotion: "reduce" });
    await page.goto(demo + address);
    await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
    await expect(page.getByText("The plan has changed")).toBeHidden();
    // What a worker still works out would be missing.
    await page.waitForLoadState("networkidle");
    await before?.(page);
    await page.evaluate(() => document.fonts.ready);
    await page.screenshot({ path: `${folder}${name}.png`, animations: "disabled" });
  }
});
