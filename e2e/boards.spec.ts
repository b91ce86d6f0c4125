import type { Page } from "@playwright/test";
import { readdirSync, readFileSync } from "node:fs";
import { expect, read, test } from "./server.ts";
import { addDevices, beginJob, openPart } from "./survey.ts";
import { storeSheds } from "./sheds.ts";

const shipped = readdirSync(new URL("./../boards", import.meta.url)).length;

const heading = `id: wrackline-gannet
name: Gannet
maker: Wrackline Works
revision: 1
firmware: ["2"]
purpose: swing-gate
summary: One light leaf, one photocell, one key. # seen at a ferry gate
source: { from: seen on site }
limits: [stops]
supply: { kind: mains, volts: [230], poles: { live: N1, neutral: N2, earth: N3 } }
`;

const body = `blocks:
  - { id: N, label: Mains, purpose: mains, pitchMm: 7, terminals: [L, N, PE] }
  - { id: M, label: Motor, purpose: drive, terminals: [a, b] }
  - { id: V, label: 24 V DC, purpose: supply, terminals: [{ label: +, holds: 4 }, { label: −, holds: 4 }] }
  - { id: I, label: Inputs, purpose: protection, terminals: [{ label: com, holds: 4 }, stop, eye, go] }
commons:
  - { id: inputs, terminals: [I1] }
rails:
  - { id: supply, label: Supply, feeds: [accessory], kind: dc, volts: 24, limitMilliamps: 300, plus: [V1], minus: [V2] }
  - { id: motor, label: Motor, feeds: [drive-only], kind: dc, volts: 24, live: moving, plus: [M1], minus: [M2] }
inputs:
  - { id: stop, label: Stop, terminal: I2, common: inputs, contact: closed, takes: [stop], guards: [opening, closing], link: bridge-stop, reactions: [{ closed: refuse, opening: stop, open: refuse, closing: stop }] }
  - { id: eye, label: Eye, terminal: I3, common: inptus, contact: closed, takes: [photocell], guards: [closing], link: bridge-eye, reactions: [{ closed: ignore, opening: ignore, open: hold, closing: reverse }] }
  - { id: go, label: Go, terminal: I4, common: inputs, contact: open, takes: [step] }
links:
  - { id: bridge-stop, between: [I1, I2], delivered: in }
  - { id: bridge-eye, between: [I1, I3], delivered: in }
lamps:
  - { id: eye-lamp, label: EYE, colour: green, shows: [{ when: { closed: eye }, is: lit }] }
dials:
  - { id: F, label: PUSH, delivered: "9:00", zones: [{ from: 0, to: 1, sets: { force: { from: 0, to: 100 } } }] }
keys:
  - { id: RUN, label: RUN, outside: Moves the leaf., does: [{ command: step }] }
memories:
  - { id: travel, label: Travel, holds: travel }
programs:
  - id: learn
    label: Learns its stops
    on: [{ by: { hold: { key: RUN, seconds: 5 } } }]
    refuses: [{ when: { open: stop } }, { when: { open: eye } }]
    phases:
      - { mode: learning }
      - { run: open, until: stop }
      - { run: closed, until: stop }
      - { learn: travel }
      - { mode: idle }
procedures:
  - id: power-up
    kind: power-up
    station: power-up
    title: First power-up
    source: { from: seen on site }
    steps:
      - { id: on, do: { power: "on" }, says: Switch the breaker on., claims: { power: true } }
  - id: learn
    kind: learn
    manner: seeks-stops
    station: travel
    title: Learning the travel
    source: { from: seen on site }
    needs: [{ powered: true }, { closed: stop }, { closed: eye }]
    steps:
      - { id: hold, do: { hold: { key: RUN, seconds: 5 } }, says: Hold RUN for 5 s., caution: The leaf moves., claims: { mode: learning, moves: [open] } }
      - { id: run, do: { watch: one closing }, says: Watch it close., claims: { mode: idle, learn: travel, moves: [open] } }
`;

