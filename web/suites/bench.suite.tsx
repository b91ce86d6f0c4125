import { loadTests } from "../../scripts/jest/suite.ts";

await loadTests(
  "web bench",
  new URL("../src/", import.meta.url),
  (file) => file.endsWith(".test.tsx") && !file.startsWith("stations/"),
);
