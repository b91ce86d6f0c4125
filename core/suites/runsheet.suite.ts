import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests(source, (file) => file.startsWith("runsheet/"));
