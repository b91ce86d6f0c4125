import { loadTests } from "./load.ts";

await loadTests("twin");
