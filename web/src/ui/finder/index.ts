export { Finder } from "./finder.tsx";
export type { Findable } from "./best-first.ts";
