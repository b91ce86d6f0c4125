export { checkDevice, inspectDevice, parseDevice, readDevice } from "./read.ts";
export { deviceJsonSchema, deviceReference } from "./reference.ts";
export { deviceFrom, sketchSchema } from "./sketch.ts";
export type { DeviceSketch } from "./sketch.ts";
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
