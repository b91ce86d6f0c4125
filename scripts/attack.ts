// Attacks the built server on a database of its own and says what broke: npm run attack -- requests 100000, or kills 500.
import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { attackByKills } from "./attack/kills.ts";
import { attackByRequests } from "./attack/requests.ts";

const attacks = { requests: [attackByRequests, 100_000], kills: [attackByKills, 500] } as const;

const [kind = "", wanted, seed = "1"] = process.argv.slice(2);
if (!Object.hasOwn(attacks, kind)) {
  process.stderr.write(
    `Name the attack: npm run attack -- ${Object.keys(attacks).join("|")} [COUNT] [SEED]\n`,
  );
  process.exit(2);
}
const [attack, usual] = attacks[kind as keyof typeof attacks];
const folder = mkdtempSync(join(tmpdir(), "anvilcloud-attack-"));
const harm = await attack(join(folder, "attacked.db"), Number(wanted ?? usual), Number(seed));
rmSync(folder, { recursive: true, force: true });
process.stdout.write(
  harm.length ? `${harm.slice(0, 20).join("\n")}\n${harm.length} faults\n` : "nothing broke\n",
);
process.exit(harm.length ? 1 : 0);
