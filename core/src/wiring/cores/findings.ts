import { terminalOf, terminalsOf, type BoardProfile } from "../../board/index.ts";
import type { Wire } from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { terminalIn } from "../../node/index.ts";
import { count } from "../../quantity/index.ts";
import { honoursPins, pinsOf, type Placement, type SiteDevice } from "../place/index.ts";
import { onMains } from "./ends.ts";
import { linksAt } from "./links-at.ts";
import { seatText } from "./seat.ts";
import type { Core } from "./cores.ts";

/** Terminals that hold more than their clamps take, cores and links together. */
export function crowdFindings(
  board: BoardProfile,
  cores: readonly Wire[],
  linksIn: Iterable<string>,
): Finding[] {
  const links = linksAt(board, linksIn);
  return terminalsOf(board).flatMap((terminal): Finding[] => {
    const wires = cores.filter((core) => terminalIn(core.to) === terminal.id).length;
    const bridged = links.get(terminal.id) ?? 0;
    if (!wires || wires + bridged <= terminal.holds) return [];
    return [
      finding("terminal-crowded", [{ kind: "terminal", id: terminal.id }], {
        terminal: terminal.id,
        cores: bridged ? `${count(wires, "core")} and ${count(bridged, "link")}` : count(wires, "core"),
        holds: String(terminal.holds),
      }),
    ];
  });
}

/** What stands on mains by the plan and has no protective earth in its data, nor needs none. */
export function earthFindings(board: BoardProfile, placements: readonly Placement[]): Finding[] {
  const terminal = board.supply.poles.earth ?? "the earth of the spur";
  return onMains(placements)
    .filter(({ profile }) => profile.earth === undefined && !profile.doubleInsulated)
    .map(({ id, name }) => finding("earth-unknown", [{ kind: "device", id }], { device: name, terminal }));
}

/** Pins wanted on a terminal that cannot take them, or that the board does not have. */
export function pinFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cores: readonly Core[],
): Finding[] {
  return devices.flatMap((device): Finding[] =>
    Object.entries(device.pinned ?? {}).flatMap(([pin, terminal]): Finding[] => {
      const core = cores.find((each) => each.device === device.id && each.pin === pin);
      if (core && terminalIn(core.to) === terminal) return [];
      const label = device.profile.pins.find((each) => each.id === pin)?.label ?? pin;
      const known = terminalOf(board, terminal) !== undefined;
      const own = placements.find(
        ({ demand }) => demand.device.id === device.id && pinsOf(demand).includes(pin),
      );
      const shares = own?.place !== undefined && honoursPins(own.demand, own.place, board);
      return [
        finding(
          "pin-impossible",
          [
            { kind: "device", id: device.id },
            ...(known ? [{ kind: "terminal" as const, id: terminal }] : []),
          ],
          {
            device: device.name,
            pin: label,
            terminal,
            reason: !known
              ? `${board.name} has no terminal ${terminal}`
              : shares
                ? `it is chained with others there, and another core of the chain sits on ${terminal}`
                : `${terminal} is ${terminalOf(board, terminal)!.label}, which cannot take it`,
            instead: core ? `Planned on ${seatText(core.to, devices)} instead.` : "It stays without a place.",
          },
        ),
      ];
    }),
  );
}
