export { panelAlone } from "./facts.ts";
export { mostPresses, panelAfter, panelAfterEach, panelWaits } from "./machine.ts";
export { entryAt, panelAtRest, panelShows } from "./state.ts";
export type { PanelEvent, PanelState, PanelStep } from "./state.ts";
