export { Dials, DialShape } from "./dials.tsx";
export { Dips } from "./dips.tsx";
export { Keys } from "./keys.tsx";
export { Lamps, LampShape } from "./lamps.tsx";
export { Links } from "./links.tsx";
export { partText } from "./part-text.ts";
export { Terminals } from "./terminals.tsx";
