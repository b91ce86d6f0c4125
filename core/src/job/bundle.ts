import {
  behaviourMisfit,
  fitBoard,
  parseBoard,
  type BehaviourId,
  type BoardProfile,
} from "../board/index.ts";
import { parseDevice, type DeviceProfile } from "../device/index.ts";
import { parseWith, ProblemsError, shown, type Problem } from "../finding/index.ts";
import { checkLog, within } from "./log.ts";
import { migrateBundle } from "./migrate.ts";
import { checkPreset } from "./preset.ts";
import { bundleSchema, type Job, type jobFormat, type LogEntry } from "./schema.ts";
import { checkStands, mostNoted, withEveryCard, type Report } from "./stands.ts";

/** A job with the profiles it uses and its log, all read and checked. */
export interface JobBundle {
  format: typeof jobFormat;
  job: Job;
  board: BoardProfile;
  devices: DeviceProfile[];
  log: LogEntry[];
}

/** The profile an instance refers to; undefined where the bundle lacks it. */
export function profileOf(devices: readonly DeviceProfile[], ref: { id: string; revision: number }) {
  return devices.find((device) => device.id === ref.id && device.revision === ref.revision);
}

function checkInstances(job: Job, devices: readonly DeviceProfile[], report: Report): void {
  const leaves = job.survey.leaves.map((leaf) => leaf.id);
  job.devices.forEach((instance, at) => {
    const path = `job.devices[${at}]`;
    if (job.devices.findIndex((other) => other.id === instance.id) !== at)
      report(`${path}.id`, "an id of its own", instance.id, "Rename it.");
    const profile = profileOf(devices, instance.device);
    if (!profile) {
      report(
        `${path}.device`,
        "a device of the catalogue or of this bundle",
        instance.device,
        "Choose a known device and revision.",
      );
      return;
    }
    const parts = profile.parts.map((part) => part.id);
    for (const part of Object.keys(instance.cables))
      if (!parts.includes(part))
        report(
          `${path}.cables.${part}`,
          `a part of the device (${parts.join(", ")})`,
          part,
          "Remove the cable.",
        );
    const pins = profile.pins.map((pin) => pin.id);
    for (const key of ["pinned", "cores"] as const) {
      const noted = Object.keys(instance[key] ?? {});
      if (noted.length > mostNoted)
        report(`${path}.${key}`, `at most ${mostNoted} pins`, noted.length, "Remove what the device lacks.");
      else
        for (const pin of noted)
          if (!pins.includes(pin))
            report(`${path}.${key}.${pin}`, `a pin of the device (${pins.join(", ")})`, pin, "Remove it.");
    }
    const jumpers = profile.jumpers.map((jumper) => jumper.id);
    instance.jumpersOn?.forEach((id, j) => {
      if (!jumpers.includes(id))
        report(
          `${path}.jumpersOn[${j}]`,
          `a jumper of the device (${jumpers.join(", ") || "it has none"})`,
          id,
          "Remove it.",
        );
    });
    for (const part of parts)
      if (!instance.cables[part])
        report(
          `${path}.cables.${part}`,
          "a cable with length and size",
          undefined,
          "Give the cable's length and size.",
        );
    if (profile.kind === "drive" && !profile.radio && !(instance.leaf && leaves.includes(instance.leaf)))
      report(
        `${path}.leaf`,
        `a leaf of this gate (${leaves.join(", ")})`,
        instance.leaf,
        "Say which leaf the drive moves.",
      );
  });
}

/** What in a job does not fit its board and devices. Empty when everything does. */
export function checkJob(
  job: Job,
  board: BoardProfile,
  devices: readonly DeviceProfile[],
  file: string,
): Problem[] {
  const problems: Problem[] = [];
  const report: Report = (path, expected, found, remedy) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  if (board.id !== job.board.id || board.revision !== job.board.revision)
    report(
      "job.board",
      `the bundle's board, ${board.id} revision ${board.revision}`,
      job.board,
      "Name that board, or bundle the other.",
    );
  if (board.leaves > 0 && job.survey.leaves.length > board.leaves)
    report(
      "job.survey.leaves",
      `at most ${board.leaves}, as the board drives`,
      job.survey.leaves.length,
      "Choose a board for two leaves.",
    );
  for (const [id, value] of Object.entries(job.wishes)) {
    const wanted = value === undefined ? undefined : behaviourMisfit(id as BehaviourId, value);
    if (wanted) report(`job.wishes.${id}`, wanted, value, "Correct the wish, or remove it.");
  }
  if (job.preset)
    for (const { path, expected, found, remedy } of checkPreset(job.preset, ""))
      report(`job.preset.${path}`, expected, found, remedy);
  const cards = board.cards.map((card) => card.id);
  (job.cards ?? []).forEach((id, at) => {
    if (!cards.includes(id))
      report(`job.cards[${at}]`, `a card of the board (${cards.join(", ")})`, id, "Remove it.");
  });
  const procedures = withEveryCard(board).procedures.map(({ id }) => id);
  (job.chosen ?? []).forEach((id, at) => {
    if (!procedures.includes(id))
      report(`job.chosen[${at}]`, `a procedure of the board (${procedures.join(", ")})`, id, "Remove it.");
  });
  checkInstances(job, devices, report);
  const { links, switches, dials, values } = job.found;
  checkStands(
    withEveryCard(board),
    { links: Object.keys(links), switches, dials, values },
    "job.found",
    report,
  );
  return problems;
}

/** The board as it is read on a job's site: with the cards fitted there, for its leaves, its use and its firmware. */
export function boardOnSite(job: Job, board: BoardProfile): BoardProfile {
  return fitBoard(board, {
    ...(job.cards ? { cards: job.cards } : {}),
    leaves: job.survey.leaves.length,
    ...(job.survey.use ? { use: job.survey.use } : {}),
    firmware: job.found.firmware,
  });
}

/** Reads a bundle of any format so far, its profiles and its job against each other. Throws ProblemsError that names every fault's place. */
export function parseBundle(data: unknown, file = "bundle"): JobBundle {
  const raw = parseWith(bundleSchema, migrateBundle(data), file);
  const problems: Problem[] = [];
  const collect = <T>(path: string, read: () => T): T | undefined => {
    try {
      return read();
    } catch (error) {
      if (!(error instanceof ProblemsError)) throw error;
      problems.push(...within(error, path).problems);
      return undefined;
    }
  };
  const board = collect("board", () => parseBoard(raw.board, file));
  const devices = raw.devices.map((device, at) => collect(`devices[${at}]`, () => parseDevice(device, file)));
  const sound = devices.filter((device) => device !== undefined);
  if (board && sound.length === devices.length) problems.push(...checkJob(raw.job, board, sound, file));
  if (board) problems.push(...checkLog(raw.log, board, file));
  if (problems.length || !board) throw new ProblemsError(problems);
  return { format: raw.format, job: raw.job, board, devices: sound, log: raw.log };
}
