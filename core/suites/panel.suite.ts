import { loadTests } from "./load.ts";

await loadTests("panel");
