import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core wiring", source, (file) => file.startsWith("wiring/"));
