export { changesOf, findPanel, guideKeys } from "./guide.ts";
export type { Found, GuideChange, KeyGuide } from "./guide.ts";
export type { GuideStep } from "./told.ts";
