import { readFileSync, rmSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { build } from "esbuild";

/** Packages stay outside the bundle; the workspace's own folders go in. */
const dependenciesOf = (path) =>
  Object.keys(JSON.parse(readFileSync(new URL(path, import.meta.url), "utf8")).dependencies);
const external = [...dependenciesOf("package.json"), ...dependenciesOf("../core/package.json")].filter(
  (name) => !name.startsWith("@anvilcloud/"),
);

const programs = ["src/main.ts", "src/work/worker.ts"];

/**
 * Builds the server and its worker into a folder: `main.js`, `worker.js` and what they share; beside them further programs,
 * each by its path from here.
 */
export const buildServer = (outdir, further = []) =>
  build({
    entryPoints: [...programs, ...further].map((path) => new URL(path, import.meta.url).pathname),
    outdir,
    entryNames: "[name]",
    // What only a server for other machines needs is loaded by that one alone.
    splitting: true,
    chunkNames: "[name]-[hash]",
    bundle: true,
    platform: "node",
    target: "node20",
    format: "esm",
    sourcemap: true,
    logLevel: "warning",
    external,
  });

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const outdir = fileURLToPath(new URL("dist", import.meta.url));
  // What builds before shared under other names is of no use to this one.
  rmSync(outdir, { recursive: true, force: true });
  await buildServer(outdir);
}
