import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import {
  jobFormat,
  answerStep,
  jobSchema,
  parseWith,
  planJob,
  stations,
  type Job,
  type JobBundle,
  type LogEntry,
} from "@anvilcloud/core";
import type { Knex } from "knex";
import { z } from "zod";
import { findProfile } from "../store/profiles.ts";
import { insertJob } from "../store/jobs.ts";

/** What happened to a demo job later: it was opened again, or a step that begins so was tried and not seen. */
const laterSchema = z.union([
  z.strictObject({ at: z.iso.datetime(), reopened: z.string() }),
  z.strictObject({ at: z.iso.datetime(), failed: z.string(), note: z.string() }),
]);

/** A demo job: its document, how far its people have come, `short` of so many steps, and what came after. */
const demoSchema = z.strictObject({
  job: jobSchema,
  progress: z
    .strictObject({
      until: z.enum(stations),
      short: z.int().min(0).default(0),
      from: z.iso.datetime(),
      to: z.string().optional(),
      readings: z.record(z.string(), z.number()).default({}),
      after: z.array(laterSchema).default([]),
    })
    .optional(),
});

type Progress = NonNullable<z.output<typeof demoSchema>["progress"]>;

/** Minutes between two answers of the demo log. */
const minutesAStep = 4;

/** Answers every step up to and with a station, as if its people had come so far. */
function logUntil(bundle: JobBundle, progress: Progress): LogEntry[] {
  const last = stations.indexOf(progress.until);
  const start = Date.parse(progress.from);
  const at = (index: number) => new Date(start + index * minutesAStep * 60_000).toISOString();
  const by = bundle.job.installer;
  const { sheet } = planJob(bundle);
  const reached = sheet.filter((step) => stations.indexOf(step.station) <= last);
  const steps = reached.slice(0, reached.length - progress.short);
  const log = steps.map((step, index): LogEntry => {
    const readings = step.readings?.map(({ quantity, unit }) => ({
      quantity,
      unit,
      value: progress.readings[quantity] ?? 0,
    }));
    return answerStep(
      step,
      "seen",
      { id: `demo-${bundle.job.id}-${index}`, at: at(index), by },
      readings && { readings },
    );
  });
  if (progress.to)
    log.push({
      id: `demo-${bundle.job.id}-end`,
      kind: "handed-over",
      at: at(steps.length),
      by,
      to: progress.to,
    });
  for (const [index, later] of progress.after.entries()) {
    const entry = { id: `demo-${bundle.job.id}-later-${index}`, at: later.at, by };
    if ("reopened" in later) log.push({ ...entry, kind: "reopened", reason: later.reopened });
    else {
      const step = sheet.find(({ id }) => id.startsWith(later.failed));
      if (!step) throw new Error(`demo job ${bundle.job.id}: no step begins with ${later.failed}`);
      log.push(answerStep(step, "not-seen", entry, { note: later.note }));
    }
  }
  return log;
}

async function bundleFor(knex: Knex, job: Job): Promise<JobBundle> {
  const board = await findProfile(knex, "board", job.board);
  if (!board) throw new Error(`demo job ${job.id}: board ${job.board.id} is not shipped`);
  const used = [...new Set(job.devices.map((instance) => instance.device.id))];
  const found = await Promise.all(used.map((id) => findProfile(knex, "device", { id })));
  const devices = found.filter((device) => device !== undefined);
  return { format: jobFormat, job, board, devices, log: [] };
}

/** Loads the demo jobs into a database without jobs; leaves any other alone. Returns how many were loaded. */
export async function loadDemo(knex: Knex, root: string): Promise<number> {
  if (await knex("jobs").first("id")) return 0;
  const folder = join(root, "demo");
  const files = readdirSync(folder).filter((file) => file.endsWith(".json"));
  for (const file of files) {
    const data: unknown = JSON.parse(readFileSync(join(folder, file), "utf8"));
    const { job, progress } = parseWith(demoSchema, data, `demo/${file}`);
    const bundle = await bundleFor(knex, job);
    const log = progress ? logUntil(bundle, progress) : [];
    const shown = log.at(-1)?.at ?? "2026-11-20T07:30:00.000Z";
    await insertJob(knex, { ...bundle, log }, shown);
  }
  return files.length;
}
