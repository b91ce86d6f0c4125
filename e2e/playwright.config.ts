import { defineConfig } from "@playwright/test";

export default defineConfig({
  testDir: ".",
  testMatch: "*.spec.ts",
  timeout: 240_000,
  expect: { timeout: 10_000 },
  fullyParallel: true,
  globalSetup: "./filled.ts",
  workers: 2,
  reporter: [["list"]],
  outputDir: "../test-results",
  use: {
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
      args: [
        "--disable-quic",
        "--no-sandbox",
        "--disable-background-networking",
        "--disable-component-update",
      ],
    },
    trace: "retain-on-failure",
  },
});
