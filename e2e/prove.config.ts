import { defineConfig } from "@playwright/test";
import config from "./playwright.config.ts";

/** What `npm run prove` drives beside the journeys: every screen, every walk, every board's way. */
export default defineConfig({
  // Not merged: the journeys' own project would run each of these once more.
  ...config,
  testDir: "prove",
  testIgnore: [],
  reporter: [["list"], ["./ledger.ts", { journeys: 24, steps: 11_500 }]],
  projects: [
    { name: "walk", testMatch: "walk.spec.ts" },
    { name: "views", testMatch: "*.spec.ts", testIgnore: "walk.spec.ts" },
  ],
});
