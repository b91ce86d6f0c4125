import { count } from "../quantity/index.ts";
import type { Job } from "./schema.ts";

/** Something a survey still wants: of which part, in words, and whether the work waits for it. */
export interface SurveyWant {
  part: "site" | "thing" | "devices" | "found";
  what: string;
  isNeeded: boolean;
}

/** How many things a survey must have before it is settled. */
export const surveyNeeds = 2;

/** What a survey still wants, in the order in which it is gone through. */
export function surveyWants({ site, installer, survey, devices, found, assumed = [] }: Job): SurveyWant[] {
  const cables = assumed.filter((each) => each.startsWith("cable ")).length;
  const wants: (SurveyWant & { isWanted: boolean })[] = [
    { part: "site", what: "address", isNeeded: false, isWanted: !site.address.trim() },
    { part: "site", what: "town", isNeeded: false, isWanted: !site.town.trim() },
    { part: "site", what: "installer", isNeeded: false, isWanted: !installer.trim() },
    {
      part: "thing",
      what: "sizes and masses, measured",
      isNeeded: false,
      isWanted: assumed.some((each) => each.startsWith("leaf ")),
    },
    { part: "thing", what: "where the breaker is", isNeeded: false, isWanted: !survey.breaker.trim() },
    { part: "devices", what: "the devices on site", isNeeded: true, isWanted: !devices.length },
    {
      part: "devices",
      what: `${count(cables, "cable length")}, measured`,
      isNeeded: false,
      isWanted: cables > 0,
    },
    { part: "found", what: "the board as it was found", isNeeded: true, isWanted: !found.noted },
  ];
  return wants.flatMap(({ isWanted, ...want }) => (isWanted ? [want] : []));
}
