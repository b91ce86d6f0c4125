export { isBusy, moverSchema, sends, trafficGoes, trafficOf, type Comes, type Traffic } from "./traffic.ts";
