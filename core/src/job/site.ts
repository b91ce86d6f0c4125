import type { DeviceProfile } from "../device/index.ts";
import { draftedCables, withAssumed } from "./assumed.ts";
import type { Cable, DeviceInstance, Job, Leaf } from "./schema.ts";

/** Length of a cable that nobody has measured, m. */
const usualLengthM = 5;

/** Cable assumed until someone measures: a short run of the size that is usual for it. Common practice, no published source. */
const usualCable = (profile: DeviceProfile): Cable => ({
  lengthM: usualLengthM,
  sizeMm2: profile.kind === "drive" ? 1.5 : 0.75,
});

/** True where a cable is as long as it is drafted: nobody has measured it. */
const isAssumed = (cable: Cable | undefined): boolean => cable?.lengthM === usualLengthM;

/** A name that no device of the job bears yet: the same, or the same with a number. */
function freeName(job: Job, name: string): string {
  const borne = new Set(job.devices.map((device) => device.name));
  if (!borne.has(name)) return name;
  const stem = name.replace(/ \(\d+\)$/, "");
  let n = 2;
  while (borne.has(`${stem} (${n})`)) n += 1;
  return `${stem} (${n})`;
}

/** A device newly put on a job: an id and a name of its own, cables assumed, a drive on the first leaf without one. */
export function draftInstance(job: Job, profile: DeviceProfile): DeviceInstance {
  const taken = new Set(job.devices.map((device) => device.id));
  let n = 1;
  while (taken.has(`${profile.kind}-${n}`)) n += 1;
  const driven = new Set(job.devices.flatMap((device) => device.leaf ?? []));
  const free = job.survey.leaves.find((leaf) => !driven.has(leaf.id)) ?? job.survey.leaves[0];
  return {
    id: `${profile.kind}-${n}`,
    device: { id: profile.id, revision: profile.revision },
    name: freeName(job, profile.name),
    ...(profile.kind === "drive" && free ? { leaf: free.id } : {}),
    cables: Object.fromEntries(profile.parts.map((part) => [part.id, usualCable(profile)])),
  };
}

/** The job with a device at a place among its own, its cables assumed unless they stand otherwise. */
const placed = (job: Job, device: DeviceInstance, at: number): Job =>
  withAssumed({ ...job, devices: [...job.devices.slice(0, at), device, ...job.devices.slice(at)] }, [
    ...(job.assumed ?? []),
    ...draftedCables(device).filter((_, n) => isAssumed(Object.values(device.cables)[n])),
  ]);

/** The job with this device on it as well, last or at a place; where another has its id already, it gets the next free one and a name to match. */
export function withDevice(job: Job, device: DeviceInstance, at = job.devices.length): Job {
  const taken = new Set(job.devices.map(({ id }) => id));
  if (!taken.has(device.id)) return placed(job, device, at);
  const stem = device.id.replace(/-\d+$/, "");
  let n = 2;
  while (taken.has(`${stem}-${n}`)) n += 1;
  return placed(job, { ...device, id: `${stem}-${n}`, name: freeName(job, device.name) }, at);
}

/** One leaf, or a pair, alike in everything but their part: with two, one overlaps the other. */
export function leavesLike(leaf: Leaf, count: 1 | 2): Leaf[] {
  const ids = count === 1 ? (["only"] as const) : (["overlapping", "overlapped"] as const);
  return ids.map((id) => ({ ...leaf, id }));
}

/** The job with another survey; drives of leaves that are gone move to the first that is there. */
export function withSurvey(job: Job, survey: Job["survey"]): Job {
  const ids = survey.leaves.map((leaf) => leaf.id);
  const devices = job.devices.map((device) =>
    device.leaf && !ids.includes(device.leaf) ? { ...device, leaf: ids[0] } : device,
  );
  return { ...job, survey, devices };
}
