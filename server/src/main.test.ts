import type { LogEntry } from "@anvilcloud/core";
import { ended, start } from "./testing/program.ts";
import { filledFile } from "./testing/serve.ts";

/** Saves that are acknowledged before the server is killed in the middle of the next. */
const savesBeforeKill = 25;

test("a server killed in the middle of saves loses none that it acknowledged, and keeps the user's data", async () => {
  const database = await filledFile({ demo: true });
  const first = await start(database);
  const acknowledged: string[] = [];
  let version = 1;
  let serial = 0;
  const gone = ended(first.process);
  const job = (await (await fetch(`${first.address}/api/jobs/netloft`)).json()) as { job: object };
  try {
    for (;;) {
      const id = `n${serial++}`;
      const entry: LogEntry = { id, at: "2026-11-24T09:00:00.000Z", by: "Ivet", kind: "note", text: id };
      const headers = { "Content-Type": "application/json" };
      const added = await fetch(`${first.address}/api/jobs/netloft/log`, {
        method: "POST",
        headers,
        body: JSON.stringify(entry),
      });
      if (added.status === 201) acknowledged.push(id);
      // A few milliseconds on, so that the kill falls into a save under way and not between two.
      if (acknowledged.length === savesBeforeKill) setTimeout(() => first.process.kill("SIGKILL"), 4);
      const saved = await fetch(`${first.address}/api/jobs/netloft`, {
        method: "PUT",
        headers: { ...headers, "If-Match": `"${version}"` },
        body: JSON.stringify({ ...job.job, title: `version ${version + 1}` }),
      });
      if (saved.ok) version += 1;
    }
  } catch {
    await gone;
  }
  expect(acknowledged.length).toBeGreaterThanOrEqual(savesBeforeKill);

  const second = await start(database);
  // Who reads a step for a minute is still connected after it.
  expect((await fetch(`${second.address}/api/health`)).headers.get("keep-alive")).toBe("timeout=75");
  const { log } = (await (await fetch(`${second.address}/api/jobs/netloft/log`)).json()) as {
    log: LogEntry[];
  };
  const kept = log.map((entry) => entry.id);
  expect(kept.slice(0, acknowledged.length)).toEqual(acknowledged);
  const after = (await (await fetch(`${second.address}/api/jobs/netloft`)).json()) as {
    version: number;
    job: { title: string };
  };
  expect(after.version).toBeGreaterThanOrEqual(version);
  if (after.version > 1) expect(after.job.title).toBe(`version ${after.version}`);
  const list = (await (await fetch(`${second.address}/api/jobs`)).json()) as { total: number };
  expect(list.total).toBe(6);

  second.process.kill("SIGTERM");
  expect(await ended(second.process)).toBe(0);
});

test("a server that is asked to stop in the middle of planning stops at once, and tells whoever waits to come back", async () => {
  const { process: child, address } = await start(await filledFile({ demo: true }));
  const bundle = await (await fetch(`${address}/api/jobs/netloft/bundle`)).text();
  const headers = { "Content-Type": "application/json" };
  const plans = Array.from({ length: 12 }, () =>
    fetch(`${address}/api/plan`, { method: "POST", headers, body: bundle }).then(({ status }) => status),
  );
  // One is planned: the others are under way or wait.
  await Promise.race(plans);
  const over = ended(child);
  child.kill("SIGTERM");
  expect(await over).toBe(0);
  const statuses = await Promise.all(plans);
  expect(new Set(statuses)).toEqual(new Set([200, 503]));
});
