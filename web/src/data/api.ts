import type {
  BoardProfile,
  DeviceProfile,
  Job,
  JobPlace,
  LogEntry,
  LogPage,
  NewCopy,
  NewJob,
  Preset,
  StoredJob,
} from "@anvilcloud/core";
import { tellSignedOut } from "./signed-out.ts";

/** An answer that says what was wrong; status 0 means that no answer came. */
export class ApiError extends Error {
  readonly status: number;
  readonly body: unknown;
  constructor(status: number, message: string, body: unknown = undefined) {
    super(message);
    this.name = "ApiError";
    this.status = status;
    this.body = body;
  }
}

/** True for an answer that another attempt may not get: none came, the server has too much to do, or asks to sign in first. */
export const mayPass = (status: number): boolean =>
  status === 0 || status === 401 || status === 429 || status >= 500;

async function send(address: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(address, init);
  } catch {
    throw new ApiError(0, "The server does not answer. Check that it runs, then try again.");
  }
  if (response.ok) return response;
  if (response.status === 401) tellSignedOut();
  const body: unknown = await response.json().catch(() => undefined);
  const { title, detail } = (body ?? {}) as { title?: string; detail?: string };
  throw new ApiError(response.status, detail ?? title ?? `The server answered ${response.status}.`, body);
}

const withJson = (method: string, body: unknown, headers: Record<string, string> = {}): RequestInit => ({
  method,
  headers: { "Content-Type": "application/json", ...headers },
  body: JSON.stringify(body),
});

/** Reads an address as JSON; the fetcher of every SWR hook. */
export async function getJson<T>(address: string): Promise<T> {
  return (await (await send(address)).json()) as T;
}

/** A page of a list of jobs, by what it is asked for. */
export const jobsKey = (page: number, query: Readonly<Record<string, string>> = {}) =>
  `/api/jobs?${new URLSearchParams({ ...query, ...(page ? { page: String(page) } : {}) }).toString()}`;
export const overviewKey = "/api/overview";
export const jobKey = (id: string) => `/api/jobs/${encodeURIComponent(id)}`;
export const logKey = (id: string) => `${jobKey(id)}/log`;
export const bundleAddress = (id: string) => `${jobKey(id)}/bundle`;

/** Stores a job made from `version`; refuses with status 412 and both versions when it has moved on. */
export async function putJob(job: Job, version: number): Promise<StoredJob> {
  const response = await send(jobKey(job.id), withJson("PUT", job, { "If-Match": `"${version}"` }));
  return (await response.json()) as StoredJob;
}

/** Reads a job's log, page by page to its end. */
export async function getLog(address: string): Promise<{ log: LogEntry[] }> {
  const log: LogEntry[] = [];
  for (let after: number | null = 0; after !== null;) {
    const page: LogPage = await getJson(`${address}?after=${after}`);
    for (const entry of page.log) log.push(entry);
    after = page.next;
  }
  return { log };
}

export async function postEntry(id: string, entry: LogEntry): Promise<void> {
  await send(logKey(id), withJson("POST", entry));
}

export async function createJob(wanted: NewJob): Promise<StoredJob> {
  return (await (await send("/api/jobs", withJson("POST", wanted))).json()) as StoredJob;
}

/** Begins a job like another. */
export async function copyJob(id: string, wanted: NewCopy): Promise<StoredJob> {
  return (await (await send(`${jobKey(id)}/copies`, withJson("POST", wanted))).json()) as StoredJob;
}

/** Puts a job on another shelf, or notes what it waits for. */
export async function placeJob(id: string, place: JobPlace): Promise<void> {
  await send(`${jobKey(id)}/place`, withJson("PUT", place));
}

/** Removes a job on which nothing happened, for good. */
export async function removeJob(id: string, version: number): Promise<void> {
  await send(jobKey(id), { method: "DELETE", headers: { "If-Match": `"${version}"` } });
}

export const devicesKey = "/api/devices";
export const boardsKey = "/api/boards";
export const boardKey = (id: string) => `${boardsKey}/${encodeURIComponent(id)}`;
export const boardUseKey = (id: string) => `${boardKey(id)}/jobs`;
export const boardSourceAddress = (id: string) => `${boardKey(id)}/source`;

/** Reads an address as text. */
export async function getText(address: string): Promise<string> {
  return (await send(address)).text();
}

/** Stores a new profile or revision from its text; refused with what is wrong, or with status 409 when the revision is taken. */
export async function postBoard(text: string): Promise<BoardProfile> {
  const response = await send(boardsKey, {
    method: "POST",
    headers: { "Content-Type": "application/yaml" },
    body: text,
  });
  return (await response.json()) as BoardProfile;
}

/** Stores a device profile of someone's own, as text. */
export async function postDevice(text: string): Promise<DeviceProfile> {
  const response = await send(devicesKey, {
    method: "POST",
    headers: { "Content-Type": "application/yaml" },
    body: text,
  });
  return (await response.json()) as DeviceProfile;
}

/** Removes a revision of a board that was written here and that no job uses. */
export async function removeBoard(id: string, revision: number): Promise<void> {
  await send(`${boardKey(id)}?revision=${revision}`, { method: "DELETE" });
}

/** Removes a revision of a device, by the same rule. */
export async function removeDevice(id: string, revision: number): Promise<void> {
  await send(`${devicesKey}/${encodeURIComponent(id)}?revision=${revision}`, { method: "DELETE" });
}

/** Gives the passphrase. */
export async function signIn(passphrase: string): Promise<void> {
  await send("/api/session", withJson("POST", { passphrase }));
}

export async function signOut(): Promise<void> {
  await send("/api/session", { method: "DELETE" });
}

export const sessionKey = "/api/session";
export const whereaboutsKey = "/api/whereabouts";
export const boardRevisionsKey = (id: string) => `${boardKey(id)}/revisions`;

/** How a job file is taken where its job is here already. */
export type ImportAs = { as: "new" } | { as: "copy" } | { as: "later"; version: number };

/** Imports a job file, sent as it lies on the disk; returns the job's id. Refused with status 409 and what it meets where its job is here. */
export async function importBundle(file: Blob, how: ImportAs = { as: "new" }): Promise<string> {
  const query = new URLSearchParams(Object.entries(how).map(([name, value]) => [name, String(value)]));
  const response = await send(`/api/bundles?${query.toString()}`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: file,
  });
  return ((await response.json()) as { id: string }).id;
}

export const presetsKey = "/api/presets";

/** Stores a preset of one's own. */
export async function postPreset(preset: Preset): Promise<void> {
  await send(presetsKey, withJson("POST", preset));
}

export async function removePreset(id: string, revision: number): Promise<void> {
  await send(`${presetsKey}/${encodeURIComponent(id)}?revision=${revision}`, { method: "DELETE" });
}
