// Builds what changed, opens the database and serves Anvilcloud with its demo jobs. --fresh starts over.
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const data = process.env.DATABASE ? dirname(process.env.DATABASE) : join(root, "data");

/** A digest of every source's path, size and time: cheap, and it changes when anything does. */
function digest() {
  const hash = createHash("sha256");
  const walk = (folder) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      const path = join(folder, entry.name);
      if (entry.isDirectory()) walk(path);
      else {
        const { size, mtimeMs } = statSync(path);
        hash.update(`${path} ${size} ${mtimeMs}\n`);
      }
    }
  };
  for (const folder of ["core/src", "web/src", "web/public", "server/src"]) walk(join(root, folder));
  for (const file of ["package-lock.json", "web/index.html", "web/vite.config.ts", "server/build.mjs"])
    hash.update(readFileSync(join(root, file)));
  return hash.digest("hex");
}

const stamp = join(root, "server/dist/.built");
const wanted = digest();
if (!existsSync(stamp) || readFileSync(stamp, "utf8") !== wanted) {
  process.stdout.write("demo: building\n");
  const result = spawnSync("npm", ["run", "--silent", "build"], {
    cwd: root,
    stdio: ["ignore", "ignore", "inherit"],
  });
  if (result.status !== 0) process.exit(result.status ?? 1);
  writeFileSync(stamp, wanted);
}

if (process.argv.includes("--fresh")) {
  const fresh = [join(root, "scripts/fresh.ts")];
  const { status } = spawnSync(process.execPath, ["--import", "tsx", ...fresh], {
    cwd: root,
    stdio: "inherit",
  });
  if (status !== 0) process.exit(status ?? 1);
}
mkdirSync(data, { recursive: true });

const server = spawn(process.execPath, [join(root, "server/dist/main.js")], {
  cwd: root,
  stdio: "inherit",
  env: { LOG_LEVEL: "warn", ...process.env, DEMO: "1", NODE_ENV: "production" },
});
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill(signal));
server.on("exit", (code) => process.exit(code ?? 0));
