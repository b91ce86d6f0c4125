import { engineVersion, routes, runFormat, type Route } from "@anvilcloud/core";
import type { Express } from "express";
import type { Knex } from "knex";
import request from "supertest";
import { hashPassphrase } from "../access/passphrase.ts";
import { setPassphraseHash } from "../store/access.ts";
import { serve } from "../testing/serve.ts";

let app: Express;
let knex: Knex;
beforeAll(async () => ({ app, knex } = await serve({ demo: true })));
afterAll(() => knex.destroy());

const all: readonly Route[] = routes;
const job = "netloft";
const addressOf = ({ path }: Route) =>
  path.replace("{name}", "board.json").replace("{id}", path.includes("boards") ? "quillmarsh-tandrel" : job);

const note = { id: "n1", at: "2026-11-24T09:00:00.000Z", by: "Ivet Carrandine", kind: "note", text: "dry" };

/** A short run of the twin, with the job it is played on. */
const runFile = async () => {
  const { body } = await request(app).get(`/api/jobs/${job}/bundle`);
  const run = { format: runFormat, engine: engineVersion, seed: 1, seconds: 2, script: [] };
  return { run, bundle: body as object };
};

/** A request that each change takes; what it answers is looked at. */
const changes: Record<string, () => Promise<request.Response>> = {
  "post /api/jobs": () =>
    request(app).post("/api/jobs").send({ title: "Quay", customer: "Perrin", board: "quillmarsh-tandrel" }),
  "put /api/jobs/{id}": async () => {
    const { body, headers } = await request(app).get(`/api/jobs/${job}`);
    return request(app)
      .put(`/api/jobs/${job}`)
      .set("If-Match", headers.etag!)
      .send(body.job as object);
  },
  "delete /api/jobs/{id}": async () => {
    const wanted = { title: "Soon gone", customer: "Perrin", board: "quillmarsh-tandrel" };
    const { body, headers } = await request(app).post("/api/jobs").send(wanted);
    return request(app)
      .delete(`/api/jobs/${body.job.id as string}`)
      .set("If-Match", headers.etag!);
  },
  "post /api/jobs/{id}/copies": () =>
    request(app).post(`/api/jobs/${job}/copies`).send({ title: "Quay, north" }),
  "put /api/jobs/{id}/place": () => request(app).put(`/api/jobs/${job}/place`).send({ waitsFor: "a lock" }),
  "post /api/jobs/{id}/log": () => request(app).post(`/api/jobs/${job}/log`).send(note),
  "post /api/bundles": async () => {
    const { body } = await request(app).get(`/api/jobs/${job}/bundle`);
    return request(app)
      .post("/api/bundles")
      .send({ ...body, job: { ...body.job, id: "copied" } } as object);
  },
  "post /api/plan": async () => {
    const { body } = await request(app).get(`/api/jobs/${job}/bundle`);
    return request(app)
      .post("/api/plan")
      .send(body as object);
  },
  "post /api/plan/sights": async () => {
    const { body } = await request(app).get(`/api/jobs/${job}/bundle`);
    return request(app)
      .post("/api/plan/sights?step=do:power-up:on")
      .send(body as object);
  },
  "post /api/runs": async () =>
    request(app)
      .post("/api/runs")
      .send(await runFile()),
  "post /api/sweeps": async () =>
    request(app)
      .post("/api/sweeps")
      .send({ ...(await runFile()), over: { seeds: 2 } }),
  "post /api/session": async () => {
    const other = await serve({}, { beyond: () => ({ addresses: [], trust: null }) });
    await setPassphraseHash(other.knex, await hashPassphrase("four dry hinge pins"));
    const answer = await request(other.app).post("/api/session").send({ passphrase: "four dry hinge pins" });
    await other.knex.destroy();
    return answer;
  },
  "delete /api/session": () => request(app).delete("/api/session"),
  "delete /api/boards/{id}": async () => {
    const { text } = await request(app).get("/api/boards/quillmarsh-tandrel/source").buffer(true);
    await request(app)
      .post("/api/boards")
      .type("application/yaml")
      .send(text.replace(/^id: .*$/m, "id: gone-tandrel"));
    return request(app).delete("/api/boards/gone-tandrel?revision=2");
  },
  "delete /api/devices/{id}": async () => {
    const [device] = (await request(app).get("/api/devices")).body.devices as object[];
    await request(app)
      .post("/api/devices")
      .type("application/yaml")
      .send(JSON.stringify({ ...device, id: "gone", revision: 1 }));
    return request(app).delete("/api/devices/gone?revision=1");
  },
  "post /api/presets": async () => {
    const [preset] = (await request(app).get("/api/presets")).body.presets as object[];
    return request(app)
      .post("/api/presets")
      .send({ ...preset, id: "ours", revision: 1 });
  },
  "delete /api/presets/{id}": () => request(app).delete("/api/presets/ours?revision=1"),
  "post /api/boards": async () => {
    const { text } = await request(app).get("/api/boards/quillmarsh-tandrel/source").buffer(true);
    return request(app)
      .post("/api/boards")
      .type("application/yaml")
      .send(text.replace(/^id: .*$/m, "id: another-tandrel"));
  },
  "post /api/devices": async () => {
    const [device] = (await request(app).get("/api/devices")).body.devices as object[];
    return request(app)
      .post("/api/devices")
      .type("application/yaml")
      .send(JSON.stringify({ ...device, id: "another" }));
  },
};

describe("what server and page say to one another", () => {
  test.each(all.map((route) => [`${route.method} ${route.path}`, route] as const))(
    "%s answers as the contract has it",
    async (name, route) => {
      const response = await (route.method === "get" ? request(app).get(addressOf(route)) : changes[name]!());
      expect(Object.keys(route.answers)).toContain(String(response.status));
      const schema = route.answers[response.status];
      if (schema === undefined) expect(response.text).toBe("");
      else if (schema === "ndjson") expect(response.headers["content-type"]).toContain("x-ndjson");
      else if (schema === "yaml") expect(response.headers["content-type"]).toContain("yaml");
      else expect(schema.safeParse(response.body).error).toBeUndefined();
    },
  );

  test("its description names every address and every refusal, and each body has its schema", async () => {
    const { body } = await request(app).get("/api/openapi.json").expect(200);
    const paths = body.paths as Record<string, Record<string, { responses: object; requestBody?: object }>>;
    for (const { method, path, takes, answers, refuses = {} } of all) {
      const described = paths[path]![method]!;
      const statuses = [...Object.keys(answers), ...Object.keys(refuses), "default"];
      expect(Object.keys(described.responses).sort()).toEqual(statuses.sort());
      expect(described.requestBody !== undefined).toBe(takes !== undefined);
    }
    expect(body.openapi).toBe("3.1.0");
  });
});
