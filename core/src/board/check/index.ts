export { checkBoard } from "./check.ts";
export { namesOf } from "./names.ts";
