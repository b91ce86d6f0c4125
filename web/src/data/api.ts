import type { BoardProfile, DeviceProfile, Job, LogEntry, NewJob, StoredJob } from "@anvilcloud/core";

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

async function send(address: string, init: RequestInit = {}): Promise<Response> {
  let response: Response;
  try {
    response = await fetch(address, init);
  } catch {
    throw new ApiError(0, "The server does not answer. Check that it runs, then try again.");
  }
  if (response.ok) return response;
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

export const jobsKey = (page: number) => `/api/jobs?page=${page}`;
export const jobKey = (id: string) => `/api/jobs/${encodeURIComponent(id)}`;
export const logKey = (id: string) => `${jobKey(id)}/log`;
export const bundleAddress = (id: string) => `${jobKey(id)}/bundle`;

/** Stores a job made from `version`; refuses with status 412 and both versions when it has moved on. */
export async function putJob(job: Job, version: number): Promise<StoredJob> {
  const response = await send(jobKey(job.id), withJson("PUT", job, { "If-Match": `"${version}"` }));
  return (await response.json()) as StoredJob;
}

export async function postEntry(id: string, entry: LogEntry): Promise<void> {
  await send(logKey(id), withJson("POST", entry));
}

export async function createJob(wanted: NewJob): Promise<StoredJob> {
  return (await (await send("/api/jobs", withJson("POST", wanted))).json()) as StoredJob;
}

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
  const response = await send("/api/devices", {
    method: "POST",
    headers: { "Content-Type": "application/yaml" },
    body: text,
  });
  return (await response.json()) as DeviceProfile;
}

/** Imports the text of a job file; returns the job's id. */
export async function importBundle(text: string): Promise<string> {
  const response = await send("/api/bundles", {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: text,
  });
  return ((await response.json()) as { id: string }).id;
}
