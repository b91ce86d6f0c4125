import { loadTests } from "../../scripts/jest/suite.ts";

/** Folders whose tests share a suite; all others are one more. */
const together = { plans: ["wiring", "plan"], runs: ["twin", "runsheet"] } as const;

const isIn = (file: string, folders: readonly string[]) =>
  folders.some((folder) => file.startsWith(`${folder}/`));

/** Loads the tests of one of these suites of the core, or those of no such folder. */
export const loadCore = (suite: keyof typeof together | "others"): Promise<void> =>
  loadTests(`core ${suite}`, new URL("../src/", import.meta.url), (file) =>
    suite === "others" ? !isIn(file, Object.values(together).flat()) : isIn(file, together[suite]),
  );
