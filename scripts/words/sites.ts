import { suitsOf, type JobBundle } from "@anvilcloud/core";
import {
  boardIds,
  bundleOn,
  demoBundle,
  demoJobs,
  shippedDevices,
  usualDevices,
} from "../../core/src/testing/shipped.ts";

/** A job with the name it is told by. */
export interface Site {
  name: string;
  bundle: JobBundle;
}

/** The jobs whose sentences are read: the demo's; each board with what is usual, with nothing, with all that fits it, and with what does not. */
export function sites(): Site[] {
  const devices = shippedDevices();
  return [
    ...demoJobs().map((name) => ({ name, bundle: demoBundle(name) })),
    ...boardIds().flatMap((board): Site[] => {
      const name = board.split("-")[1] ?? board;
      const bare = bundleOn(board, []);
      const suits = suitsOf(bare.job, bare.board, devices);
      const fitting = suits.filter(({ fits }) => fits).map(({ device }) => device);
      const others = suits.filter(({ fits }) => !fits).map(({ device }) => device);
      const wishes = { "automatic-closing": true, "soft-stop": true } satisfies JobBundle["job"]["wishes"];
      return [
        { name, bundle: bundleOn(board, usualDevices(board)) },
        { name: `${name}, bare`, bundle: bare },
        { name: `${name}, full`, bundle: bundleOn(board, fitting, wishes) },
        { name: `${name}, misfits`, bundle: bundleOn(board, others) },
      ];
    }),
  ];
}
