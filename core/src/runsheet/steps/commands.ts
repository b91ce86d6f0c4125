import { commonTerminals, type ContactDuty } from "../../board/index.ts";
import { listed } from "../../quantity/index.ts";
import type { Planned } from "../../state/index.ts";

/** Duties whose contact sends the leaf over its whole travel. */
const opens: readonly ContactDuty[] = [
  "step",
  "open-only",
  "exit",
  "exit-loop",
  "activation-inside",
  "activation-outside",
];

/** What commands a full cycle on this site: the devices that do, or for want of any a bridge across such an input. */
export function commandedWith({ bundle: { board }, wiring }: Planned): string {
  const devices = wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && opens.includes(demand.contact.duty)
      ? [`${demand.device.name} (${demand.contact.tripped})`]
      : [],
  );
  if (devices.length) return `Command it with ${listed([...new Set(devices)], "or")}.`;
  const input = board.inputs.find(({ takes }) => opens.includes(takes[0]!));
  if (!input) return "Command it with what is learned or wired on this site.";
  const common = commonTerminals(board, input)[0]!;
  return `No device of this job commands: bridge ${input.terminal} to ${common} for a moment.`;
}
