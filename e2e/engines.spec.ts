import { expect, test } from "@playwright/test";
import { build } from "esbuild";
import { parseRunFile, replay } from "@anvilcloud/core";
import { savedRun } from "../core/src/testing/saved-run.ts";

/** The core as one script, as a page would have it. */
async function coreScript(): Promise<string> {
  const { outputFiles } = await build({
    entryPoints: ["core/src/index.ts"],
    bundle: true,
    write: false,
    format: "iife",
    globalName: "core",
    logLevel: "silent",
  });
  return outputFiles[0]!.text;
}

test("a saved run of ten minutes comes to the same to the last bit in Node and in Chromium", async ({
  page,
}) => {
  const file = savedRun();
  const here = replay(parseRunFile(file));
  await page.addScriptTag({ content: await coreScript() });
  const there = await page.evaluate((given) => {
    const { core } = globalThis as unknown as {
      core: { parseRunFile: typeof parseRunFile; replay: typeof replay };
    };
    const played = core.replay(core.parseRunFile(given));
    return { mark: played.mark, events: played.events.length, engine: navigator.userAgent };
  }, file);
  expect(there.engine).toContain("Chrome");
  expect(here.seconds).toBe(600);
  expect(there).toMatchObject({ mark: here.mark, events: here.events.length });
});
