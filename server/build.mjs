import { readFileSync } from "node:fs";
import { build } from "esbuild";

/** Packages stay outside the bundle; the workspace's own folders go in. */
const dependenciesOf = (path) =>
  Object.keys(JSON.parse(readFileSync(new URL(path, import.meta.url), "utf8")).dependencies);
const external = [...dependenciesOf("package.json"), ...dependenciesOf("../core/package.json")].filter(
  (name) => !name.startsWith("@anvilcloud/"),
);

await build({
  entryPoints: [new URL("src/main.ts", import.meta.url).pathname],
  outfile: new URL("dist/main.js", import.meta.url).pathname,
  bundle: true,
  platform: "node",
  target: "node20",
  format: "esm",
  sourcemap: true,
  logLevel: "warning",
  external,
});
