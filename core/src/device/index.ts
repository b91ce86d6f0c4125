export { checkDevice, inspectDevice, parseDevice, readDevice } from "./read.ts";
export { deviceJsonSchema, deviceReference } from "./reference.ts";
export { deviceFrom, sketchSchema } from "./own-device.ts";
export type { DeviceSketch } from "./own-device.ts";
export { bears, inputMilliamps, madeFrom, usualVolts } from "./convert.ts";
export {
  coreColourNames,
  deviceKindName,
  deviceKindOrder,
  deviceKindsName,
  deviceText,
  deviceWords,
  suppliedWith,
} from "./words.ts";
export { coreColours, deviceKinds, deviceSchema } from "./schema.ts";
export type { CoreColour, DeviceContact, DeviceProfile, DeviceRail, DeviceSupply } from "./schema.ts";
