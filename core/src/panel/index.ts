export { panelAlone } from "./facts.ts";
export { bestOf, singlesOf } from "./fits.ts";
export { mostPresses, panelAfter, panelAfterEach, panelWaits, waysIn } from "./machine.ts";
export { panelShowing } from "./shown.ts";
export { entryAt, menuAt, panelAtRest, panelShows } from "./state.ts";
export type { PanelEvent, PanelState, PanelStep } from "./state.ts";
export * from "./path/index.ts";
export * from "./guide/index.ts";