/** Finds some words in the text of a profile by the editor's own search, and puts others in their place. */
async function rewrite(page: Page, words: string, others: string): Promise<void> {
  await page.getByRole("textbox", { name: "Text of the profile" }).click();
  await page.keyboard.press("Control+F");
  await page.keyboard.type(words);
  await page.keyboard.press("Enter");
  await page.keyboard.press("Escape");
  await page.keyboard.insertText(others);
}

test("a board of one's own: written from an empty page to a planned job; then a revision, a face to look at, and hostile words in it", async ({
  page,
  demo,
}) => {
  await test.step("one more board, written in the app from an empty page to a planned job", async () => {
    await page.goto(`${demo}/boards`);
    await expect(page.getByRole("listitem")).toHaveCount(shipped);
    await page.getByRole("button", { name: "New board" }).click();
    const text = page.getByRole("textbox", { name: "Text of the profile" });
    const problems = page.getByRole("list", { name: "What is wrong" });
    const save = page.getByRole("button", { name: /^Save revision/ });

    // Empty: everything that is needed is named, and nothing can be saved.
    await text.click();
    await page.keyboard.press("Control+A");
    await page.keyboard.press("Delete");
    await expect(problems.getByText(/document/).first()).toBeVisible();
    await expect(save).toBeDisabled();

    // The schema completes a key, and the one value it can have.
    await page.keyboard.type("form");
    await page.getByRole("option", { name: /^format/ }).click();
    await page.getByRole("option", { name: "anvilcloud/board@3" }).click();
    await page.keyboard.press("Enter");
    await page.keyboard.insertText(heading);
    await expect(problems.getByRole("button")).toHaveCount(1);
    await expect(problems).toContainText("blocks");

    await page.keyboard.insertText(body);
    await expect(page.getByRole("group", { name: "Face of Gannet" })).toBeVisible();
    await expect(page.getByRole("img", { name: "Lamp EYE, green, dark" })).toBeVisible();

    // One slip: told with its place, found by a click, mended, and the lamp is lit through its link.
    await expect(problems.getByRole("button")).toHaveCount(1);
    const slip = problems.getByRole("button", { name: /inputs\[1\]\.common/ });
    await expect(slip).toContainText('expected common of this board (inputs), found "inptus"');
    await expect(save).toBeDisabled();
    await slip.click();
    await page.keyboard.press("Control+Shift+ArrowRight");
    await page.keyboard.insertText("inputs");
    await expect(page.getByText("Nothing is wrong with this profile.")).toBeVisible();
    await expect(page.getByRole("img", { name: "Lamp EYE, green, lit" })).toBeVisible();

    // It runs, and one claim does not come out: told with its step, and mended.
    const misrun = page.getByText("learn, step run: claims moves open; the programs cause closed.");
    await expect(misrun).toBeVisible();
    await rewrite(page, "learn: travel, moves: [open]", "learn: travel, moves: [closed]");
    await expect(page.getByText("all 2 procedures end where they claim")).toBeVisible();
    await save.click();

    await expect(page.getByRole("heading", { level: 1, name: "Wrackline Works Gannet" })).toBeVisible();

    // Run at once: held by the keyboard it learns, and the leaf runs to its end.
    await page.getByRole("button", { name: "Run it" }).click();
    await page.getByRole("switch", { name: "Power" }).focus();
    await page.keyboard.press("Space");
    const run = page.getByRole("button", { name: "RUN", exact: true });
    await run.focus();
    await page.keyboard.down("Enter");
    // However late it is looked at: longer than asked for is a hold as well.
    await expect(page.getByRole("button", { name: /^RUN ([5-9]|\d\d+) s$/ })).toBeVisible();
    await page.keyboard.up("Enter");
    await expect(page.getByText("It begins: learns its stops.")).toBeVisible();
    await page.getByText("10×", { exact: true }).click();
    await expect(page.getByText("In memory: travel.")).toBeVisible();
    await expect(page.getByText("The gate is closed.")).toBeVisible();
    await page.goBack();
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "YAML" }).click();
    const written = readFileSync(await (await download).path(), "utf8");
    expect(written).toContain("# seen at a ferry gate");
    expect(written.startsWith("format: anvilcloud/board@3\n")).toBe(true);

    // A job on it, planned.
    await page.getByRole("link", { name: "Jobs", exact: true }).click();
    await page.getByRole("button", { name: "New job" }).click();
    await beginJob(page, "Ferry gate", "Brisa Holloway-Tarn", /Gannet/);
    await openPart(page, "Devices");
    await addDevices(page, [/^Heron/, /^Glance/, /^Turnkey/]);
    await expect(page.getByRole("status").filter({ hasText: /^Saved / })).toBeVisible();
    await page.getByRole("link", { name: /^Wire/ }).click();
    await expect(page.getByText("Glance photocell takes its place at Eye.")).toBeVisible();
    await expect(page.getByRole("link", { name: "Travel, blocked, 0 of 2" })).toBeVisible();
    await expect(page.getByText("no place for its")).toHaveCount(0);
  });

  await test.step("a new revision: jobs keep theirs, are told what it does, and take it when asked", async () => {
    await storeSheds(page, demo, { until: "power-up" });
    await page.goto(`${demo}/boards/quillmarsh-tandrel/edit`);
    await expect(page.getByText("2 jobs rest on this board.")).toBeVisible();
    await rewrite(page, "limitMilliamps: 550", "limitMilliamps: 120");
    await page.getByRole("button", { name: "Save revision 3" }).click();
    await page.getByRole("tab", { name: "Jobs" }).click();
    await expect(page.getByText("revision 2", { exact: true })).toHaveCount(2);
    await page.getByRole("button", { name: "What would revision 3 do to it?" }).first().click();
    await expect(page.getByText("New findings")).toBeVisible();
    await expect(page.getByText(/: .* against a limit of 120 mA/)).toBeVisible();
    await page.getByRole("button", { name: "Take revision 3" }).click();
    await expect(page.getByText("revision 3", { exact: true })).toBeVisible();
    await expect(page.getByText("revision 2", { exact: true })).toHaveCount(1);
  });

  await test.step("a face: zoom by key and button, pan to a corner, walk its parts, save it as SVG", async () => {
    await page.goto(`${demo}/boards/tarn-grellock`);
    const face = page.getByRole("group", { name: "Face of Grellock" });
    const width = async () => Number((await face.getAttribute("viewBox"))!.split(" ")[2]);
    const whole = await width();
    await face.locator("[data-part][tabindex='0']").focus();
    await page.keyboard.press("+");
    await expect.poll(width).toBeLessThan(whole * 0.7);
    await page.keyboard.press("ArrowRight");
    await expect(page.getByText(/^Terminal|^E2 ·/).first()).toBeVisible();
    await page.keyboard.press("0");
    await expect.poll(width).toBeCloseTo(whole, 3);
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "SVG" }).click();
    const svg = readFileSync(await (await download).path(), "utf8");
    expect(svg).toContain("<svg");
    expect(svg).toContain("Tarn &amp; Tollgate Grellock");
    expect(svg).not.toContain("var(--");
  });

  await test.step("HTML in a label stays text, on the page and in the saved drawing", async () => {
    const source = await (await read(page, `${demo}/api/boards/copperfold-casspel/source`)).text();
    const evil = source
      .replace("id: copperfold-casspel", "id: evil")
      .replace("label: OPEN,", 'label: "<img src=x onerror=document.title=1>",');
    await page.request.post(`${demo}/api/boards`, {
      headers: { "Content-Type": "application/yaml" },
      data: evil,
    });
    await page.goto(`${demo}/boards/evil`);
    await expect(page.getByText("<img src=x onerror=document.title=1>").first()).toBeVisible();
    await expect(page.locator('img[src="x"]')).toHaveCount(0);
    expect(await page.title()).not.toBe("1");
    const download = page.waitForEvent("download");
    await page.getByRole("button", { name: "SVG" }).click();
    expect(readFileSync(await (await download).path(), "utf8")).toContain("&lt;img");
  });
});
