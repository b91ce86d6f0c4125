export {
  isBusy,
  moverSchema,
  sends,
  spansOf,
  trafficGoes,
  trafficOf,
  type Comes,
  type Traffic,
} from "./traffic.ts";
