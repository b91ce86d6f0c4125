export {
  contactForce,
  edgeMassKg,
  frictionAt,
  kineticJoules,
  windPascals,
  type Body,
  type Contact,
} from "./body.ts";
export { behindOhms, driveAmps, drivePush, holds, type Drive, type DriveLine, type Push } from "./drive.ts";
export { liftingLeaf, partingPair, pushedSash, slidingLeaf, swingLeaf, type Site } from "./leaves.ts";
export { advance, partsOf, type Forces, type Motion } from "./step.ts";
