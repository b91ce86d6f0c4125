export { askedWishes } from "./asked.ts";
export type { WishLine } from "./asked.ts";
export { wishesOf } from "./wanted.ts";
