import { readdirSync, readFileSync } from "node:fs";
import { resolve } from "node:path";
import {
  jobFormat,
  draftInstance,
  draftJob,
  parseBundle,
  readBoard,
  readDevice,
  readPreset,
  type Job,
  type JobBundle,
  type LogEntry,
} from "@anvilcloud/core";
import { act, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter, useLocation } from "react-router";
import { SWRConfig } from "swr";
import { HighlightProvider, JobProvider, presetsKey, whereaboutsKey } from "../data/index.ts";
import { PlannerProvider } from "../planner/index.ts";
import { createPlanner } from "../planner/planner.ts";

const root = resolve(import.meta.dirname, "../../..");
const text = (path: string) => readFileSync(resolve(root, path), "utf8");

const board = readBoard(text("boards/quillmarsh-tandrel.yaml"), "board");
const devices = readdirSync(resolve(root, "devices")).map((file) =>
  readDevice(text(`devices/${file}`), file),
);

const presets = readdirSync(resolve(root, "presets")).map((file) =>
  readPreset(text(`presets/${file}`), file),
);

/** The fresh demo job as a bundle. */
export function netloft(log: LogEntry[] = []): JobBundle {
  const { job } = JSON.parse(text("demo/netloft.json")) as { job: Job };
  return parseBundle({ format: jobFormat, job, board, devices, log });
}

/** A job drafted on a shipped board, with these devices of the catalogue. */
export function jobOn(boardId: string, ids: readonly string[]): JobBundle {
  const own = readBoard(text(`boards/${boardId}.yaml`), boardId);
  const job = ids.reduce(
    (now, id) => {
      const profile = devices.find((device) => device.id === id)!;
      return { ...now, devices: [...now.devices, draftInstance(now, profile)] };
    },
    draftJob("site", "A site", "Ivet Carrandine", own),
  );
  return { format: jobFormat, job, board: own, devices, log: [] };
}

/** A request the page made. */
export interface Sent {
  method: string;
  address: string;
  headers: Record<string, string>;
  body: unknown;
}

/** Stands in for the server: keeps what was sent, answers a PUT with the next version and anything with 200, until told to fail or to refuse. */
export function fakeServer() {
  const sent: Sent[] = [];
  const state: { failing: boolean; refusing?: { status: number; body: object } } = { failing: false };
  globalThis.fetch = ((address: string, init: RequestInit = {}) => {
    if (state.failing) return Promise.reject(new TypeError("no connection"));
    const body: unknown = init.body ? JSON.parse(String(init.body)) : undefined;
    const headers = (init.headers ?? {}) as Record<string, string>;
    sent.push({ method: init.method ?? "GET", address, headers, body });
    if (state.refusing) {
      const { status, body: refusal } = state.refusing;
      return Promise.resolve({ ok: false, status, json: () => Promise.resolve(refusal) });
    }
    const version = Number(/\d+/.exec(headers["If-Match"] ?? "0")?.[0]) + 1;
    const read =
      address === presetsKey
        ? { presets, own: [] }
        : address === whereaboutsKey
          ? { addresses: [], trust: null, code: null }
          : {};
    const answer = init.method === "PUT" ? { version, job: body, board, devices } : read;
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(answer) });
  }) as unknown as typeof fetch;
  return { sent, state };
}

function Address() {
  return <output data-testid="address">{useLocation().pathname}</output>;
}

/** Renders a part of the interface inside a job once its plan is made; the address it leads to is shown beside it. */
export async function renderInJob(bundle: JobBundle, part: ReactNode, address = "/") {
  const stored = { version: 1, job: bundle.job, board: bundle.board, devices: bundle.devices };
  const rendered = renderPlanned(
    <MemoryRouter initialEntries={[address]}>
      <Address />
      <SWRConfig value={{ provider: () => new Map() }}>
        <JobProvider id={bundle.job.id} stored={stored} log={bundle.log} catalogue={bundle.devices}>
          <HighlightProvider>{part}</HighlightProvider>
        </JobProvider>
      </SWRConfig>
    </MemoryRouter>,
  );
  await settled();
  return rendered;
}

/** Renders with a planner that works in the test itself, where there is no worker. */
export const renderPlanned = (part: ReactNode) =>
  render(<PlannerProvider value={createPlanner()}>{part}</PlannerProvider>);

/** Lets everything that waits for the planner come about. */
export const settled = () => act(async () => {});
