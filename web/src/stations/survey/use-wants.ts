import { surveyWants } from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";
import type { SurveyPart } from "./path.tsx";

/** What is still wanted of a part of the survey, in words. */
export function useWants(part: SurveyPart): string[] {
  const { job } = useJobBench();
  return surveyWants(job).flatMap((want) => (want.part === part ? [want.what] : []));
}
