// One test file for the mutation tester: the tests of the rules in one load of their modules, those of the folder that is
// being mutated first, the long ones last.
import { readdirSync } from "node:fs";

const source = new URL("../../core/src/", import.meta.url);
const folders = ["circuit", "wiring", "controls", "state", "runsheet", "plan", "record"];
/** Tests that plan hundreds of jobs; they come when nothing shorter has noticed a change. */
const long = ["plan/traps", "plan/any-job", "plan/every-board", "wiring/place/assign", "circuit/circuit"];

const own = process.env.MUTANTS_FOLDER ?? "";
const rank = (file) =>
  (long.some((name) => file.startsWith(name)) ? 2 : 0) + (file.startsWith(`${own}/`) ? 0 : 1);

const files = folders
  .flatMap((folder) =>
    readdirSync(new URL(`${folder}/`, source), { recursive: true }).map((file) => `${folder}/${file}`),
  )
  .filter((file) => file.endsWith(".test.ts"))
  .sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1));

for (const file of files) await import(new URL(file, source).href);
