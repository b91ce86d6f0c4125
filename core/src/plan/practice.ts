import type { BoardProfile, ContactDuty } from "../board/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import { boardOnSite, draftInstance, draftJob, jobFormat, type Job, type JobBundle } from "../job/index.ts";
import { demandsOf, placesFor } from "../wiring/index.ts";
import { planJob } from "./plan.ts";

/** What is put on a bench for practice beside the drives, in this order. */
const kinds: readonly DeviceProfile["kind"][] = ["photocell", "edge", "stop-button", "sensor", "key-switch"];

/** How fast a drive is by its kind: what pushes a sash or a hinge is slow, what runs along a way is not, mm/s. Assumed. */
const slowest = 60;

/** True for a drive of the kind that moves such a thing. */
function suits({ purpose }: BoardProfile, { drives }: DeviceProfile): boolean {
  const speed = drives?.freeSpeedMmPerS;
  const thrust = drives?.thrustNewtons ?? 0;
  switch (purpose) {
    case "swing-gate":
    case "radio":
      return (
        drives?.freeSpeedDegreesPerS !== undefined || (speed !== undefined && speed < slowest && thrust > 500)
      );
    case "sliding-gate":
      return speed !== undefined && speed > slowest && thrust > 500;
    case "pedestrian-door":
      return speed !== undefined && speed > slowest && thrust <= 500;
    case "industrial-door":
    case "rolling-grille":
      return drives?.torqueNewtonMetres !== undefined && drives.freeSpeedDegreesPerS === undefined;
    case "rooflight":
    case "window":
      return speed !== undefined && speed < slowest && thrust <= 500;
  }
}

/** Devices of a job that nothing grave is told of, such as one that a board cannot test. */
function withoutMisfits(bundle: JobBundle): Job["devices"] {
  const grave = planJob(bundle).findings.filter(
    ({ severity }) => severity === "danger" || severity === "fault",
  );
  const told = new Set(grave.flatMap(({ subjects }) => subjects.map(({ kind, id }) => `${kind} ${id}`)));
  return bundle.job.devices.filter(({ id }) => !told.has(`device ${id}`));
}

/**
 * A job to practise on: a board with a drive for each leaf and one device for each duty that it takes, out of a catalogue,
 * those of its own maker before others. A board that nothing fits has no more than itself.
 */
export function practiceBundle(profile: BoardProfile, catalogue: readonly DeviceProfile[]): JobBundle {
  const start = draftJob("practice", `${profile.maker} ${profile.name}, to practise`, "Nobody", profile);
  const firmware = profile.firmware.at(-1)!;
  let job: Job = { ...start, found: { ...start.found, firmware } };
  const board = boardOnSite(job, profile);
  const own = (device: DeviceProfile) => (device.maker === profile.maker ? 0 : 1);
  const ranked = [...catalogue].sort((a, b) => own(a) - own(b));
  const add = (device: DeviceProfile | undefined) => {
    if (device) job = { ...job, devices: [...job.devices, draftInstance(job, device)] };
  };
  const fits = (device: DeviceProfile, leaf?: Job["survey"]["leaves"][number]["id"]) =>
    demandsOf([{ id: "one", name: device.name, profile: device, ...(leaf ? { leaf } : {}) }]).every(
      (demand) => placesFor(demand, board, []).length > 0,
    );
  const drives = ranked.filter(
    (device) => device.kind === "drive" && !device.radio && suits(profile, device),
  );
  const senses = ({ limits = "stops" }: DeviceProfile) => board.limits.includes(limits);
  if (board.leaves)
    for (const { id } of job.survey.leaves)
      add(drives.find((each) => senses(each) && fits(each, id)) ?? drives.find((each) => fits(each, id)));
  const covered = new Set<ContactDuty>();
  for (const kind of kinds)
    for (const device of ranked.filter((each) => each.kind === kind && !each.radio)) {
      const duties = device.contacts.map(({ duty }) => duty);
      if (!duties.length || duties.some((duty) => covered.has(duty)) || !fits(device)) continue;
      for (const duty of duties) covered.add(duty);
      add(device);
    }
  const bundle: JobBundle = { format: jobFormat, job, board: profile, devices: [...catalogue], log: [] };
  return { ...bundle, job: { ...job, devices: withoutMisfits(bundle) } };
}
