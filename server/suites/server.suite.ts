import { loadTests } from "../../scripts/jest/suite.ts";
// Their hooks take away what every file of the suite has made.
import "../src/testing/built.ts";
import "../src/testing/folders.ts";

await loadTests("server", new URL("../src/", import.meta.url), () => true);
