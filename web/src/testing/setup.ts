import { TextDecoder, TextEncoder } from "node:util";

// jsdom lacks what every browser has; it draws on no canvas.
if (typeof HTMLCanvasElement !== "undefined") HTMLCanvasElement.prototype.getContext = () => null;
/** In a test nothing has a size that could change. */
class NoResizes {
  observe() {}
  unobserve() {}
  disconnect() {}
}
Object.assign(globalThis, { TextDecoder, TextEncoder, ResizeObserver: NoResizes });
Object.assign(globalThis.CSS ?? (globalThis.CSS = {} as typeof CSS), { escape: (text: string) => text });

// jsdom lays nothing out, and cannot scroll.
if (typeof HTMLElement !== "undefined") HTMLElement.prototype.scrollIntoView ??= () => {};
