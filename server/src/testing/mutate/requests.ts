import { engineVersion, runFormat, type LogEntry } from "@anvilcloud/core";
import { pick, type Roll } from "./dice.ts";
import { spoilDocument, spoilText } from "./spoil.ts";

/** A request as it is sent: nothing in it need make sense. */
export interface Sent {
  method: string;
  path: string;
  headers: Record<string, string>;
  body?: string;
}

const methods = ["GET", "HEAD", "POST", "PUT", "DELETE", "PATCH", "OPTIONS"];
const segments = [
  "%00",
  "%ff",
  "..",
  "%2e%2e",
  "x".repeat(3_000),
  "\u00e9",
  "__proto__",
  "constructor",
  "%",
  "null",
  "0",
  ";",
  "*",
  "a%2fb",
];
const queries = [
  "page=-1",
  "page=1e99",
  "page[]=1",
  "page=1&page=2",
  "revision=0",
  "revision=9999999999999",
  "revision[a]=1",
  "after=%00",
  "after=-0",
  "x=%",
  "=",
  "&&&",
];

function spoilPath(roll: Roll, path: string): string {
  const parts = path.split("/");
  const act = roll();
  if (act < 0.4) parts[Math.floor(roll() * parts.length)] = encodeURI(pick(roll, segments));
  else if (act < 0.6) parts.push(encodeURI(pick(roll, segments)));
  const joined = parts.join("/") || "/";
  return (joined.startsWith("/") ? joined : `/${joined}`) + (roll() < 0.5 ? `?${pick(roll, queries)}` : "");
}

const headers: readonly [string, string][] = [
  ["If-Match", "*"],
  ["If-Match", '"1"'],
  ["If-Match", 'W/"999999999999"'],
  ["If-Match", '"99999999999999999999"'],
  ["If-Match", "x".repeat(2_000)],
  ["Content-Type", "text/plain"],
  ["Content-Type", "application/json; charset=utf-7"],
  ["Content-Type", "application/yaml; charset=x"],
  ["Content-Type", "multipart/form-data; boundary=x"],
  ["Content-Type", ""],
  ["Content-Encoding", "gzip"],
  ["Content-Encoding", "br"],
  ["Content-Encoding", "zip"],
  ["Accept-Encoding", "gzip;q=x"],
  ["Host", "evil.example"],
  ["Origin", "null"],
  ["Sec-Fetch-Site", "cross-site"],
  ["Range", "bytes=5-1"],
  ["Cookie", "__Host-anvilcloud=%%%; ;=;"],
  ["Expect", "200-maybe"],
  ["X-Forwarded-Host", "evil.example"],
  ["Transfer-Encoding", "chunked"],
];

/** Requests that are right, to begin from: of each way to read and to change something. */
export interface Right {
  job: { id: string } & object;
  bundle: { job: { id: string } & object; log: LogEntry[] } & object;
  board: string;
  device: object;
}

const asJson = { "Content-Type": "application/json" };
const asYaml = { "Content-Type": "application/yaml" };
const reads = [
  "/",
  "/jobs/netloft/wire",
  "/api/health",
  "/api/session",
  "/api/whereabouts",
  "/api/jobs",
  "/api/jobs/netloft",
  "/api/jobs/netloft/log",
  "/api/jobs/ropewalk/bundle",
  "/api/boards",
  "/api/boards/quillmarsh-tandrel",
  "/api/boards/quillmarsh-tandrel/revisions",
  "/api/boards/quillmarsh-tandrel/jobs",
  "/api/boards/quillmarsh-tandrel/source",
  "/api/devices",
  "/api/schemas/board.json",
  "/api/openapi.json",
  "/assets/nothing.js",
];

/** A run of every kind of thing that can be done to a running installation. */
const run = {
  ...{ format: runFormat, engine: engineVersion, seed: 7, from: "now", seconds: 20, spread: 0.1 },
  script: [
    { at: 1, do: { command: "open" } },
    { at: 2, works: { input: "stop", worked: true } },
    { at: 3, faults: [{ kind: "dry-hinge", leaf: "first", wear: 8 }, { kind: "phases-turned" }] },
    { at: 4, comes: { is: "person", goes: "past", stands: { at: 0, seconds: 2 } } },
    { at: 5, damages: "travel" },
    { at: 6, sun: 0.5 },
  ],
};

/** The `n`th request, in which something is wrong: alike for the same die. Serials keep ids apart. */
export function mutated(roll: Roll, { job, bundle, board, device }: Right, n: number): Sent {
  const name = `m${n}-${Math.floor(roll() * 1e6)}`;
  const json = (method: string, path: string, document: object, more = {}): Sent => ({
    method,
    path,
    headers: { ...asJson, ...more },
    body: JSON.stringify(spoilDocument(roll, document)),
  });
  const entry =
    roll() < 0.5 && bundle.log.length
      ? pick(roll, bundle.log)
      : { id: name, at: "2026-11-24T09:00:00.000Z", by: "", kind: "note", text: "dry" };
  const makers: readonly (() => Sent)[] = [
    () => ({ method: "GET", path: pick(roll, reads), headers: {} }),
    () => json("POST", "/api/jobs", { title: name, customer: "Perrin", board: "quillmarsh-tandrel" }),
    () => json("PUT", `/api/jobs/${job.id}`, job, { "If-Match": `"${Math.floor(roll() * 50)}"` }),
    () => json("POST", `/api/jobs/${job.id}/log`, { ...entry, id: name }),
    () => json("POST", "/api/bundles", { ...bundle, job: { ...bundle.job, id: name } }),
    () =>
      roll() < 0.2 ? json("POST", "/api/plan", bundle) : json("POST", "/api/session", { passphrase: name }),
    () =>
      roll() < 0.5
        ? json("POST", "/api/runs", { run, bundle })
        : json("POST", "/api/sweeps", {
            run,
            bundle,
            over: { seeds: 2, faults: [[], [{ kind: "wind", metresPerSecond: 9 }]] },
          }),
    () => ({
      method: "POST",
      path: "/api/boards",
      headers: asYaml,
      body: spoilText(roll, board.replace(/^id: .*$/m, `id: ${name}`)),
    }),
    () => ({
      method: "POST",
      path: "/api/devices",
      headers: asYaml,
      body: spoilText(roll, JSON.stringify({ ...device, id: name })),
    }),
    () => ({
      method: "DELETE",
      path: pick(roll, [`/api/boards/${name}?revision=1`, "/api/devices/x?revision=2", `/api/jobs/${name}`]),
      headers: { "If-Match": '"1"' },
    }),
  ];
  const made = pick(roll, makers)();
  const act = roll();
  if (act < 0.15) made.path = spoilPath(roll, made.path);
  else if (act < 0.25) made.method = pick(roll, methods);
  else if (act < 0.4) {
    const [header, value] = pick(roll, headers);
    made.headers = { ...made.headers, [header]: value };
  } else if (act < 0.43) made.headers = {};
  else if (act < 0.5 && made.body !== undefined) made.body = spoilText(roll, made.body);
  return made;
}
