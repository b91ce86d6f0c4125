import type { Job, LogEntry } from "@anvilcloud/core";
import { checkCopy } from "../../server/src/backup/check.ts";
import { dice } from "../../server/src/testing/mutate/index.ts";
import { runServer } from "../../e2e/run-server.ts";

/** The longest time for which saves go on before the next kill, ms. */
const longest = 120;
const headers = { "Content-Type": "application/json" };

/** What was acknowledged, and must be there whenever the server is started again. */
interface Kept {
  entries: string[];
  version: number;
  title: string;
}

/** Saves a job and adds to its log in turn, until the connection breaks. */
async function saveUntilKilled(address: string, kept: Kept, round: number): Promise<void> {
  const { job } = (await (await fetch(`${address}/api/jobs/netloft`)).json()) as { job: Job };
  for (let n = 0; ; n++) {
    const title = `round ${round}, ${n}`;
    const put = await fetch(`${address}/api/jobs/netloft`, {
      method: "PUT",
      headers: { ...headers, "If-Match": `"${kept.version}"` },
      body: JSON.stringify({ ...job, title }),
    });
    if (put.ok) Object.assign(kept, { version: kept.version + 1, title });
    const entry = { id: `r${round}-${n}`, at: new Date().toISOString(), by: "", kind: "note", text: title };
    const added = await fetch(`${address}/api/jobs/netloft/log`, {
      method: "POST",
      headers,
      body: JSON.stringify(entry),
    });
    if (added.status === 201) kept.entries.push(entry.id);
  }
}

async function logOf(address: string): Promise<string[]> {
  const ids: string[] = [];
  for (let after: number | null = 0; after !== null;) {
    const answer = await fetch(`${address}/api/jobs/netloft/log?after=${after}`);
    const page = (await answer.json()) as { log: LogEntry[]; next: number | null };
    ids.push(...page.log.map(({ id }) => id));
    after = page.next;
  }
  return ids;
}

/** Kills the server in the middle of saves, again and again; gives every acknowledged save that is not there after. */
export async function attackByKills(database: string, count: number, seed: number): Promise<string[]> {
  const harm: string[] = [];
  const roll = dice(seed);
  const kept: Kept = { entries: [], version: 1, title: "" };
  for (let round = 0; round < count; round++) {
    const server = await runServer(database, true);
    const { version, job } = (await (await fetch(`${server.address}/api/jobs/netloft`)).json()) as {
      version: number;
      job: Job;
    };
    // A save that was stored and not acknowledged any more is one version further.
    if (version < kept.version || version > kept.version + 1)
      harm.push(`round ${round}: version ${version}, acknowledged ${kept.version}`);
    if (version === kept.version && kept.title && job.title !== kept.title)
      harm.push(`round ${round}: title ${job.title}, acknowledged ${kept.title}`);
    Object.assign(kept, { version, title: job.title });
    const there = new Set(await logOf(server.address));
    const lost = kept.entries.filter((id) => !there.has(id));
    harm.push(...lost.map((id) => `round ${round}: entry ${id} was acknowledged and is lost`));
    const over = saveUntilKilled(server.address, kept, round).catch(() => undefined);
    setTimeout(() => server.kill(), 10 + roll() * longest);
    await over;
    await server.ended;
    if (round % 50 === 49)
      process.stdout.write(`${round + 1} kills, ${kept.entries.length} entries, ${harm.length} faults\n`);
  }
  checkCopy(database, "the database after its kills");
  return harm;
}
