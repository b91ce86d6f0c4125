import { TextDecoder, TextEncoder } from "node:util";

// jsdom lacks what every browser has; it draws on no canvas.
if (typeof HTMLCanvasElement !== "undefined") HTMLCanvasElement.prototype.getContext = () => null;
Object.assign(globalThis, { TextDecoder, TextEncoder });
Object.assign(globalThis.CSS ?? (globalThis.CSS = {} as typeof CSS), { escape: (text: string) => text });
