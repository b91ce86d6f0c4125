// One file for the mutation tester, with all it imports, so that a change is tried without loading three hundred modules:
// the tests of the folder that is being mutated first, then those of the folders that build upon it, the long ones last.
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";

const source = join(process.cwd(), "core/src");
/** Tests that plan hundreds of jobs; they come when nothing shorter has noticed a change. */
const long = ["plan/traps", "plan/any-job", "plan/every-board", "wiring/place/assign", "circuit/circuit"];

/** Folders of rules, each with those whose tests hold it beside its own: what builds upon it at once. */
const holders = JSON.parse(readFileSync(new URL("holders.json", import.meta.url), "utf8"));

const own = process.env.MUTANTS_FOLDER ?? "";
const rank = (file) =>
  (long.some((name) => file.startsWith(name)) ? 2 : 0) + (file.startsWith(`${own}/`) ? 0 : 1);

const files = [own, ...(holders[own] ?? [])]
  .flatMap((folder) =>
    readdirSync(join(source, folder), { recursive: true }).map((file) => `${folder}/${file}`),
  )
  .filter((file) => file.endsWith(".test.ts"))
  .sort((a, b) => rank(a) - rank(b) || (a < b ? -1 : 1));

await build({
  // A change that keeps a file from loading at all is a test that fails, not a file without tests.
  stdin: {
    contents: files
      .map(
        (file) =>
          `try { await import("./${file}"); } catch (error) { test("${file} loads", () => { throw error; }); }`,
      )
      .join("\n"),
    resolveDir: source,
  },
  // Beside the helper that finds the shipped data from where it stands.
  outfile: join(source, "testing/mutants.bundle.mjs"),
  bundle: true,
  // Loads a file of its own.
  external: ["highs"],
  format: "esm",
  platform: "node",
  target: "node20",
  legalComments: "none",
  // The package calls itself free of side effects; its tests are nothing else.
  ignoreAnnotations: true,
  banner: {
    js: 'import { createRequire } from "node:module"; const require = createRequire(import.meta.url);',
  },
  logLevel: "error",
});
