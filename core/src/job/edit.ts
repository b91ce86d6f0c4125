import { z } from "zod";
import { behaviourIds, idSchema } from "../board/index.ts";
import { coreColours } from "../device/index.ts";
import { cablesMeasured, leavesMeasured, withAssumed } from "./assumed.ts";
import { begunSchema } from "./preset.ts";
import { cableSizeSchema, jobSchema, runSchema, type DeviceInstance, type Job } from "./schema.ts";
import { withDevice, withSurvey } from "./site.ts";

const { survey, devices, found } = jobSchema.shape;
const part = { device: idSchema, part: idSchema };
const word = z.string().min(1).max(40);

/**
 * A change of a job as data: what is changed and to what. Edits can be kept, sent later, and made again on another
 * version of the job; one that names a device which is gone changes nothing.
 */
export const editSchema = z.discriminatedUnion("kind", [
  z.strictObject({
    kind: z.literal("site"),
    ...jobSchema.pick({ title: true, site: true, installer: true }).shape,
  }),
  z.strictObject({ kind: z.literal("survey"), survey }),
  z.strictObject({ kind: z.literal("use"), use: z.enum(["gate", "door"]) }),
  z
    .strictObject({
      kind: z.literal("card"),
      takes: z.array(idSchema).max(12),
      card: idSchema.optional(),
      delivered: z.array(idSchema).max(12),
    })
    .describe(
      "A slot that takes these cards gets one of them, or none; `delivered` are those of a new board.",
    ),
  z
    .strictObject({
      kind: z.literal("add-device"),
      device: devices.element,
      at: z.number().int().min(0).optional(),
    })
    .describe("`at` is its place among the devices; left out, the last."),
  z.strictObject({ kind: z.literal("change-device"), device: devices.element }),
  z.strictObject({ kind: z.literal("remove-device"), device: idSchema }),
  z
    .strictObject({
      kind: z.literal("wish"),
      behaviour: z.enum(behaviourIds),
      value: z.union([z.boolean(), z.number(), z.string().max(40)]).optional(),
    })
    .describe("What is wanted of a behaviour; without a value it is left as found."),
  z
    .strictObject({
      kind: z.literal("preset"),
      preset: begunSchema.optional(),
      wishes: jobSchema.shape.wishes,
    })
    .describe("The job begins anew with a preset; `wishes` are those of its values that the board can give."),
  z
    .strictObject({ kind: z.literal("confirm"), what: z.array(z.string().max(120)).max(400) })
    .describe("Sizes and lengths that were assumed are as they are written."),
  z
    .strictObject({ kind: z.literal("assume"), what: z.array(z.string().max(120)).max(400) })
    .describe("Sizes and lengths are assumed again."),
  z
    .strictObject({
      kind: z.literal("overrule"),
      behaviour: z.enum(behaviourIds),
      value: z.union([z.boolean(), z.number(), z.string().max(40)]).optional(),
    })
    .describe("A wish holds against what the site decides; without a value the site decides again."),
  z
    .strictObject({
      kind: z.literal("choose"),
      procedure: idSchema,
      on: z.boolean(),
      others: z.array(idSchema).max(40).default([]),
    })
    .describe("A procedure is chosen, or is not; `others` are those that stand in the same place and go."),
  z.strictObject({ kind: z.literal("proof"), proof: z.enum(["before", "after"]) }),
  z.strictObject({ kind: z.literal("firmware"), firmware: found.shape.firmware }),
  z.strictObject({ kind: z.literal("noted"), noted: z.boolean() }),
  z.strictObject({ kind: z.literal("found-link"), id: idSchema, to: z.enum(["in", "out"]) }),
  z.strictObject({
    kind: z.literal("found-control"),
    of: z.enum(["switches", "dials", "values"]),
    id: idSchema,
    to: word,
  }),
  z
    .strictObject({ kind: z.literal("pin"), device: idSchema, pin: idSchema, terminal: word.optional() })
    .describe("The terminal a pin is wanted on; without one the plan chooses."),
  z
    .strictObject({
      kind: z.literal("colour"),
      device: idSchema,
      pin: idSchema,
      colour: z.enum(coreColours).optional(),
    })
    .describe("A core's colour as found; without one it is as on the device's sheet."),
  z
    .strictObject({ kind: z.literal("run"), parts: z.array(z.strictObject(part)).max(60), run: runSchema })
    .describe("The cable that parts share; without a name each has its own."),
  z.strictObject({
    kind: z.literal("cable-sizes"),
    sizes: z.array(z.strictObject({ ...part, sizeMm2: cableSizeSchema })).max(200),
  }),
]);

export type JobEdit = z.output<typeof editSchema>;

