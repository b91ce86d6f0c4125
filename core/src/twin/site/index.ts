export { saidTo, type Asked, type Circuit } from "./asked.ts";
export {
  cutOff,
  endContacts,
  endInput,
  pulsesReach,
  worksEnds,
  type EndContact,
  type Limits,
} from "./ends.ts";
export { feedsOf, type Feed, type Feeds } from "./feeds.ts";
export {
  beginsWith,
  opensWhenTested,
  readsInputs,
  siteOf,
  takesWires,
  tripsContact,
  worksInput,
  type Planning,
  type Site,
} from "./site.ts";
export { locksHold, locksOf, type Lock } from "./lock.ts";
