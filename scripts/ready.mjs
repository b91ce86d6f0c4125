// Installs what is missing and says what it does; quick and silent where nothing is.
import { execFileSync, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { existsSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const purpose = process.argv[2] ?? "demo";
const say = (text) => process.stdout.write(`ready: ${text}\n`);

function fail(text) {
  process.stderr.write(`ready: ${text}\n`);
  process.exit(1);
}

const [major, minor] = process.versions.node.split(".").map(Number);
if (major < 20 || (major === 20 && minor < 19))
  fail(`Node 20.19 or newer is needed, found ${process.versions.node}.`);

const lock = readFileSync(join(root, "package-lock.json"));
const wanted = createHash("sha256").update(lock).digest("hex");
const stamp = join(root, "node_modules/.anvilcloud-lock");
const installed = existsSync(stamp) ? readFileSync(stamp, "utf8") : "";

if (installed !== wanted) {
  say("installing packages; SQLite's driver is compiled once, the whole takes about five minutes");
  const result = spawnSync("npm", ["ci", "--no-audit", "--no-fund"], {
    cwd: root,
    stdio: "inherit",
    shell: false,
  });
  if (result.status !== 0) fail("npm ci failed; see above.");
  writeFileSync(stamp, wanted);
}

if (purpose === "test") {
  // Chromium without its windows: a fifth less to do than the whole browser.
  const chromium = process.env.CHROMIUM ?? "/usr/bin/chromium-headless-shell";
  if (!existsSync(chromium)) {
    say("installing Debian's Chromium for the browser tests");
    const apt = (...args) =>
      execFileSync("apt-get", args, {
        stdio: ["ignore", "ignore", "inherit"],
        env: { ...process.env, DEBIAN_FRONTEND: "noninteractive" },
      });
    try {
      apt("update", "-qq");
      apt("install", "-y", "-qq", "--no-install-recommends", "chromium-headless-shell");
    } catch {
      fail(
        "Chromium could not be installed. Install it yourself, or name its path in CHROMIUM, and run again.",
      );
    }
  }
}
