import { readdirSync } from "node:fs";

const source = new URL("../src/", import.meta.url);

/** Folders whose tests are a suite of their own; all other tests are one more. */
const folders = ["board", "panel", "plan", "runsheet", "twin", "wiring"] as const;

/**
 * Registers every test of a folder in one place: what is compiled and read for the first file serves all that follow, and
 * the whole takes half the time. One file alone is run as ever.
 */
export async function loadTests(folder: (typeof folders)[number] | "others"): Promise<void> {
  const files = readdirSync(source, { recursive: true, encoding: "utf8" })
    .filter((file) => file.endsWith(".test.ts"))
    .filter((file) => (folders.find((each) => file.startsWith(`${each}/`)) ?? "others") === folder)
    .sort();
  for (const file of files) await import(new URL(file, source).href);
}
