import { loadCore } from "./folders.ts";

await loadCore("plans");
