import { parseBundle } from "@anvilcloud/core";
import { checkCopy } from "../../server/src/backup/check.ts";
import { dice, mutated, type Right } from "../../server/src/testing/mutate/index.ts";
import { send } from "../../server/src/testing/send.ts";
import { runServer } from "../../e2e/run-server.ts";

/** Requests under way at once: as many as may wait in the shortest queue. */
const atOnce = 4;
/** After so many requests health is asked, and progress told. */
const often = 5_000;

/** Sends spoilt requests; gives each answer of 500 and over, each silence of health, and what of the stored is not sound after. */
export async function attackByRequests(database: string, count: number, seed: number): Promise<string[]> {
  const harm: string[] = [];
  const server = await runServer(database, true);
  const get = async (path: string) => (await fetch(server.address + path)).json() as Promise<never>;
  const bundle = (await get("/api/jobs/ropewalk/bundle")) as Right["bundle"];
  const { job } = (await get("/api/jobs/netloft")) as Pick<Right, "job">;
  const { devices } = (await get("/api/devices")) as { devices: object[] };
  const board = await (await fetch(`${server.address}/api/boards/quillmarsh-tandrel/source`)).text();
  const right: Right = { job, bundle, board, device: devices[0]! };

  const roll = dice(seed);
  const seen = new Map<number, number>();
  let next = 0;
  const attacker = async () => {
    while (next < count) {
      const n = ++next;
      const sent = mutated(roll, right, n);
      const { status, text } = await send(server.address, sent);
      seen.set(status, (seen.get(status) ?? 0) + 1);
      if (status >= 500)
        harm.push(`${status} for ${JSON.stringify(sent).slice(0, 600)}: ${text.slice(0, 300)}`);
      if (n % often) continue;
      const alive = await fetch(`${server.address}/api/health`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (!alive) harm.push(`no health after ${n} requests`);
      process.stdout.write(`${n} requests, ${harm.length} faults\n`);
    }
  };
  await Promise.all(Array.from({ length: atOnce }, attacker));

  for (let page = 0; ; page++) {
    const { jobs } = (await get(`/api/jobs?page=${page}`)) as { jobs: { id: string }[] };
    if (!jobs.length) break;
    for (const { id } of jobs)
      try {
        parseBundle(await get(`/api/jobs/${id}/bundle`));
      } catch (error) {
        harm.push(`stored job ${id}: ${(error as Error).message.slice(0, 300)}`);
      }
  }
  await server.stop();
  checkCopy(database, "the attacked database");
  const statuses = [...seen].sort(([a], [b]) => a - b).map(([status, times]) => `${status}: ${times}`);
  process.stdout.write(`answers by status: ${statuses.join(", ")}\n`);
  return harm;
}
