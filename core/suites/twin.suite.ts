import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core twin", source, (file) => file.startsWith("twin/"));
