import { readCircuit, situations, measureCircuit, type Installation } from "../../circuit/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { contactPart, nodeKey, partKey, type NodeKey, type PartKey } from "../../node/index.ts";
import { listed } from "../../quantity/index.ts";
import type { SiteDevice } from "../place/index.ts";
import type { Difference } from "./difference.ts";
import { device, subjectsOf } from "./found.ts";

/** All that a board and its devices would notice: inputs and supplies in every situation, at rest and with each contact of a device tripped. */
function noticed(at: Installation, trips: readonly PartKey[]): string {
  const live = { ...at, powered: true };
  const states = [undefined, ...trips].map((trip) =>
    readCircuit({ ...live, tripped: trip === undefined ? live.tripped : new Set([...live.tripped, trip]) }),
  );
  const worked = situations.map((situation) => {
    const { supplies } = measureCircuit(live, { situation, celsius: 20 });
    return Object.entries(supplies).map(([key, { state }]) => `${key} ${state}`);
  });
  return JSON.stringify([
    states.map(({ inputs, supplies }) => [
      Object.entries(inputs).map(([id, { reads }]) => `${id} ${reads}`),
      supplies,
    ]),
    worked,
  ]);
}

/** Cores of one device that changed places with one another and work as well there, told once for the device. */
export function harmlessExchanges(
  at: Installation,
  devices: readonly SiteDevice[],
  differences: readonly Difference[],
): { codes: Finding[]; pins: Set<NodeKey> } {
  const pins = new Set<NodeKey>();
  const codes = devices.flatMap(({ id, name, profile }): Finding[] => {
    const own = differences.filter((each) => each.pin.device === id && each.planned && each.found !== "off");
    // What a motor or a source does with its leads exchanged no circuit of loads tells.
    const leads = [
      ...profile.supplies.filter(({ duty }) => duty.startsWith("drive")),
      ...profile.provides,
    ].flatMap(({ pins }) => [pins.plus, pins.minus, "third" in pins ? pins.third : undefined]);
    if (own.length < 2 || own.some(({ pin }) => leads.includes(pin.pin))) return [];
    const places = (seats: readonly (Difference["found"] | undefined)[]) =>
      seats
        .map((seat) => JSON.stringify(seat))
        .sort()
        .join();
    if (places(own.map(({ found }) => found)) !== places(own.map(({ planned }) => planned!.to))) return [];
    const moved = new Set(own.map(({ pin }) => nodeKey(pin)));
    const mended: Installation = {
      ...at,
      wires: [
        ...at.wires.filter((wire) => !moved.has(nodeKey(wire.from))),
        ...own.map(({ planned }) => planned!),
      ],
    };
    const trips = profile.contacts.map((contact) => partKey(contactPart(id, contact.id)));
    if (noticed(at, trips) !== noticed(mended, trips)) return [];
    for (const key of moved) pins.add(key);
    return [
      finding("cores-exchanged", [device(id), ...own.flatMap((each) => subjectsOf(each).slice(1, 2))], {
        device: name,
        cores: listed(own.map(({ core }) => core)),
      }),
    ];
  });
  return { codes, pins };
}
