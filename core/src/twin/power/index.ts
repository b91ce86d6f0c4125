export { fillsStore, storeOf, type Store } from "./store.ts";
