import fc from "fast-check";
import { boardOnSite, draftInstance, type JobBundle } from "../job/index.ts";
import { planWiring, type WiringPlan } from "../wiring/index.ts";
import { boardIds, bundleOn, fittingDrives, shippedDevices } from "./shipped.ts";

const accessories = shippedDevices().filter(({ kind }) => kind !== "drive");

/** Crowded jobs on every board: its drives and more accessories than it has room for, cables of any length and size. */
function anyJob(id: string): fc.Arbitrary<JobBundle> {
  const given = bundleOn(id, fittingDrives(id));
  const cable = fc.record({
    lengthM: fc.integer({ min: 1, max: 60 }),
    sizeMm2: fc.constantFrom(0.5 as const, 0.75 as const, 1 as const, 1.5 as const),
  });
  return fc
    .tuple(
      fc.array(fc.constantFrom(...accessories), { minLength: 8, maxLength: 16 }),
      fc.array(cable, { minLength: 40, maxLength: 40 }),
      fc.subarray(given.board.cards.map((card) => card.id)),
    )
    .map(([profiles, cables, cards]): JobBundle => {
      const job = structuredClone(
        profiles.reduce(
          (now, profile) => ({ ...now, devices: [...now.devices, draftInstance(now, profile)] }),
          { ...given.job, cards },
        ),
      );
      let at = 0;
      for (const device of job.devices)
        for (const part of Object.values(device.cables)) Object.assign(part, cables[at++ % cables.length]);
      return { ...given, job, board: boardOnSite(job, given.board) };
    });
}

const drawn = boardIds().flatMap((id, board) =>
  fc
    .sample(anyJob(id), { numRuns: 3, seed: 91 + board })
    .map((bundle) => ({ id, bundle, plan: planWiring(bundle) })),
);

/** What holds of each of them: their plans, made once. */
export const eachWiring = (holds: (plan: WiringPlan, bundle: JobBundle, id: string) => void) => {
  for (const { plan, bundle, id } of drawn) holds(plan, bundle, id);
};

/** What a plan finds of this kind. */
export const found = (plan: WiringPlan, code: string) =>
  plan.findings.filter((finding) => finding.code === code);
