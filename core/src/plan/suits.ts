import { deviceKindOrder, type DeviceProfile } from "../device/index.ts";
import type { BoardProfile } from "../board/index.ts";
import { severityRank, wordsOf } from "../finding/index.ts";
import { boardOnSite, draftInstance, type Job } from "../job/index.ts";
import { planWiring } from "../wiring/index.ts";

/** How a device of the catalogue goes with a job: whether the board has a place for it, and why not. */
export interface Suit {
  device: string;
  fits: boolean;
  /** Why the board has no place for it; empty where it fits. */
  why: string;
}

const soundEnough = severityRank.caution;

/**
 * How each device would go with a job's board, on its leaves, with its converters and nothing else on it; those that fit
 * first, then by kind in the order in which they are put on a job, then by name.
 */
export function suitsOf(job: Job, kept: BoardProfile, devices: readonly DeviceProfile[]): Suit[] {
  const board = boardOnSite(job, kept);
  const makers = job.devices.filter(({ device }) =>
    devices.some(({ id, kind }) => id === device.id && kind === "converter"),
  );
  const suits = devices.map((profile) => {
    const drafted = draftInstance({ ...job, devices: [] }, profile);
    const device = { ...drafted, id: "the-one-looked-at", name: profile.name };
    const alone = { ...job, devices: [...makers, device] };
    const { findings } = planWiring({ job: alone, board, devices: [...devices] });
    const against = findings.find(
      ({ severity, subjects }) =>
        severityRank[severity] < soundEnough &&
        subjects.some(({ kind, id }) => kind === "device" && id === device.id),
    );
    const words = against && wordsOf(against);
    return {
      profile,
      // Where nothing takes it the reason alone says so.
      suit: {
        device: profile.id,
        fits: !against,
        why: !words ? "" : against.code === "device-unplaced" ? words.why : `${words.what} ${words.why}`,
      },
    };
  });
  const kindAt = ({ kind }: DeviceProfile) => deviceKindOrder.indexOf(kind);
  return suits
    .sort(
      (a, b) =>
        Number(b.suit.fits) - Number(a.suit.fits) ||
        kindAt(a.profile) - kindAt(b.profile) ||
        (a.profile.name < b.profile.name ? -1 : 1),
    )
    .map(({ suit }) => suit);
}
