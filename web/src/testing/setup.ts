import { TextDecoder, TextEncoder } from "node:util";

// jsdom lacks what every browser has.
Object.assign(globalThis, { TextDecoder, TextEncoder });
Object.assign(globalThis.CSS ?? (globalThis.CSS = {} as typeof CSS), { escape: (text: string) => text });
