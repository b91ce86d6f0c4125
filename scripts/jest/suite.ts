import { readdirSync } from "node:fs";
import { relative } from "node:path";
import { fileURLToPath } from "node:url";
import { closeLedger, declares, openLedger } from "./ledger.ts";

const declared = ["describe", "test", "it", "beforeAll", "beforeEach", "afterAll", "afterEach"] as const;

type Declare = (...given: unknown[]) => unknown;
type Globals = Record<(typeof declared)[number], Declare & { each?: (...table: unknown[]) => Declare }>;

/** Declares what a file tests within a group of its own, so that its hooks are run for its tests alone. */
async function loadFile(file: URL): Promise<void> {
  const globals = globalThis as unknown as Globals;
  const real = Object.fromEntries(declared.map((name) => [name, globals[name]])) as Globals;
  const waiting: (() => void)[] = [];
  for (const name of declared) {
    const later: Declare = (...given) => void waiting.push(() => real[name](...given));
    const each = (...table: unknown[]): Declare => {
      return (...given) => void waiting.push(() => real[name].each!(...table)(...given));
    };
    globals[name] = Object.assign(later, { each });
  }
  const path = relative(process.cwd(), fileURLToPath(file));
  declares(path);
  try {
    await import(file.href);
  } finally {
    Object.assign(globals, real);
  }
  globals.describe(path, () => waiting.forEach((declare) => declare()));
  declares("");
}

/**
 * Registers every test file below a folder in one suite: what is compiled and read for the first serves all that follow,
 * and the whole takes half the time. One file alone is run as ever. What the suite has planned, solved and simulated is
 * held to its ceiling.
 * @param suite its name in ceilings.json
 * @param source the folder, as an address that ends with a slash
 * @param isIncluded whether a file belongs to this suite, by its path below the folder
 */
export async function loadTests(
  suite: string,
  source: URL,
  isIncluded: (file: string) => boolean,
): Promise<void> {
  const files = readdirSync(source, { recursive: true, encoding: "utf8" })
    .filter((file) => /\.test\.tsx?$/.test(file) && isIncluded(file))
    .sort();
  openLedger();
  for (const file of files) await loadFile(new URL(file, source));
  closeLedger(suite);
}
