import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core plan", source, (file) => file.startsWith("plan/"));
