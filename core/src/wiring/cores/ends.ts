import {
  commonTerminals,
  railText,
  type BoardInput,
  type BoardProfile,
  type ContactDuty,
} from "../../board/index.ts";
import { jointNode, pinNode, poleNode, terminalNode, type Node } from "../../node/index.ts";
import { extraLowVolts, listed } from "../../quantity/index.ts";
import {
  feedGives,
  relaysOf,
  terminalsAt,
  type Demand,
  type Place,
  type Placement,
  type RelayPlace,
  type SiteDevice,
} from "../place/index.ts";

type ContactDemand = Extract<Demand, { kind: "contact" }>;
type SupplyDemand = Extract<Demand, { kind: "supply" }>;

/** A core whose end may go to any of several terminals that are one point on the board. */
export interface LooseEnd {
  device: SiteDevice;
  pin: string;
  /** Terminals to choose from, or one node that is given. */
  terminals?: readonly string[];
  node?: Node;
  /** Where it begins when that is not the pin: a bridge in the cabinet begins at a terminal. */
  from?: Node;
  /** Terminal of the device's other core: the nearer to it the better. */
  near?: string;
  why: string;
}

/** Contacts on one input, with what is wanted on its terminal first and what is wanted on its common last. */
function contactsOn(
  placements: readonly Placement[],
  input: BoardInput,
  commons: readonly string[],
): ContactDemand[] {
  const contacts = placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && place.input.id === input.id ? [demand] : [],
  );
  const pull = ({ device, contact }: ContactDemand) => {
    const wanted = contact.pins.map((pin) => device.pinned?.[pin]);
    if (wanted.includes(input.terminal)) return -1;
    return wanted.some((terminal) => terminal !== undefined && commons.includes(terminal)) ? 1 : 0;
  };
  return contacts
    .map((each) => ({ each, by: pull(each) }))
    .sort((a, b) => a.by - b.by)
    .map(({ each }) => each);
}

/** Edges that go on at their far end: the first on the board, each next one on the far end of the one before. */
function edgeEnds(
  input: BoardInput,
  commons: string[],
  contacts: readonly ContactDemand[],
  near: string,
): LooseEnd[] {
  return contacts.flatMap(({ device, contact }, at): LooseEnd[] => {
    const before = contacts[at - 1];
    const last = at === contacts.length - 1;
    const resistor = last
      ? "its end resistor stays"
      : "its end resistor comes out, the next edge goes on there";
    const why = `${input.label}: ${contacts.length > 1 ? resistor : "its end resistor closes the loop"}`;
    if (before)
      return contact.pins.map((pin, end) => {
        const far = before.contact.through?.[end];
        return { device, pin, ...(far === undefined ? {} : { node: pinNode(before.device.id, far) }), why };
      });
    return [
      { device, pin: contact.pins[0], terminals: [input.terminal], why },
      {
        device,
        pin: contact.pins[1],
        terminals: commons,
        near,
        why: `${input.label}: back to the common`,
      },
    ];
  });
}

/** The letter of this plan's connectors: one that no block has, so that connector and terminal are never taken for one another. */
function connectorLetter(board: BoardProfile): string {
  const taken = new Set(board.blocks.map((block) => block.id));
  return [..."JQXYZUVWKHGABCDEFILMNOPRST"].find((letter) => !taken.has(letter)) ?? "JJJ";
}

function contactEnds(board: BoardProfile, placements: readonly Placement[]): LooseEnd[] {
  const ends: LooseEnd[] = [];
  const letter = connectorLetter(board);
  let joints = 0;
  for (const input of board.inputs) {
    const commons = commonTerminals(board, input);
    const contacts = contactsOn(placements, input, commons);
    const series = input.contact === "closed";
    const near = input.terminal;
    if (contacts.length && contacts.every(({ contact }) => contact.through)) {
      ends.push(...edgeEnds(input, commons, contacts, near));
      continue;
    }
    let joint: Node | undefined;
    contacts.forEach(({ device, contact }, at) => {
      const first = !series || at === 0;
      const last = !series || at === contacts.length - 1;
      const alone =
        first && last
          ? terminalsAt({ kind: "contact", device, contact }, { kind: "input", input }, board)
          : undefined;
      const [head, tail] = alone?.[0]?.[1] === commons ? [contact.pins[1], contact.pins[0]] : contact.pins;
      ends.push(
        first
          ? {
              device,
              pin: head,
              terminals: [input.terminal],
              why: `${input.label}: ${givesText(contact.duty, series)}`,
            }
          : { device, pin: head, node: joint, why: `${input.label}: in series with the device before it` },
      );
      if (!last) joint = jointNode(`${letter}${++joints}`);
      ends.push(
        last
          ? { device, pin: tail, terminals: commons, near, why: `${input.label}: back to the common` }
          : { device, pin: tail, node: joint, why: `${input.label}: on to the next device in series` },
      );
    });
    for (const { device, contact } of contacts) {
      const test = board.outputs.find((output) => output.id === input.test);
      if (test && contact.test && device.profile.pins.some((pin) => pin.id === contact.test))
        ends.push({
          device,
          pin: contact.test,
          terminals: test.terminals,
          why: `${test.label}: by this the board tests it`,
        });
    }
  }
  return ends;
}

