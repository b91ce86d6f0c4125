export { dice } from "./dice.ts";
export { mutated } from "./requests.ts";
export type { Right, Sent } from "./requests.ts";
