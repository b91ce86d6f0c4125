import { mkdtempSync, rmSync } from "node:fs";
import { createServer, type Server } from "node:http";
import { get } from "node:https";
import type { AddressInfo } from "node:net";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Page } from "@playwright/test";
import { copyFilled } from "./filled.ts";
import { runServer, type RunningServer } from "./run-server.ts";
import { expect, read, test } from "./server.ts";

/** A page of someone else's, at an origin of its own. */
async function foreignPage(): Promise<{ port: number; close: () => Promise<void> }> {
  const server: Server = createServer((_request, response) => {
    response.setHeader("Content-Type", "text/html");
    response.end("<!doctype html><title>Win a gate</title><p>Win a gate!</p>");
  });
  await new Promise<void>((up) => server.listen(0, "127.0.0.1", up));
  const close = () =>
    new Promise<void>((closed) => {
      server.closeAllConnections();
      server.close(() => closed());
    });
  return { port: (server.address() as AddressInfo).port, close };
}

/** All that is stored, as far as the interface tells it. */
async function stored(page: Page, address: string): Promise<unknown> {
  const all = ["/api/jobs", "/api/jobs/netloft", "/api/jobs/netloft/log", "/api/boards", "/api/devices"];
  return Promise.all(all.map(async (path) => (await read(page, address + path)).json() as Promise<unknown>));
}

/** Everything a page can try against another origin; gives what it got to read. */
async function attack(page: Page, address: string, board: string): Promise<string[]> {
  return page.evaluate(
    async ({ address, board }) => {
      const read: string[] = [];
      const note = JSON.stringify({
        id: "f",
        at: "2026-11-24T09:00:00.000Z",
        by: "",
        kind: "note",
        text: "foreign",
      });
      const job = JSON.stringify({ title: "Foreign", customer: "F", board: "quillmarsh-tandrel" });
      const attempts: [string, string, string, string | undefined][] = [
        ["POST", "/api/boards", "text/plain", board],
        ["POST", "/api/boards", "application/yaml", board],
        ["POST", "/api/jobs", "text/plain", job],
        ["POST", "/api/jobs", "application/json", job],
        ["POST", "/api/jobs", "application/x-www-form-urlencoded", job],
        ["POST", "/api/jobs/netloft/log", "application/json", note],
        ["POST", "/api/jobs/netloft/log", "text/plain", note],
        ["DELETE", "/api/jobs/netloft", "application/json", undefined],
        ["PUT", "/api/jobs/netloft", "application/json", job],
        ["GET", "/api/jobs", "text/plain", undefined],
        ["GET", "/api/jobs/netloft/bundle", "text/plain", undefined],
      ];
      for (const mode of ["no-cors", "cors"] as const)
        for (const credentials of ["include", "omit"] as const)
          for (const [method, path, type, body] of attempts)
            try {
              const init = { method, mode, credentials, headers: { "Content-Type": type }, body };
              const text = await (await fetch(address + path, init)).text();
              if (text) read.push(`${mode} ${method} ${path}: ${text.slice(0, 80)}`);
            } catch {
              // Not even sent, or not to be read.
            }
      navigator.sendBeacon(`${address}/api/jobs`, job);
      navigator.sendBeacon(`${address}/api/boards`, new Blob([board]));
      for (const enctype of ["text/plain", "application/x-www-form-urlencoded", "multipart/form-data"]) {
        const frame = Object.assign(document.createElement("iframe"), { name: `f-${enctype}` });
        const form = Object.assign(document.createElement("form"), {
          method: "post",
          action: `${address}/api/jobs`,
          enctype,
          target: frame.name,
        });
        // As plain text this is a JSON document.
        form.append(
          Object.assign(document.createElement("input"), { name: job.slice(0, -1) + ',"x":"', value: '"}' }),
        );
        document.body.append(frame, form);
        form.submit();
      }
      const framed = Object.assign(document.createElement("iframe"), { src: `${address}/jobs/netloft` });
      const script = Object.assign(document.createElement("script"), { src: `${address}/api/jobs` });
      const image = Object.assign(document.createElement("img"), { src: `${address}/mark.svg` });
      document.body.append(framed, script, image);
      const settled = (each: EventTarget) =>
        new Promise((over) => ["load", "error"].forEach((event) => each.addEventListener(event, over)));
      await Promise.all([framed, script, image].map(settled));
      if (framed.contentDocument?.body.textContent) read.push("frame");
      if (image.naturalWidth) read.push("image");
      return read;
    },
    { address, board },
  );
}

/** The same site at another port, and another site. */
const foreignHosts = ["127.0.0.1", "localhost"] as const;

