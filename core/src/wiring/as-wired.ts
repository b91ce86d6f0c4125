import { commonTerminals, terminalOf, terminalsOf, type BoardProfile } from "../board/index.ts";
import { readCircuit, terminalNode, type Installation, type Readings } from "../circuit/index.ts";
import { finding, type Finding, type Subject } from "../finding/index.ts";
import { listed, plainNumber } from "../quantity/index.ts";
import { anotherVoltage } from "./another-voltage.ts";
import { differencesOf, effectOf, effectText, type Difference, type Sits } from "./difference.ts";
import type { SiteDevice } from "./demand.ts";
import type { WiringPlan } from "./plan.ts";

/** An installation as it is wired, with its plan and where cores were found. */
export interface AsWired {
  at: Installation;
  wiring: Pick<WiringPlan, "devices" | "cores" | "placements">;
  sits: Sits;
}

const device = (id: string): Subject => ({ kind: "device", id });
const terminalOfNode = (place: string) =>
  place.startsWith("board/") ? place.slice("board/".length) : undefined;

function subjectsOf(difference: Difference): Subject[] {
  const terminals = [difference.found, difference.planned?.to ?? "off"].flatMap(
    (place) => terminalOfNode(place) ?? [],
  );
  return [device(difference.device), ...terminals.map((id): Subject => ({ kind: "terminal", id }))];
}

/** Trap 44: two plugs of one shape that sit in each other's place, by every core of both. */
function swappedPlugs(
  board: BoardProfile,
  { wiring, sits }: AsWired,
): { codes: Finding[]; pins: Set<string> } {
  const plugs = board.blocks.filter((block) => block.plug !== undefined);
  const pins = new Set<string>();
  const index = (place: string) => {
    const terminal = terminalOf(board, terminalOfNode(place) ?? "");
    return (
      terminal && {
        block: terminal.block.id,
        at: terminal.block.terminals.findIndex(
          (each) => `${terminal.block.id}${each.number}` === terminal.id,
        ),
      }
    );
  };
  const codes = plugs.flatMap((one, at) =>
    plugs.slice(at + 1).flatMap((other): Finding[] => {
      if (one.plug !== other.plug) return [];
      const cores = wiring.cores.filter((core) => [one.id, other.id].includes(index(core.to)?.block ?? ""));
      const crossed = cores.filter((core) => {
        const [planned, found] = [index(core.to), index(sits[core.from] ?? core.to)];
        return planned && found && planned.block !== found.block && planned.at === found.at;
      });
      if (cores.length < 2 || crossed.length < cores.length) return [];
      for (const core of cores) pins.add(core.from);
      return [
        finding("plugs-swapped", [...new Set(cores.map((core) => core.device))].map(device), {
          one: `${one.id} (${one.label})`,
          other: `${other.id} (${other.label})`,
        }),
      ];
    }),
  );
  return { codes, pins };
}

/** A core of extra-low voltage on a terminal of the mains side. */
function onMains(board: BoardProfile, difference: Difference): Finding[] {
  const id = terminalOfNode(difference.found);
  const terminal = id === undefined ? undefined : terminalOf(board, id);
  if (terminal?.block.purpose !== "mains" || difference.device === "mains") return [];
  return [
    finding("core-on-mains", subjectsOf(difference), {
      device: difference.deviceName,
      core: difference.core,
      terminal: `${terminal.id} (${terminal.label})`,
    }),
  ];
}

