import type { AddressInfo } from "node:net";
import { parseBundle } from "@anvilcloud/core";
import { cases } from "../../../core/src/testing/sample.ts";
import request from "supertest";
import { serve } from "../testing/serve.ts";
import { dice, mutated, type Right } from "../testing/mutate/index.ts";
import { send } from "../testing/send.ts";

/** A short form of what `npm run attack -- requests` does a hundred thousand times. */
const count = cases(400);

test("no request, however it is spoilt, gives a fault of the server, and what is stored stays sound", async () => {
  const { app, knex } = await serve({ demo: true });
  const get = async (path: string) => (await request(app).get(path)).body as Record<string, unknown>;
  const bundle = (await get("/api/jobs/ropewalk/bundle")) as unknown as Right["bundle"];
  const right: Right = {
    job: (await get("/api/jobs/netloft")).job as Right["job"],
    bundle,
    board: (await request(app).get("/api/boards/quillmarsh-tandrel/source").buffer(true)).text,
    device: ((await get("/api/devices")).devices as object[])[0]!,
  };
  const server = app.listen(0, "127.0.0.1");
  await new Promise((up) => server.once("listening", up));
  const address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const roll = dice(11);
  const seen = new Map<number, number>();
  for (let n = 0; n < count; n++) {
    const sent = mutated(roll, right, n);
    const { status, text } = await send(address, sent);
    seen.set(status, (seen.get(status) ?? 0) + 1);
    if (status >= 500) throw new Error(`${status} for ${JSON.stringify(sent).slice(0, 800)}: ${text}`);
  }
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
  // The requests reach far enough in to be taken, and are bad enough to be refused in each way.
  for (const status of [200, 201, 400, 403, 404, 409, 412, 415, 421, 422])
    expect([status, (seen.get(status) ?? 0) > 0]).toEqual([status, true]);
  const { jobs } = (await get("/api/jobs")) as { jobs: { id: string }[] };
  for (const { id } of jobs) parseBundle(await get(`/api/jobs/${id}/bundle`));
  expect(((await knex.raw("PRAGMA integrity_check")) as object[])[0]).toEqual({ integrity_check: "ok" });
  await knex.destroy();
});
