import {
  measureCircuit,
  situations,
  type Installation,
  type Readings,
  type Wire,
} from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { nodeKey, partKey, railPart, supplyPart, terminalNode } from "../../node/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import { seatText } from "../cores/index.ts";
import { anotherKind, type SiteDevice } from "../place/index.ts";
import { device } from "./found.ts";

/** How a supply may be met that is wrong whenever it is. */
const wrong = ["reversed", "wrong-kind", "over"];

/** What to do about a supply that is met wrongly. */
const asPlanned = "Take it off before power comes on, and land it where it is planned.";

/** What the circuit says of supplies in any situation with power: trap 20 as wired, poles exchanged, too much. */
export function supplyFindings(devices: readonly SiteDevice[], at: Installation): Finding[] {
  const live = { ...at, powered: true };
  const moments = situations.map((situation) => measureCircuit(live, { situation, celsius: 20 }).supplies);
  return devices.flatMap((each) =>
    each.profile.supplies.flatMap((supply): Finding[] => {
      const key = partKey(supplyPart(each.id, supply.id));
      const met = moments.flatMap((supplies) => supplies[key] ?? []);
      const found = met.find(({ state }) => wrong.includes(state));
      const volts = `${plainNumber(found?.volts ?? 0)} V`;
      const most = `${plainNumber(supply.volts.max)} V`;
      switch (found?.state) {
        case "reversed":
          return [finding("supply-reversed", [device(each.id)], { device: each.name, volts })];
        case "wrong-kind":
          return [
            anotherKind([device(each.id)], supply, {
              device: each.name,
              where: "its cores",
              given: `${volts} ${supply.kind === "dc" ? "AC" : "DC"}`,
              remedy: asPlanned,
            }),
          ];
        case "over":
          return [
            finding("voltage-over", [device(each.id)], {
              device: each.name,
              volts,
              most,
              reason: "As it is wired it gets more than it bears: it overheats or is destroyed.",
              remedy: asPlanned,
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
export function shortFindings(
  at: Installation,
  devices: readonly SiteDevice[],
  readings: Readings,
  wires: readonly Wire[],
): Finding[] {
  return at.board.rails.flatMap((rail): Finding[] => {
    const measured = readings.rails[partKey(railPart(rail.id))]?.volts ?? rail.volts;
    if (measured >= shortUnder * rail.volts) return [];
    const poles = new Set([...rail.plus, ...rail.minus].map((id) => nodeKey(terminalNode(id))));
    const cores = wires.filter((wire) => poles.has(nodeKey(wire.to)) || poles.has(nodeKey(wire.from)));
    const owners = cores.flatMap(({ from }) => (from.kind === "pin" ? [from.device] : []));
    return [
      finding("rail-shorted", [{ kind: "rail", id: rail.id }, ...[...new Set(owners)].map(device)], {
        rail: rail.label,
        through: listed([...new Set(cores.map((wire) => seatText(wire.from, devices)))].slice(0, 6)),
      }),
    ];
  });
}
