import { readBoard } from "@anvilcloud/core";
import { medianMs, report } from "./measure.ts";

const refused = (keys: number) => {
  const text = Array.from({ length: keys }, (_, at) => `k${at}: 1`).join("\n");
  return () => {
    try {
      readBoard(text, "many");
    } catch {
      // What is wrong with it is not the question.
    }
  };
};

/** A YAML document of 40 000 keys against one of 10 000: four times the keys, and not sixteen times the work. */
export async function benchManyKeys(): Promise<void> {
  const [few, many] = [await medianMs(3, refused(10_000)), await medianMs(3, refused(40_000))];
  report("YAML of 40 000 keys against 10 000, time", many / few, "budget: at most 6");
}
