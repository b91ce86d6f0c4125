import { draftInstance, draftJob, jobFormat, type JobBundle } from "@anvilcloud/core";
import { manyDevices, type largeBoards } from "../core/src/testing/many.ts";
import { shippedDevices } from "../core/src/testing/shipped.ts";

/** A job with so many devices out of the catalogue. */
export function largeJob(board: ReturnType<typeof largeBoards>[number], count: number): JobBundle {
  const devices = shippedDevices();
  const job = manyDevices(board, count, 7).reduce(
    (now, { profile }) => ({ ...now, devices: [...now.devices, draftInstance(now, profile)] }),
    draftJob("large", "A large job", "Perrin", board),
  );
  return { format: jobFormat, job, board, devices, log: [] };
}
