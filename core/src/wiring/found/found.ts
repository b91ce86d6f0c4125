import type { Installation } from "../../circuit/index.ts";
import type { Subject } from "../../finding/index.ts";
import { terminalIn } from "../../node/index.ts";
import type { Core } from "../cores/index.ts";
import type { Placement, SiteDevice } from "../place/index.ts";
import type { Difference, Sits } from "./difference.ts";

/** An installation as it is wired, with its plan and where cores were found. */
export interface AsWired {
  at: Installation;
  wiring: { devices: readonly SiteDevice[]; cores: readonly Core[]; placements: readonly Placement[] };
  sits: Sits;
}

/** A device as what a finding is about. */
export const device = (id: string): Subject => ({ kind: "device", id });

/** What a difference is about: its device, the terminal it was found on and the one it is planned on. */
export function subjectsOf({ pin, found, planned }: Difference): Subject[] {
  const terminals = [found, planned?.to].flatMap((seat) => terminalIn(seat) ?? []);
  return [device(pin.device), ...terminals.map((id): Subject => ({ kind: "terminal", id }))];
}
