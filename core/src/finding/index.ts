export { finding, findingCodes } from "./codes.ts";
export type { Finding, FindingCode, Severity, Subject } from "./codes.ts";
export { severityRank, wordsOf } from "./words.ts";
export type { FindingWords } from "./words.ts";
export { pathText, problemText, ProblemsError, shown } from "./problem.ts";
export type { Problem } from "./problem.ts";
export { parseWith, problemsOf, valueAt } from "./zod.ts";
export { readYaml } from "./yaml.ts";
