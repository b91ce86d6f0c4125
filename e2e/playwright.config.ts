import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: ".",
  // Only what never comes may fail, on a machine of any speed.
  timeout: 3_600_000,
  expect: { timeout: 600_000 },
  fullyParallel: true,
  globalSetup: "./filled.ts",
  // A test waits a little: one more of them than cores keeps both busy.
  workers: 3,
  reporter: [["list"], ["./ledger.ts", { journeys: 8, steps: 3_100 }]],
  projects: [{ name: "journeys", testMatch: "*.spec.ts" }],
  testIgnore: "prove/**",
  outputDir: "../test-results",
  use: {
    actionTimeout: 600_000,
    navigationTimeout: 600_000,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell",
      args: [
        "--disable-quic",
        "--no-sandbox",
        "--disable-background-networking",
        "--disable-component-update",
        // No card draws here: a process that stands in for one only takes time.
        "--disable-gpu",
        "--in-process-gpu",
      ],
    },
    screenshot: "only-on-failure",
    // A record of every action costs a third of the time: npm run e2e -- --trace on
  },
});
