import type { Page } from "@playwright/test";
import {
  answerStep,
  draftInstance,
  jobFormat,
  planJob,
  type DeviceProfile,
  type Job,
  type JobBundle,
  type StoredJob,
} from "../../core/src/index.ts";
import { expect, read, test } from "../server.ts";
import { openPart } from "../survey.ts";
import { storeSheds } from "../sheds.ts";

test.describe("the step card", () => {
  test("keys walk the run sheet: not seen shows what it means, seen goes on, an answer can be opened again", async ({
    page,
    demo,
  }) => {
    await storeSheds(page, demo, { until: "power-up" });
    await page.goto(`${demo}/jobs/sheds/travel`);
    await page.getByRole("button", { name: "Begin" }).click();
    await expect(page.getByText("Travel, step 1 of 5")).toBeVisible();
    await page.keyboard.press("ArrowRight");
    await expect(page.getByText("Travel, step 2 of 5")).toBeVisible();
    await page.keyboard.press("k");
    await expect(page.getByText("Travel, step 1 of 5")).toBeVisible();
    await page.keyboard.press("j");
    await expect(page.getByText("Travel, step 2 of 5")).toBeVisible();
    await page.keyboard.press("n");
    await expect(page.getByText(/has its two leads the wrong way round/)).toBeVisible();
    await expect(page.getByRole("link", { name: /^Travel, blocked/ })).toBeVisible();
    await page.getByRole("button", { name: "Open it again" }).click();
    await expect(page.getByRole("link", { name: /^Travel, open/ })).toBeVisible();
    // Its steps follow one another.
    await expect(page.getByRole("button", { name: "Waits" })).toBeDisabled();
    await page.keyboard.press("s");
    await page.keyboard.press("k");
    await expect(page.getByText("Travel, step 1 of 5")).toBeVisible();
    await page.keyboard.press("s");
    await expect(page.getByText("Travel, step 2 of 5")).toBeVisible();
    await expect(page.getByRole("button", { name: "Seen", exact: true })).toBeEnabled();
    await page.keyboard.press("s");
    await expect(page.getByText("Travel, step 3 of 5")).toBeVisible();
    await page.keyboard.press("?");
    await expect(page.getByRole("dialog", { name: "Keys" })).toBeVisible();
    await page.keyboard.press("Escape");
    await page.keyboard.press("2");
    await expect(page).toHaveURL(/\/wire$/);
  });

  test("what should be seen is computed, with its reason, and what it means if not", async ({
    page,
    demo,
  }) => {
    await page.goto(`${demo}/jobs/netloft/power-up/${encodeURIComponent("do:power-up:on")}`);
    const seen = page.getByRole("list", { name: "You should now see" });
    await expect(seen.getByText("BEAM lit")).toBeVisible();
    await expect(seen.getByText("amber: P3 closed through Photocell, quay side")).toBeVisible();
    await page.getByText("If you do not see it").click();
    // Tapped to what is seen instead: lit, blinking, dark.
    for (const now of ["not told", "lit", "blinking"])
      await page.getByRole("button", { name: `BEAM ${now}` }).click();
    const likely = page.getByRole("list", { name: "What would look like it" });
    await expect(likely.getByRole("listitem").first()).toContainText("Photocell, quay side");
    await expect(likely.getByText("A beam is out of line")).toBeVisible();
    await expect(likely.getByText("Edge, harbour leaf")).toHaveCount(0);
  });

  test("a reading over its limit is not taken as seen", async ({ page, demo }) => {
    await storeSheds(page, demo, { until: "hand-over", to: "Perrin Astlethwaite" });
    await page.goto(`${demo}/jobs/sheds/force`);
    await page.getByRole("link", { name: /Closing force at 300 mm/ }).click();
    const reading = page.getByRole("textbox", { name: /Second peak force at 300 mm, N/ });
    await expect(reading).toHaveValue("318");
    // The job is handed over: it is opened again first, with a reason.
    await expect(page.getByRole("button", { name: "Handed over" })).toBeDisabled();
    await page.getByRole("button", { name: "Open it again…" }).click();
    await page.getByRole("textbox", { name: /Why it is opened again/ }).fill("the speed was raised");
    await page.getByRole("button", { name: "Open it again", exact: true }).first().click();
    // Straight out of the field: what it then says moves nothing from under the pointer.
    await reading.fill("460");
    await page.getByRole("button", { name: "Seen", exact: true }).click();
    await expect(page.getByText(/460 N measured, at most 400 N allowed/)).toBeVisible();
    await expect(page).toHaveURL(/force%3A300/);
    await reading.fill("470");
    await page.getByRole("button", { name: "Not seen" }).click();
    await expect(page.getByRole("link", { name: /^Force, blocked/ })).toBeVisible();
    await page.reload();
    await expect(page.getByRole("textbox", { name: /Second peak force at 300 mm, N/ })).toHaveValue("470");
  });

  test("the timer of a hold ends in words", async ({ page, demo }) => {
    await page.goto(`${demo}/jobs/netloft/power-up`);
    await page.getByRole("link", { name: /Have the dials read/ }).click();
    await page.getByRole("button", { name: "Time 3 s" }).click();
    await expect(page.getByRole("alert").filter({ hasText: "Let go" })).toBeVisible();
  });

  test("a step passed over is told at the board: the link beside the photocell", async ({ page, demo }) => {
    await storeSheds(page, demo, { until: "power-up" });
    await page.goto(`${demo}/jobs/sheds/wire?view=steps`);
    await page.getByRole("link", { name: /Link P1–P3 out/ }).click();
    await page.getByRole("button", { name: "Open it again" }).click();
    await expect(page.getByText(/Link P1–P3 is still in beside/).first()).toBeVisible();
  });
});

