export { overlaps, sizeToFit, textWidth } from "./geometry.ts";
export type { Box, Point } from "./geometry.ts";
export { layoutFaults, layoutOf } from "./layout.ts";
export type { FaceLayout, PlacedBlock, PlacedPart } from "./layout.ts";
export { edgeOf } from "./part-boxes.ts";
export { sizes } from "./sizes.ts";
