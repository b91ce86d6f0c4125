import { loadTests } from "../../scripts/jest/suite.ts";

await loadTests("web pages", new URL("../src/", import.meta.url), (file) => file.endsWith(".test.tsx"));
