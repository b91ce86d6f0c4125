import type { LogEntry } from "@anvilcloud/core";

/** A request as it is sent: nothing in it need make sense. */
export interface Sent {
  method: string;
  path: string;
  headers: Record<string, string>;
  body?: string;
}

/** A die that falls alike for the same seed (mulberry32). */
export function dice(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

type Roll = () => number;

const pick = <T>(roll: Roll, all: readonly T[]): T => all[Math.floor(roll() * all.length)]!;

const odd: readonly unknown[] = [
  null,
  true,
  0,
  -1,
  1.5,
  1e308,
  Number.MAX_SAFE_INTEGER,
  "",
  " ",
  "x".repeat(5_000),
  "__proto__",
  "constructor",
  "=1+1",
  "\u0000",
  "\ud800",
  "\u202e\u200b",
  "'; DROP TABLE jobs; --",
  "../../etc/passwd",
  "NaN",
  [],
  [[[[]]]],
  {},
  { kind: "step" },
  { id: null },
  Array.from({ length: 300 }, (_, at) => at),
];

/** Something that stands nowhere else: it may be changed again. */
const oddOne = (roll: Roll): unknown => structuredClone(pick(roll, odd));

type Tree = Record<string, unknown> | unknown[];
const isTree = (value: unknown): value is Tree => typeof value === "object" && value !== null;

/** A place somewhere in a document, the deeper the likelier. */
function somewhere(roll: Roll, root: Tree): { tree: Tree; key: string } | undefined {
  let tree = root;
  for (;;) {
    const keys = Object.keys(tree);
    if (!keys.length) return undefined;
    const key = pick(roll, keys);
    const next = (tree as Record<string, unknown>)[key];
    if (!isTree(next) || roll() < 0.15) return { tree, key };
    tree = next;
  }
}

/** A document with one to three things in it changed, taken away or added. */
function spoilDocument(roll: Roll, document: object): object {
  const copy = structuredClone(document) as Tree;
  const times = 1 + Math.floor(roll() * 3);
  for (let n = 0; n < times; n++) {
    const place = somewhere(roll, copy);
    if (!place) continue;
    const { key } = place;
    const tree = place.tree as Record<string, unknown>;
    const act = roll();
    if (act < 0.6) tree[key] = oddOne(roll);
    else if (act < 0.8) Reflect.deleteProperty(tree, key);
    else if (Array.isArray(place.tree))
      place.tree.push(structuredClone(pick(roll, place.tree)), oddOne(roll));
    else tree[pick(roll, ["__proto__x", "more", "id", "kind", "revision", "log"])] = oddOne(roll);
  }
  return copy;
}

/** A text cut, doubled, or with some of its characters exchanged. */
function spoilText(roll: Roll, text: string): string {
  const at = Math.floor(roll() * text.length);
  const act = roll();
  if (act < 0.3) return text.slice(0, at);
  if (act < 0.4) return text + text.slice(at);
  const instead = pick(roll, [
    "{",
    "}",
    "[",
    "]",
    ":",
    ",",
    '"',
    "&a ",
    "*a",
    "<<: ",
    "\t",
    "\u0000",
    "- ",
    "!!js ",
    "\ufeff",
    "---\n",
  ]);
  return text.slice(0, at) + instead + text.slice(at + Math.floor(roll() * 4));
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
  "/api/boards/quillmarsh-duet",
  "/api/boards/quillmarsh-duet/revisions",
  "/api/boards/quillmarsh-duet/jobs",
  "/api/boards/quillmarsh-duet/source",
  "/api/devices",
  "/api/schemas/board.json",
  "/api/openapi.json",
  "/assets/nothing.js",
];

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
    () => json("POST", "/api/jobs", { title: name, customer: "Perrin", board: "quillmarsh-duet" }),
    () => json("PUT", `/api/jobs/${job.id}`, job, { "If-Match": `"${Math.floor(roll() * 50)}"` }),
    () => json("POST", `/api/jobs/${job.id}/log`, { ...entry, id: name }),
    () => json("POST", "/api/bundles", { ...bundle, job: { ...bundle.job, id: name } }),
    () =>
      roll() < 0.2 ? json("POST", "/api/plan", bundle) : json("POST", "/api/session", { passphrase: name }),
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
