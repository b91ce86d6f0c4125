import { loadTests } from "../../scripts/jest/suite.ts";
import { isElsewhere, source } from "./folders.ts";

await loadTests("core others", source, isElsewhere);
