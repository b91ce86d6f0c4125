import { mkdtempSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runServer } from "../e2e/run-server.ts";
import { largeBoards } from "../core/src/testing/many.ts";
import { largeJob } from "./large-job.ts";

/** Plans that are asked for at once, and the pause between two questions after health, ms. */
const plans = 20;
const pauseMs = 20;

/** How soon the server answers that it lives while so many plans of 60 devices are asked of it, against when it has nothing to do. */
export async function benchUnderLoad(): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), "anvilcloud-bench-"));
  const server = await runServer(join(folder, "bench.db"), false);
  const health = async () => {
    const start = performance.now();
    await (await fetch(`${server.address}/api/health`)).arrayBuffer();
    return performance.now() - start;
  };
  const watch = async (until: () => boolean) => {
    const times: number[] = [];
    do {
      times.push(await health());
      await new Promise((some) => setTimeout(some, pauseMs));
    } while (!until());
    return times.sort((a, b) => a - b);
  };
  try {
    let rounds = 0;
    const idle = await watch(() => ++rounds > 100);
    const bundle = largeJob(largeBoards()[0]!, 60);
    const used = new Set(bundle.job.devices.map(({ device }) => device.id));
    const body = JSON.stringify({ ...bundle, devices: bundle.devices.filter(({ id }) => used.has(id)) });
    const headers = { "Content-Type": "application/json" };
    let open = plans;
    const asked = Array.from({ length: plans }, async () => {
      const answer = await fetch(`${server.address}/api/plan`, { method: "POST", headers, body });
      await answer.arrayBuffer();
      open -= 1;
      return answer.status;
    });
    const loaded = await watch(() => open === 0);
    const statuses = await Promise.all(asked);
    const of = (times: number[], part: number) => times[Math.floor((times.length - 1) * part)]!.toFixed(1);
    const planned = statuses.filter((status) => status === 200).length;
    process.stdout.write(
      `health while ${plans} plans of 60 devices are asked for at once (${planned} planned, ${plans - planned} told to come back): ` +
        `median ${of(loaded, 0.5)} ms, 99 of 100 within ${of(loaded, 0.99)} ms, longest ${of(loaded, 1)} ms of ${loaded.length} ` +
        `(idle: median ${of(idle, 0.5)} ms, longest ${of(idle, 1)} ms; budget: within 100 ms)\n`,
    );
  } finally {
    await server.stop();
    rmSync(folder, { recursive: true, force: true });
  }
}
