import { readFileSync, writeFileSync } from "node:fs";
import type { Page } from "@playwright/test";
import { expect, read, test } from "./server.ts";
import { openPart } from "./survey.ts";

const notes = (page: Page) => page.getByRole("textbox", { name: "Notes" });

test("what goes wrong on site: two tabs, a dead spot, a slow line, a file that is broken, an address that leads nowhere", async ({
  page,
  context,
  demo,
  empty,
}, info) => {
  await test.step("two tabs change one job: the second is told, sees both, and chooses", async () => {
    const second = await context.newPage();
    await page.goto(`${demo}/jobs/netloft/survey`);
    await openPart(page, "Gate");
    await second.goto(`${demo}/jobs/netloft/survey`);
    await openPart(second, "Gate");
    await notes(page).fill("hinge 2 is dry");
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();

    await notes(second).fill("wind from the west");
    const told = second.getByRole("dialog", { name: "This job was changed elsewhere" });
    await expect(told).toBeVisible();
    await expect(told).toContainText("hinge 2 is dry");
    await expect(told).toContainText("wind from the west");
    await told.getByRole("button", { name: "Take the saved one" }).click();
    await expect(notes(second)).toHaveValue("hinge 2 is dry");

    await notes(second).fill("hinge 2 is dry, wind from the west");
    await expect(second.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
    await notes(page).fill("hinge 2 greased");
    const again = page.getByRole("dialog", { name: "This job was changed elsewhere" });
    await again.getByRole("button", { name: "Save mine over it" }).click();
    await expect(again).toBeHidden();
    await page.reload();
    await expect(notes(page)).toHaveValue("hinge 2 greased");
  });

  await test.step("a save that fails is shown, and nothing typed is lost", async () => {
    await page.goto(`${demo}/jobs/netloft/survey`);
    await openPart(page, "Gate");
    await page.route("**/api/jobs/netloft", (route) =>
      route.request().method() === "PUT" ? route.abort() : route.continue(),
    );
    await notes(page).fill("typed in a dead spot");
    await expect(
      page.getByRole("status").filter({ hasText: "Not saved. The server does not answer." }),
    ).toBeVisible();
    await expect(notes(page)).toHaveValue("typed in a dead spot");
    await page.unroute("**/api/jobs/netloft");
    await page.getByRole("button", { name: "Try again" }).click();
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
    await page.reload();
    await expect(notes(page)).toHaveValue("typed in a dead spot");
  });

  await test.step("an answer that cannot be stored follows wherever one goes, and is sent again from there", async () => {
    await page.route("**/api/jobs/netloft/log", (route) =>
      route.request().method() === "POST" ? route.abort() : route.continue(),
    );
    await page.goto(`${demo}/jobs/netloft/wire/${encodeURIComponent("isolate:breaker")}`);
    await page.getByRole("button", { name: "Seen", exact: true }).click();
    await expect(page.getByRole("heading", { level: 1, name: /prove dead/ })).toBeVisible();
    await page.getByRole("link", { name: /^Hand over, / }).click();
    await expect(page.getByText("An answer of yours is not stored.")).toBeVisible();
    await page.unroute("**/api/jobs/netloft/log");
    await page.getByRole("button", { name: "Send it again" }).click();
    await expect(page.getByText("An answer of yours is not stored.")).toBeHidden();
    const { log } = (await (await read(page, `${demo}/api/jobs/netloft/log`)).json()) as {
      log: { step: string }[];
    };
    expect(log.map(({ step }) => step)).toEqual(["isolate:breaker"]);
  });

  await test.step("answers in a hurry on a slow line: each belongs to its card, and nothing late moves the page", async () => {
    // The answer before this is taken back: its card is open once more.
    await page.goto(`${demo}/jobs/netloft/wire/${encodeURIComponent("isolate:breaker")}`);
    await page.getByRole("button", { name: "Open it again" }).click();
    await expect(page.getByRole("button", { name: "Seen", exact: true })).toBeEnabled();
    let release = (): void => {};
    const held = new Promise<void>((resolve) => (release = resolve));
    const sent: string[] = [];
    await page.route("**/api/jobs/netloft/log", async (route) => {
      if (route.request().method() === "POST") {
        sent.push((route.request().postDataJSON() as { step: string }).step);
        await held;
      }
      await route.continue();
    });
    // A double press answers one card: the next has come under the finger, and what the second press meets there takes the focus.
    await page.getByRole("button", { name: "Seen", exact: true }).dblclick();
    await expect(page.getByRole("heading", { level: 1, name: /prove dead/ })).toBeVisible();
    await expect(page).toHaveTitle(/prove dead/);
    await expect(page.getByRole("button", { name: "Not seen" })).toBeEnabled();
    await page.keyboard.press("n");
    await expect(page.getByRole("list", { name: "Answers so far" })).toContainText("Not seen");
    await page.getByRole("link", { name: /^Prove, / }).click();
    const here = page.url();
    const late = page.waitForResponse((response) => response.request().method() === "POST");
    release();
    await late;
    await page.getByRole("link", { name: /^Wire, / }).click();
    await page.getByText("Steps", { exact: true }).click();
    for (const step of [/Isolate and mark.*, seen/, /prove dead.*, not seen/])
      await expect(page.getByRole("link", { name: step })).toBeVisible();
    expect(here).toMatch(/prove$/);
    expect(sent).toEqual(["isolate:breaker", "isolate:prove-dead"]);
  });

  await test.step("a job file that contradicts itself is refused by name and place", async () => {
    const bundle = (await (await read(page, `${demo}/api/jobs/netloft/bundle`)).json()) as {
      board: { dials: { sweep: { from: string; to: string } }[] };
    };
    bundle.board.dials[0]!.sweep = { from: "5:00", to: "7:00" };
    const file = info.outputPath("broken.json");
    writeFileSync(file, JSON.stringify(bundle));
    await page.goto(empty);
    for (const [path, message] of [
      [file, /board\.dials\[0\]\.sweep: expected a sweep that runs clockwise/],
      [info.outputPath("junk.json"), /not well-formed JSON/],
    ] as const) {
      if (path !== file) writeFileSync(path, readFileSync(file, "utf8").slice(5));
      const choosing = page.waitForEvent("filechooser");
      await page.getByRole("button", { name: "Import a job file" }).click();
      await (await choosing).setFiles(path);
      await expect(page.getByText(message)).toBeVisible();
    }
    await expect(page.getByText("1. Say what is there")).toBeVisible();
  });

  await test.step("addresses that lead nowhere say so", async () => {
    await page.goto(`${demo}/jobs/nobody`);
    await expect(page.getByText('There is no job "nobody" here.')).toBeVisible();
    await page.goto(`${demo}/jobs/netloft/wire/gone`);
    await expect(page.getByText("The plan has changed")).toBeVisible();
    await page.goto(`${demo}/nowhere`);
    await expect(page.getByText("There is no such page")).toBeVisible();
  });

  await test.step("the first page needs at most 250 kB of script, compressed", async () => {
    // What was fetched before is kept by a browser: this is somebody's first visit.
    const first = await (await context.browser()!.newContext()).newPage();
    let bytes = 0;
    first.on("response", (response) => {
      if (!response.url().endsWith(".js")) return;
      void response
        .request()
        .sizes()
        .then((sizes) => (bytes += sizes.responseBodySize));
    });
    await first.goto(demo, { waitUntil: "networkidle" });
    await expect(first.getByText("Netloft yard, swing pair").first()).toBeVisible();
    expect(bytes).toBeGreaterThan(20_000);
    expect(bytes).toBeLessThan(250_000);
  });
});