function feedText(place: Place): string {
  switch (place.kind) {
    case "made":
      return `supply ${place.made.rail.volts} V ${place.made.rail.kind.toUpperCase()} from ${place.made.name}`;
    case "rail":
      return railText(place.rail);
    case "relay":
      return `${feedGives(place.feed).label} by way of ${listed(relaysOf(place).map(({ output }) => output.label))}`;
    case "output":
      return `${place.output.label}: ${place.output.task ?? place.output.kind}`;
    case "inlet":
      return `${place.inlet === "battery" ? "battery" : "solar panel"}, ${place.volts.join(" or ")} V DC`;
    case "input":
      return place.input.label;
  }
}

/** Everything but contacts: supplies, wake pairs, batteries and panels. */
function feedEnds(board: BoardProfile, placements: readonly Placement[]): LooseEnd[] {
  return placements.flatMap(({ demand, place }): LooseEnd[] => {
    if (demand.kind === "contact" || !place) return [];
    const { device } = demand;
    const why = feedText(place);
    if (place.kind === "made" && demand.kind === "supply") {
      const { device: maker, rail } = place.made;
      return [
        { device, pin: demand.supply.pins.plus, node: pinNode(maker, rail.pins.plus), why },
        { device, pin: demand.supply.pins.minus, node: pinNode(maker, rail.pins.minus), why },
      ];
    }
    const ends = terminalsAt(demand, place, board).map(([pin, terminals]): LooseEnd => ({
      device,
      pin,
      terminals,
      why,
    }));
    return place.kind === "relay" && demand.kind === "supply"
      ? [...ends, ...relayEnds(demand, place, why)]
      : ends;
  });
}

/** Where a pole of what feeds a relay is found: terminals to choose from, or one node. */
function feedEnd(feed: RelayPlace["feed"], pole: "plus" | "minus"): Pick<LooseEnd, "terminals" | "node"> {
  switch (feed.kind) {
    case "rail":
      return { terminals: feed.rail[pole] };
    case "made":
      return { node: pinNode(feed.made.device, feed.made.rail.pins[pole]) };
    case "spur":
      return { node: poleNode(pole === "plus" ? "live" : "neutral") };
  }
}

/** What a contact tells its input. */
function givesText(duty: ContactDuty, series: boolean): string {
  if (duty === "encoder") return "its pulses tell the way";
  if (duty.startsWith("limit")) return "its contact tells the end";
  return series ? "its contact closes the loop" : "its contact makes the command";
}

/** What a load by way of relays needs beside its own cores on the board: a bridge to each relay's common, and its other pole where no terminal of the board is that. */
function relayEnds({ device, supply }: SupplyDemand, place: RelayPlace, why: string): LooseEnd[] {
  const { label } = feedGives(place.feed);
  const pins = [supply.pins.plus, supply.pins.third ?? supply.pins.plus];
  const bridges = relaysOf(place).map(({ output }, at): LooseEnd => {
    const [common = ""] = output.terminals;
    return {
      device,
      pin: pins[at]!,
      from: terminalNode(common),
      ...feedEnd(place.feed, "plus"),
      why: `bridge from ${common} to ${label}`,
    };
  });
  if (place.feed.kind === "rail") return bridges;
  return [...bridges, { device, pin: supply.pins.minus, ...feedEnd(place.feed, "minus"), why }];
}

/** True where this place feeds more than extra-low voltage. */
function feedsMains(place: Place): boolean {
  if (place.kind !== "rail" && place.kind !== "relay") return false;
  const { kind, volts } = place.kind === "rail" ? place.rail : feedGives(place.feed);
  return volts > extraLowVolts[kind];
}

/** Devices that get more than extra-low voltage from the board. */
export const onMains = (placements: readonly Placement[]): SiteDevice[] => [
  ...new Set(placements.flatMap(({ demand, place }) => (place && feedsMains(place) ? [demand.device] : []))),
];

/** The protective earth of everything on mains, to the board's own or, where that has none, to the spur's. */
function earthEnds(board: BoardProfile, placements: readonly Placement[]): LooseEnd[] {
  const terminal = board.supply.poles.earth;
  const to = terminal === undefined ? { node: poleNode("earth") } : { terminals: [terminal] };
  return onMains(placements).flatMap((device): LooseEnd[] =>
    device.profile.earth === undefined
      ? []
      : [{ device, pin: device.profile.earth, ...to, why: "protective earth: it stands on mains" }],
  );
}

/** An end for every pin that has a place: to terminals to choose from, a connector, or another device's pin. */
export function looseEnds(board: BoardProfile, placements: readonly Placement[]): LooseEnd[] {
  return [...feedEnds(board, placements), ...earthEnds(board, placements), ...contactEnds(board, placements)];
}
