import { terminalOf, type BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { pinNode, sameNode, terminalIn } from "../../node/index.ts";
import { anotherVoltage, type SiteDevice } from "../place/index.ts";
import { seatOf, type Difference } from "./difference.ts";
import { subjectsOf, type AsWired } from "./found.ts";

/** A core of extra-low voltage on a terminal of the mains side. */
export function onMains(board: BoardProfile, difference: Difference): Finding[] {
  const id = terminalIn(difference.found);
  const terminal = id === undefined ? undefined : terminalOf(board, id);
  if (terminal?.block.purpose !== "mains") return [];
  return [
    finding("core-on-mains", subjectsOf(difference), {
      device: difference.deviceName,
      core: difference.core,
      terminal: `${terminal.id} (${terminal.label})`,
    }),
  ];
}

/** A protective earth that is not where it belongs. */
export function lostEarth(as: AsWired, difference: Difference): Finding[] {
  const { pin, planned } = difference;
  const device = as.wiring.devices.find((each) => each.id === pin.device);
  if (!planned || device?.profile.earth !== pin.pin) return [];
  return [
    finding("earth-not-joined", subjectsOf(difference), {
      device: difference.deviceName,
      found: difference.foundText,
      planned: difference.plannedText,
    }),
  ];
}

/** Trap 5: the two cores of a panel or a battery exchanged. */
export function reversedSource(as: AsWired, difference: Difference): Finding[] {
  return as.wiring.placements.flatMap(({ demand, place }): Finding[] => {
    const { device } = difference.pin;
    if (demand.kind !== "source" || place?.kind !== "inlet" || demand.device.id !== device) return [];
    const { plus, minus } = demand.source.pins;
    if (difference.pin.pin !== plus) return [];
    const sits = (pin: string) => terminalIn(seatOf(as.sits, pinNode(device, pin)));
    if (sits(plus) !== place.minus || sits(minus) !== place.plus) return [];
    return [
      finding("source-reversed", subjectsOf(difference), {
        device: difference.deviceName,
        plus: place.plus,
        minus: place.minus,
      }),
    ];
  });
}

/** Trap 37: a drive on an output that is not for it. */
export function wrongOutput(as: AsWired, difference: Difference): Finding[] {
  const { board } = as.at;
  return as.wiring.placements.flatMap(({ demand, place }): Finding[] => {
    if (demand.kind !== "supply" || !demand.duty.startsWith("drive") || place?.kind !== "rail") return [];
    if (!sameNode(difference.pin, pinNode(demand.device.id, demand.supply.pins.plus))) return [];
    const terminal = terminalIn(difference.found);
    const output = board.rails.find(
      (rail) =>
        rail.id !== place.rail.id &&
        terminal !== undefined &&
        [...rail.plus, ...rail.minus].includes(terminal),
    );
    if (
      !output ||
      output.feeds.includes(demand.duty) ||
      !output.feeds.some((each) => each.startsWith("drive"))
    )
      return [];
    return [
      finding("drive-on-wrong-output", [...subjectsOf(difference), { kind: "rail", id: output.id }], {
        device: demand.device.name,
        found: output.label,
        wanted: place.rail.label,
      }),
    ];
  });
}

/** Trap 42: a battery or panel found on terminals that are for another voltage. */
export function wrongSource(as: AsWired, devices: readonly SiteDevice[]): Finding[] {
  const { battery, solar } = as.at.board;
  return devices.flatMap((each) =>
    each.profile.provides.flatMap((source): Finding[] => {
      const found = terminalIn(seatOf(as.sits, pinNode(each.id, source.pins.plus)));
      const at = [battery, solar].find(
        (inlet) => inlet && found !== undefined && (found === inlet.plus || found === inlet.minus),
      );
      if (!at || [at.volts].flat().includes(source.volts)) return [];
      return [anotherVoltage(each, source.volts, at)];
    }),
  );
}
