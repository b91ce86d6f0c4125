import config from "./playwright.config.ts";

/** Takes every picture of docs/screenshots/ from the demo data in one go: `npm run screenshots`. */
export default {
  ...config,
  projects: [{ name: "pictures", testMatch: "pictures.ts" }],
  workers: 1,
  retries: 0,
};
