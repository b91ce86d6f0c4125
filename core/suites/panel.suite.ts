import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core panel", source, (file) => file.startsWith("panel/"));