test.describe("beyond this machine", () => {
  const passphrase = "four dry hinge pins";
  let server: RunningServer;
  let folder: string;
  let trustPort: number;

  test.beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), "anvilcloud-e2e-"));
    copyFilled(true, join(folder, "test.db"));
    const free = await foreignPage();
    trustPort = free.port;
    await free.close();
    const more = { HOST: "0.0.0.0", PASSPHRASE: passphrase, TRUST_PORT: String(trustPort) };
    server = await runServer(join(folder, "test.db"), true, more);
  });
  test.afterAll(async () => {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  });
  test.use({ ignoreHTTPSErrors: true });

  const here = () => server.address.replace(/\/\/[^/]+:/, "//127.0.0.1:");

  test("nobody else reads or changes anything: pages of others, a name made to lead here, a stranger; whoever gives the passphrase comes in, and leaves again", async ({
    page,
    demo,
  }) => {
    for (const host of foreignHosts)
      await test.step(`a page at ${host} reads nothing and changes nothing`, async () => {
        const foreign = await foreignPage();
        const source = await (await read(page, `${demo}/api/boards/quillmarsh-tandrel/source`)).text();
        const board = source.replace(/^id: .*$/m, "id: foreign-board");
        const before = await stored(page, demo);
        await page.goto(`http://${host}:${foreign.port}/`);
        expect(await attack(page, demo, board)).toEqual([]);
        // Forms and beacons are on their way by themselves.
        await page.waitForLoadState("networkidle");
        expect(await stored(page, demo)).toEqual(before);
        await foreign.close();
      });

    await test.step("a name that was made to lead here reads nothing and changes nothing", async () => {
      const browser = await chromium.launch({
        executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
        args: ["--no-sandbox", "--disable-gpu", "--host-resolver-rules=MAP rebound.example 127.0.0.1"],
      });
      const other = await browser.newPage();
      const before = await stored(other, demo);
      const rebound = demo.replace("127.0.0.1", "rebound.example");
      const answer = await other.goto(rebound);
      expect(answer?.status()).toBe(421);
      const got = await other.evaluate(async () => {
        const headers = { "Content-Type": "application/json" };
        const body = JSON.stringify({ title: "Foreign", customer: "F", board: "quillmarsh-tandrel" });
        const answers = [
          await fetch("/api/jobs"),
          await fetch("/api/jobs", { method: "POST", headers, body }),
        ];
        return Promise.all(answers.map(async (each) => [each.status, await each.text()] as const));
      });
      for (const [status, text] of got) {
        expect(status).toBe(421);
        expect(text).not.toContain("Netloft");
      }
      expect(await stored(other, demo)).toEqual(before);
      await browser.close();
    });

    for (const path of ["/api/jobs", "/api/jobs/netloft/bundle", "/api/boards", "/api/whereabouts"])
      expect((await read(page, here() + path)).status()).toBe(401);
    expect((await page.request.post(`${here()}/api/jobs`, { data: {} })).status()).toBe(401);
    await page.goto(here());
    const dialog = page.getByRole("dialog", { name: "Sign in" });
    await dialog.getByLabel("Passphrase").fill("some other words");
    await page.keyboard.press("Enter");
    await expect(dialog.getByText("This is not the passphrase.")).toBeVisible();
    await expect(page.getByText("Netloft yard")).toHaveCount(0);
    await dialog.getByLabel("Passphrase").fill(passphrase);
    await page.keyboard.press("Enter");
    await expect(page.getByText("Netloft yard, swing pair")).toBeVisible();
    const [cookie] = await page.context().cookies();
    expect(cookie).toMatchObject({
      name: "__Host-anvilcloud",
      httpOnly: true,
      secure: true,
      sameSite: "Strict",
    });

    // Whoever is in and strays onto a foreign page: it does nothing in their name.
    const foreign = await foreignPage();
    const before = await stored(page, here());
    await page.goto(`http://localhost:${foreign.port}/`);
    expect(await attack(page, here(), "id: foreign-board")).toEqual([]);
    expect(await stored(page, here())).toEqual(before);
    await foreign.close();

    await page.goto(`${here()}/phone`);
    await expect(page.getByRole("img", { name: /code to scan/ })).toBeVisible();
    await page.getByRole("button", { name: "Sign out" }).click();
    await expect(dialog).toBeVisible();
    expect((await read(page, `${here()}/api/jobs`)).status()).toBe(401);

    await test.step("who was told to trust its certificate has a line that is trusted, and nobody speaks to it in the open", async () => {
      const crt = await (await read(page, `http://127.0.0.1:${trustPort}/anvilcloud.crt`)).text();
      const { port } = new URL(server.address);
      const status = await new Promise((done) => {
        get({ host: "127.0.0.1", port, path: "/api/health", ca: crt }, (answer) =>
          done(answer.statusCode),
        ).on("error", (error) => done(error.message));
      });
      expect(status).toBe(200);
      await expect(fetch(`http://127.0.0.1:${port}/api/health`)).rejects.toThrow();
    });

    await test.step("without a passphrase, and nobody to ask, it does not listen, and says how", async () => {
      const refused = runServer(join(folder, "other.db"), false, { HOST: "0.0.0.0" });
      await expect(refused).rejects.toThrow(/ended with 1/);
    });
  });
});
