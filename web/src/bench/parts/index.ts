export { Dials, DialShape } from "./dials.tsx";
export { DisplayPart } from "./display.tsx";
export { Dips } from "./dips.tsx";
export { Plates } from "./plates.tsx";
export { Keys } from "./keys.tsx";
export { Lamps, LampShape } from "./lamps.tsx";
export { Links } from "./links.tsx";
export { Selectors, Slots } from "./selectors.tsx";
export { Terminals } from "./terminals.tsx";
