import { readFileSync } from "node:fs";
import { build } from "esbuild";

const { dependencies } = JSON.parse(readFileSync(new URL("package.json", import.meta.url), "utf8"));

await build({
  entryPoints: [new URL("src/main.ts", import.meta.url).pathname],
  outfile: new URL("dist/main.js", import.meta.url).pathname,
  bundle: true,
  platform: "node",
  target: "node20",
  format: "esm",
  sourcemap: true,
  logLevel: "warning",
  external: Object.keys(dependencies).filter((name) => !name.startsWith("@anvilcloud/")),
});
