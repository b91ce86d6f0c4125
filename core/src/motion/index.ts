export { contactForce, edgeMassKg, kineticJoules, windPascals, type Body, type Contact } from "./body.ts";
export { driveAmps, drivePush, holds, type Drive, type DriveLine, type Push } from "./drive.ts";
export { liftingLeaf, partingPair, pushedSash, slidingLeaf, swingLeaf } from "./leaves.ts";
export { advance, partsOf, type Forces, type Motion } from "./step.ts";
