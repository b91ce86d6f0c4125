import { TextDecoder, TextEncoder } from "node:util";
import { configure } from "@testing-library/react";

// jsdom lacks what every browser has.
Object.assign(globalThis, { TextDecoder, TextEncoder });
Object.assign(globalThis.CSS ?? (globalThis.CSS = {} as typeof CSS), { escape: (text: string) => text });

// What is awaited comes when it comes: only what never comes may fail, on a machine of any speed.
configure({ asyncUtilTimeout: 60_000 });
