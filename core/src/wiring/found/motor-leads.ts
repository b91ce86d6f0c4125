import { finding, type Finding } from "../../finding/index.ts";
import { nodeKey, terminalIn, type NodeKey } from "../../node/index.ts";
import { listed } from "../../quantity/index.ts";
import { seatOf } from "./difference.ts";
import { device, type AsWired } from "./found.ts";

/** Drives whose leads sit on their own output, but so exchanged that the motor runs the other way; with the leads themselves. */
export interface ExchangedLeads {
  drives: string[];
  codes: Finding[];
  pins: Set<NodeKey>;
}

/** How many pairs stand in the wrong order: an odd number of exchanges turns a three-phase motor about. */
const inversions = (order: readonly number[]) =>
  order.reduce((sum, a, at) => sum + order.slice(at + 1).filter((b) => b < a).length, 0);

/**
 * Motor leads exchanged among the terminals of their own output. Two leads of a d.c. motor, any two of a three-phase one,
 * or the two direction windings of a capacitor motor: it runs the wrong way and is else unharmed. A capacitor motor whose
 * common is among them is no mere exchange, and is told core by core.
 */
export function exchangedLeads({ at, wiring, sits }: AsWired): ExchangedLeads {
  const result: ExchangedLeads = { drives: [], codes: [], pins: new Set() };
  for (const { demand, place } of wiring.placements) {
    if (demand.kind !== "supply" || !demand.duty.startsWith("drive") || place?.kind !== "rail") continue;
    const { plus, minus, third } = demand.supply.pins;
    const cores = [plus, minus, third].flatMap(
      (pin) => wiring.cores.find((core) => core.device === demand.device.id && core.pin === pin) ?? [],
    );
    const planned = cores.map((core) => terminalIn(core.to));
    const found = cores.map((core) => terminalIn(seatOf(sits, core.from) ?? core.to));
    const order = found.map((terminal) => planned.indexOf(terminal));
    const permuted = new Set(order).size === order.length && !order.includes(-1);
    const moved = order.flatMap((to, from) => (to === from ? [] : [from]));
    if (!permuted || !moved.length) continue;
    const threePhase = at.board.supply.kind === "three-phase";
    const turns = order.length < 3 || threePhase ? inversions(order) % 2 === 1 : !moved.includes(1);
    // Three phases moved on by one turn the motor as before; a capacitor motor's common elsewhere is another matter.
    if (!turns && !threePhase) continue;
    for (const from of moved) result.pins.add(nodeKey(cores[from]!.from));
    if (!turns) continue;
    result.drives.push(demand.device.id);
    const terminals = moved.flatMap((from) => planned[from] ?? []);
    result.codes.push(
      finding(
        "motor-leads-exchanged",
        [device(demand.device.id), ...terminals.map((id) => ({ kind: "terminal" as const, id }))],
        {
          device: demand.device.name,
          leads: listed(moved.map((from) => pinLabel(demand.device.profile.pins, cores[from]!.pin))),
          terminals: listed(terminals),
        },
      ),
    );
  }
  return result;
}

const pinLabel = (pins: readonly { id: string; label: string }[], id: string) =>
  pins.find((pin) => pin.id === id)?.label ?? id;
