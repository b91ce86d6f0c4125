import type { DeviceInstance, Job, Leaf } from "./schema.ts";

/** A size, mass or length that nobody has measured: of a leaf by its place, or of a device's cable by its part. */
export const assumedLeaf = (at: number, key: keyof Leaf): string => `leaf ${at} ${key}`;
export const assumedCable = (device: string, part: string): string => `cable ${device} ${part}`;

/** What of a leaf is measured. */
export const leafMeasures = [
  "widthMm",
  "heightMm",
  "massKg",
  "openingDegrees",
  "travelMm",
  "headerDepthMm",
] as const satisfies readonly (keyof Leaf)[];

/** Every measure of leaves that are drafted. */
export const draftedLeaves = (leaves: readonly Leaf[]): string[] =>
  leaves.flatMap((leaf, at) =>
    leafMeasures.flatMap((key) => (leaf[key] === undefined ? [] : [assumedLeaf(at, key)])),
  );

/** Every cable of a device newly put on a job. */
export const draftedCables = ({ id, cables }: DeviceInstance): string[] =>
  Object.keys(cables).map((part) => assumedCable(id, part));

/** A job without what is no longer assumed; what is not known to it is left out. */
export function withAssumed(job: Job, assumed: readonly string[]): Job {
  const { assumed: _before, ...rest } = job;
  return assumed.length ? { ...rest, assumed: [...new Set(assumed)] } : rest;
}

/** The job after its leaves are others: a measure that was changed is assumed no more, a leaf that came is assumed as the first one is. */
export function leavesMeasured(job: Job, leaves: readonly Leaf[]): string[] {
  const before = job.survey.leaves;
  const assumed = new Set(job.assumed ?? []);
  const others = [...assumed].filter((each) => !each.startsWith("leaf "));
  const kept = leaves.flatMap((leaf, at) =>
    leafMeasures
      .filter((key) => {
        const from = before[at] ? at : 0;
        return assumed.has(assumedLeaf(from, key)) && before[from]?.[key] === leaf[key];
      })
      .map((key) => assumedLeaf(at, key)),
  );
  return [...kept, ...others];
}

/** The job after a device's cables are others: one whose length was changed is assumed no more. */
export function cablesMeasured(job: Job, device: DeviceInstance): string[] {
  const before = job.devices.find(({ id }) => id === device.id);
  return (job.assumed ?? []).filter((each) =>
    Object.entries(device.cables).every(
      ([part, cable]) =>
        each !== assumedCable(device.id, part) || before?.cables[part]?.lengthM === cable.lengthM,
    ),
  );
}
