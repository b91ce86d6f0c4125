import { loadTests } from "../../scripts/jest/suite.ts";
import { source } from "./folders.ts";

await loadTests("core board", source, (file) => file.startsWith("board/"));