/** A job on the Quernish with these devices of the catalogue, stored on the server. */
async function jobOnQuernish(
  page: Page,
  demo: string,
  kinds: readonly string[],
  wishes: Job["wishes"] = {},
): Promise<JobBundle> {
  const stored = (await (
    await page.request.post(`${demo}/api/jobs`, {
      data: { title: "Sluice lane, pair", customer: "Brisa Holloway-Tarn", board: "osierbeck-quernish" },
    })
  ).json()) as StoredJob;
  const { devices } = (await (await read(page, `${demo}/api/devices`)).json()) as {
    devices: DeviceProfile[];
  };
  const job = kinds.reduce(
    (now, kind) => ({
      ...now,
      devices: [
        ...now.devices,
        draftInstance(
          now,
          devices.find(({ id }) => id === kind)!,
        ),
      ],
    }),
    { ...stored.job, wishes: { ...stored.job.wishes, ...wishes } },
  );
  await page.request.put(`${demo}/api/jobs/${job.id}`, { headers: { "If-Match": '"1"' }, data: job });
  return { format: jobFormat, job, board: stored.board, devices, log: [] };
}

test("a speed raised after the force was proved opens the force again, from what to what", async ({
  page,
  demo,
}) => {
  const kinds = ["marlstreet-strut", "marlstreet-strut", "oddlume-glance", "tallow-turnkey"];
  const bundle = await jobOnQuernish(page, demo, kinds, { "closing-speed": 40 });
  const { id } = bundle.job;
  for (const [at, step] of planJob(bundle).sheet.entries()) {
    const entry = answerStep(step, "seen", { id: `e${at}`, at: "2026-11-20T09:00:00.000Z", by: "Ivet" });
    expect((await page.request.post(`${demo}/api/jobs/${id}/log`, { data: entry })).status()).toBe(201);
  }
  await page.goto(`${demo}/jobs/${id}/survey`);
  await expect(page.getByRole("link", { name: /^Force, settled/ })).toBeVisible();
  await openPart(page, "What it");
  const speed = page.getByRole("textbox", { name: "Closing speed, %" });
  await speed.fill("80");
  await speed.press("Tab");
  await expect(page.getByRole("link", { name: /^Force, open/ })).toBeVisible();
  await page.getByRole("link", { name: /^Force/ }).click();
  await expect(page.getByText(/Open again: .*Closing speed: 40 % became 80 %/)).toBeVisible();
  await page.getByRole("link", { name: /Closing force at 300 mm/ }).click();
  await expect(page.getByText(/Closing speed: 40 % became 80 %\. Seen, .*no longer holds/)).toBeVisible();
  await page.getByRole("link", { name: "Record", exact: true }).click();
  await expect(page.getByRole("table", { name: "Results" })).toContainText("void: ");
});

test("a power-up is refused while a danger stands; 398 V at prove dead closes what lies behind; a reason passes both and is kept", async ({
  page,
  demo,
}) => {
  const { job } = await jobOnQuernish(page, demo, ["marlstreet-cell"]);
  await page.goto(`${demo}/jobs/${job.id}/wire/${encodeURIComponent("isolate:breaker")}`);
  const dangers = page.getByRole("list", { name: "Dangers of this job" });
  await expect(dangers).toBeVisible();
  await page.getByRole("button", { name: "Seen", exact: true }).click();
  await page
    .getByRole("textbox", { name: / to .*, V$/ })
    .first()
    .fill("398");
  await page.keyboard.press("Tab");
  await expect(page.getByText(/398 V measured, at most 0.5 V allowed/)).toBeVisible();
  await page.getByRole("button", { name: "Not seen" }).click();
  await expect(page.getByRole("list", { name: "Answers so far" })).toContainText("Not seen, 398 V");
  await page.getByRole("button", { name: "Next step" }).click();
  await expect(page.getByText(/prove dead\. .*: 398 V\./)).toBeVisible();
  await expect(page.getByRole("button", { name: "Waits" })).toBeDisabled();
  await page.getByRole("button", { name: "Go on all the same…" }).click();
  await page.getByRole("textbox", { name: /Why you go on/ }).fill("measured on the wrong pair");
  await page.getByRole("button", { name: "Go on with this reason" }).click();
  await page.getByRole("button", { name: "Seen", exact: true }).click();

  await page.goto(`${demo}/jobs/${job.id}/power-up`);
  await expect(page.getByRole("link", { name: /^Power up, blocked/ })).toBeVisible();
  await page.getByRole("button", { name: "Begin" }).click();
  await expect(dangers).toBeVisible();
  await expect(page.getByText("This step waits.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Waits" })).toBeDisabled();
  await page.getByRole("link", { name: "Record" }).click();
  await expect(page.getByRole("article", { name: "Record" })).toContainText("measured on the wrong pair");
  await expect(page.getByRole("table", { name: "Results" })).toContainText("398 V");
  await expect(page.getByRole("article", { name: "Record" })).toContainText("Findings that stand");
});

test("the board is one stop for the keyboard, and arrow keys walk its parts by name", async ({
  page,
  demo,
}) => {
  await page.goto(`${demo}/jobs/netloft/wire`);
  await page.locator('[data-part][tabindex="0"]').focus();
  await page.keyboard.press("ArrowRight");
  const focused = page.locator("[data-part]:focus");
  await expect(focused).toHaveAttribute("aria-label", /Terminal|Link|Lamp/);
  const name = (await focused.getAttribute("data-part")) ?? "";
  await page.keyboard.press("ArrowRight");
  await expect(page.locator("[data-part]:focus")).not.toHaveAttribute("data-part", name);
});