/** Trap 5: the two cores of a panel or a battery exchanged. */
function reversedSource(as: AsWired, difference: Difference): Finding[] {
  return as.wiring.placements.flatMap(({ demand, place }): Finding[] => {
    if (demand.kind !== "source" || place?.kind !== "inlet" || demand.device.id !== difference.device)
      return [];
    const { plus, minus } = demand.source.pins;
    if (difference.pin !== `${difference.device}/${plus}`) return [];
    const sits = (pin: string) => as.sits[`${difference.device}/${pin}`];
    if (sits(plus) !== terminalNode(place.minus) || sits(minus) !== terminalNode(place.plus)) return [];
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
function wrongOutput(as: AsWired, difference: Difference): Finding[] {
  const { board } = as.at;
  return as.wiring.placements.flatMap(({ demand, place }): Finding[] => {
    if (demand.kind !== "supply" || !demand.duty.startsWith("drive") || place?.kind !== "rail") return [];
    if (difference.pin !== `${demand.device.id}/${demand.supply.pins.plus}`) return [];
    const terminal = terminalOfNode(difference.found);
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
function wrongSource(as: AsWired, devices: readonly SiteDevice[]): Finding[] {
  const { battery, solar } = as.at.board;
  return devices.flatMap((each) =>
    each.profile.provides.flatMap((source): Finding[] => {
      const found = terminalOfNode(as.sits[`${each.id}/${source.pins.plus}`] ?? "off");
      const at = [battery, solar].find((inlet) => inlet && (found === inlet.plus || found === inlet.minus));
      if (!at || [at.volts].flat().includes(source.volts)) return [];
      return [anotherVoltage(each, source.volts, at)];
    }),
  );
}

/** What the circuit says of supplies: trap 20 as wired, poles exchanged, too much. */
function supplyFindings(devices: readonly SiteDevice[], readings: Readings): Finding[] {
  return devices.flatMap((each) =>
    each.profile.supplies.flatMap((supply): Finding[] => {
      const id = `${each.id}/${supply.id}`;
      const volts = `${plainNumber(readings.volts[id] ?? 0)} V`;
      const most = `${plainNumber(supply.volts.max)} V`;
      switch (readings.supplies[id]) {
        case "reversed":
          return [finding("supply-reversed", [device(each.id)], { device: each.name, volts })];
        case "wrong-kind":
          return [
            finding("ac-on-dc", [device(each.id)], {
              device: each.name,
              wanted: `${plainNumber(supply.volts.min)} to ${most} ${supply.kind.toUpperCase()}`,
              rail: "what it is wired to",
              given: `${volts} ${supply.kind === "dc" ? "AC" : "DC"}`,
              milliamps: `${plainNumber(supply.milliamps.working)} mA`,
            }),
          ];
        case "over":
          return [
            finding("voltage-over", [device(each.id)], {
              device: each.name,
              volts,
              most,
              reason: "As it is wired it gets more than it bears: it overheats or is destroyed.",
              remedy: "Take it off before power comes on, and land it where it is planned.",
            }),
          ];
        default:
          return [];
      }
    }),
  );
}

/** Under this part of its voltage a rail that gives all it can counts as short. Assumed. */
const shortUnder = 0.5;

/** A pin tied to both poles, or two cores that join them. */
function shortFindings(
  at: Installation,
  readings: Readings,
  wires: readonly { id: string; to: string; from: string }[],
): Finding[] {
  return at.board.rails.flatMap((rail): Finding[] => {
    if (!((readings.rails[rail.id]?.volts ?? rail.volts) < shortUnder * rail.volts)) return [];
    const poles = new Set([...rail.plus, ...rail.minus].map(terminalNode));
    const cores = wires.filter((wire) => poles.has(wire.to) || poles.has(wire.from));
    return [
      finding(
        "rail-shorted",
        [
          { kind: "rail", id: rail.id },
          ...[...new Set(cores.map((wire) => wire.from.slice(0, wire.from.indexOf("/"))))].map(device),
        ],
        { rail: rail.label, through: listed([...new Set(cores.map((wire) => wire.from))].slice(0, 6)) },
      ),
    ];
  });
}

/** Whether two places are one point on the board, so that a core on the one is as good as on the other. */
function samePoint(board: BoardProfile, a: string, b: string): boolean {
  const [one, other] = [terminalOfNode(a), terminalOfNode(b)];
  if (one === undefined || other === undefined) return false;
  const points = [
    ...board.inputs.map((input) => commonTerminals(board, input)),
    ...board.rails.flatMap((rail) => [rail.plus, rail.minus, rail.third ?? []]),
  ];
  return points.some((terminals) => terminals.includes(one) && terminals.includes(other));
}

function crowded(board: BoardProfile, at: Installation): Finding[] {
  return terminalsOf(board).flatMap((terminal): Finding[] => {
    const held = at.wires.filter((wire) => wire.to === terminalNode(terminal.id)).length;
    return held <= terminal.holds
      ? []
      : [
          finding("terminal-crowded", [{ kind: "terminal", id: terminal.id }], {
            terminal: terminal.id,
            cores: `${held} cores`,
            holds: String(terminal.holds),
          }),
        ];
  });
}

/**
 * What is wrong with the wiring as it was found: each core elsewhere than planned with what that does, unless a graver
 * finding explains it; what the circuit makes of it once power comes on; traps 5, 20, 37, 42 and 44.
 */
export function asWiredFindings(as: AsWired): Finding[] {
  const { at, wiring, sits } = as;
  if (!Object.keys(sits).length) return [];
  const { board } = at;
  const readings = readCircuit({ ...at, powered: true });
  const { codes, pins } = swappedPlugs(board, as);
  const differences = differencesOf(wiring.devices, wiring.cores, sits).filter(({ pin }) => !pins.has(pin));
  const told = differences.flatMap((difference): Finding[] => {
    const grave = [
      ...onMains(board, difference),
      ...reversedSource(as, difference),
      ...wrongOutput(as, difference),
    ];
    if (grave.length) return grave;
    const same = difference.planned && samePoint(board, difference.found, difference.planned.to);
    const changes = same ? [] : effectOf(at, wiring.devices, difference);
    return [
      finding(same ? "core-elsewhere" : "core-misplaced", subjectsOf(difference), {
        device: difference.deviceName,
        core: difference.core,
        found: difference.foundText,
        planned: difference.plannedText,
        effect: effectText(changes),
      }),
    ];
  });
  return [
    ...codes,
    ...told,
    ...supplyFindings(wiring.devices, readings),
    ...wrongSource(as, wiring.devices),
    ...shortFindings(at, readings, at.wires),
    ...crowded(board, at),
  ];
}
