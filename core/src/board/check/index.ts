export { checkBoard } from "./check.ts";
