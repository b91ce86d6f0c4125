import { readFileSync } from "node:fs";
import { build } from "esbuild";

/** Packages stay outside the bundle; the workspace's own folders go in. */
const dependenciesOf = (path) =>
  Object.keys(JSON.parse(readFileSync(new URL(path, import.meta.url), "utf8")).dependencies);
const external = [...dependenciesOf("package.json"), ...dependenciesOf("../core/package.json")].filter(
  (name) => !name.startsWith("@anvilcloud/"),
);

await build({
  entryPoints: ["src/main.ts", "src/work/worker.ts"].map((path) => new URL(path, import.meta.url).pathname),
  outdir: new URL("dist", import.meta.url).pathname,
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