/** A record with a key set, or without it where there is no value; undefined where nothing is left. */
function withKey<T>(
  record: Readonly<Record<string, T>> | undefined,
  key: string,
  value: T | undefined,
): Record<string, T> | undefined {
  const rest = Object.entries(record ?? {}).filter(([id]) => id !== key);
  const next = Object.fromEntries(value === undefined ? rest : [...rest, [key, value]]);
  return Object.keys(next).length ? next : undefined;
}

const changeDevice = (job: Job, id: string, change: (device: DeviceInstance) => DeviceInstance): Job => ({
  ...job,
  devices: job.devices.map((device) => (device.id === id ? change(device) : device)),
});

/** The job with every cable changed, by device and part. */
const withCables = (
  job: Job,
  change: (cable: DeviceInstance["cables"][string], device: string, part: string) => typeof cable,
): Job => ({
  ...job,
  devices: job.devices.map((device) => ({
    ...device,
    cables: Object.fromEntries(
      Object.entries(device.cables).map(([id, cable]) => [id, change(cable, device.id, id)]),
    ),
  })),
});

/** The job after an edit. */
export function applyEdit(job: Job, edit: JobEdit): Job {
  switch (edit.kind) {
    case "site": {
      const { title, site, installer } = edit;
      return { ...job, title, site, installer };
    }
    case "survey":
      return withAssumed(withSurvey(job, edit.survey), leavesMeasured(job, edit.survey.leaves));
    case "use":
      return { ...job, survey: { ...job.survey, use: edit.use } };
    case "card": {
      const kept = (job.cards ?? edit.delivered).filter((id) => !edit.takes.includes(id));
      return { ...job, cards: edit.card === undefined ? kept : [...kept, edit.card] };
    }
    case "add-device":
      return withDevice(job, edit.device, edit.at);
    case "change-device":
      return withAssumed(
        changeDevice(job, edit.device.id, () => edit.device),
        cablesMeasured(job, edit.device),
      );
    case "remove-device":
      return withAssumed(
        { ...job, devices: job.devices.filter(({ id }) => id !== edit.device) },
        (job.assumed ?? []).filter((each) => !each.startsWith(`cable ${edit.device} `)),
      );
    case "confirm":
      return withAssumed(
        job,
        (job.assumed ?? []).filter((each) => !edit.what.includes(each)),
      );
    case "assume":
      return withAssumed(job, [...(job.assumed ?? []), ...edit.what]);
    case "wish":
      return { ...job, wishes: withKey(job.wishes, edit.behaviour, edit.value) ?? {} };
    case "preset": {
      const { preset: _before, ...rest } = job;
      const begun = edit.preset ? { preset: edit.preset } : {};
      return { ...rest, ...begun, wishes: edit.wishes, overruled: [] };
    }
    case "overrule": {
      const others = (job.overruled ?? []).filter((id) => id !== edit.behaviour);
      return {
        ...job,
        wishes: withKey(job.wishes, edit.behaviour, edit.value) ?? {},
        overruled: edit.value === undefined ? others : [...others, edit.behaviour],
      };
    }
    case "choose": {
      const gone = [edit.procedure, ...edit.others];
      const kept = (job.chosen ?? []).filter((id) => !gone.includes(id));
      return { ...job, chosen: edit.on ? [...kept, edit.procedure] : kept };
    }
    case "proof":
      return { ...job, proof: edit.proof };
    case "firmware":
      return { ...job, found: { ...job.found, firmware: edit.firmware } };
    case "noted":
      return { ...job, found: { ...job.found, noted: edit.noted } };
    case "found-link":
      return { ...job, found: { ...job.found, links: { ...job.found.links, [edit.id]: edit.to } } };
    case "found-control":
      return {
        ...job,
        found: { ...job.found, [edit.of]: { ...job.found[edit.of], [edit.id]: edit.to } },
      };
    case "pin":
      return changeDevice(job, edit.device, (device) => ({
        ...device,
        pinned: withKey(device.pinned, edit.pin, edit.terminal),
      }));
    case "colour":
      return changeDevice(job, edit.device, (device) => ({
        ...device,
        cores: withKey(device.cores, edit.pin, edit.colour),
      }));
    case "run":
      return withCables(job, (cable, device, id) => {
        if (!edit.parts.some((each) => each.device === device && each.part === id)) return cable;
        const { run: _run, ...own } = cable;
        return edit.run === undefined ? own : { ...own, run: edit.run };
      });
    case "cable-sizes":
      return withCables(job, (cable, device, id) => {
        const size = edit.sizes.find((each) => each.device === device && each.part === id);
        return size ? { ...cable, sizeMm2: size.sizeMm2 } : cable;
      });
  }
}
