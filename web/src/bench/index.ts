export { Bench } from "./bench.tsx";
export { BoardFace } from "./board-face.tsx";
export { cropBoxes, deviceNumbers } from "./geometry.ts";
export { DialShape, LampShape } from "./parts/index.ts";
export { stepView } from "./view.ts";
