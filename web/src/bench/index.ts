export { Bench } from "./bench.tsx";
export { BoardFace } from "./board-face.tsx";
export { FaceViewer } from "./face-viewer.tsx";
export { cropBoxes, deviceNumbers } from "./geometry.ts";
export { benchBox } from "./routes.ts";
export { DialShape, LampShape } from "./parts/index.ts";
export { drawingOnPage, saveText } from "./save-drawing.ts";
export { restView, stepView, useBoardView } from "./view.ts";
