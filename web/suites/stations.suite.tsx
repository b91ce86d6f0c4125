import { loadTests } from "../../scripts/jest/suite.ts";

await loadTests(
  "web stations",
  new URL("../src/", import.meta.url),
  (file) => file.endsWith(".test.tsx") && file.startsWith("stations/"),
);
