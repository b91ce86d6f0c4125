export { fillsStore, onBattery, storeOf, storeVolts, type Store } from "./store.ts";
