import { loadTests } from "../../scripts/jest/suite.ts";

await loadTests("web rules", new URL("../src/", import.meta.url), (file) => file.endsWith(".test.ts"));
