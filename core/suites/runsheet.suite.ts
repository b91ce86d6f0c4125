import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core runsheet", source, (file) => file.startsWith("runsheet/"));
