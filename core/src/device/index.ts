export { checkDevice, parseDevice, readDevice } from "./read.ts";
export { deviceSchema } from "./schema.ts";
export type { DeviceContact, DeviceProfile, DeviceSupply } from "./schema.ts";
