import {
  canSet,
  commonTerminals,
  type BoardInput,
  type BoardProfile,
  type LoadDuty,
  type Rail,
} from "../../board/index.ts";
import type { DeviceContact, DeviceSupply } from "../../device/index.ts";
import type { LeafId } from "../../job/index.ts";
import { pinsOf, sensingWord, type Demand, type MadeRail, type Output, type Place } from "./demand.ts";
import { relayPlaces, switchedTerminal } from "./relay.ts";

type Feed = Pick<Rail, "kind" | "volts"> & { feeds: readonly string[]; third?: readonly string[] };

/** Why this output cannot feed this supply; undefined when it can. */
export function supplyMisfit(
  feed: Feed,
  supply: DeviceSupply,
  duties: readonly LoadDuty[],
): "duty" | "kind" | "volts" | "poles" | undefined {
  if (!duties.some((duty) => feed.feeds.includes(duty))) return "duty";
  if (supply.kind !== "either" && supply.kind !== feed.kind) return "kind";
  if (feed.volts < supply.volts.min || feed.volts > supply.volts.max) return "volts";
  return supply.pins.third !== undefined && !feed.third ? "poles" : undefined;
}

/** Why this input cannot take this contact; undefined when it can. */
export function contactMisfit(
  input: BoardInput,
  contact: DeviceContact,
  board: BoardProfile,
  leaf?: LeafId,
): "duty" | "leaf" | "sense" | "rest" | undefined {
  if (!input.takes.includes(contact.duty)) return "duty";
  if (input.leaves && leaf && !input.leaves.includes(leaf)) return "leaf";
  if (input.contact !== contact.rest) return "rest";
  return senseFits(input, contact, board) ? undefined : "sense";
}

/** True when the input looks for what the contact gives, or can be set to. */
function senseFits(input: BoardInput, contact: DeviceContact, board: BoardProfile): boolean {
  if (input.setBy.includes("edge-sensing") && canSet(board, "edge-sensing", sensingWord(contact)))
    return contact.ohms === undefined || contact.ohms === input.ohms;
  return input.senses === (contact.senses ?? "contact") && input.ohms === contact.ohms;
}

function inletPlaces({ battery, solar }: BoardProfile, inlet: "battery" | "panel"): Place[] {
  const at = inlet === "battery" ? battery : solar;
  if (!at) return [];
  return [{ kind: "inlet", inlet, plus: at.plus, minus: at.minus, volts: [at.volts].flat() }];
}

/** A place that can meet a demand, and how far it is from the one made for it: 0 is that one. */
export interface RankedPlace {
  place: Place;
  rank: number;
}

/** Every place that can meet the demand. */
export function placesFor(demand: Demand, board: BoardProfile, made: readonly MadeRail[]): RankedPlace[] {
  switch (demand.kind) {
    case "contact":
      return board.inputs
        .filter((input) => !contactMisfit(input, demand.contact, board, demand.device.leaf))
        .map((input) => ({
          place: { kind: "input", input },
          rank: input.takes.indexOf(demand.contact.duty),
        }));
    case "listen":
      return board.outputs
        .filter((output) => output.kind === demand.listen.to && output.terminals.length > 1)
        .map((output) => ({ place: { kind: "output", output }, rank: 0 }));
    case "source":
      return inletPlaces(board, demand.inlet)
        .filter((place) => place.kind === "inlet" && place.volts.includes(demand.source.volts))
        .map((place) => ({ place, rank: 0 }));
    case "supply":
      return supplyPlaces(demand, board, made);
  }
}

function supplyPlaces(
  { device, supply, duty, duties }: Extract<Demand, { kind: "supply" }>,
  board: BoardProfile,
  made: readonly MadeRail[],
): RankedPlace[] {
  const rails = board.rails.length;
  const rankOf = (rail: Rail) =>
    Math.min(...duties.map((each) => rail.feeds.indexOf(each)).filter((at) => at >= 0));
  return [
    ...board.rails
      .filter((rail) => !supplyMisfit(rail, supply, duties))
      .map((rail) => ({ place: { kind: "rail", rail } as const, rank: rankOf(rail) })),
    ...made
      .filter((each) => each.device !== device.id && !supplyMisfit(each.rail, supply, duties))
      .map((each) => ({ place: { kind: "made", made: each } as const, rank: rails })),
    ...relayPlaces(board, { device, supply, duty }, made).map((place) => ({ place, rank: rails + 1 })),
  ];
}

const outputEnds = ({ terminals }: Output): [string[], string[]] => [[terminals[0]!], [terminals[1]!]];

/** The terminals each pin of the demand may go to at this place, pin by pin; a made rail has none. */
export function terminalsAt(
  demand: Demand,
  place: Place,
  board: BoardProfile,
): [pin: string, terminals: string[]][] {
  if (place.kind === "made") return [];
  if (demand.kind === "contact") {
    if (place.kind !== "input") return [];
    const [one, other] = demand.contact.pins;
    const own = [place.input.terminal];
    const common = commonTerminals(board, place.input);
    const swapped = [one, other].some((pin, at) =>
      (at ? own : common).some((terminal) => terminal === demand.device.pinned?.[pin]),
    );
    return swapped
      ? [
          [one, common],
          [other, own],
        ]
      : [
          [one, own],
          [other, common],
        ];
  }
  if (demand.kind === "listen") {
    const [plus, minus] = place.kind === "output" ? outputEnds(place.output) : [[], []];
    return [
      [demand.listen.pins[0], plus],
      [demand.listen.pins[1], minus],
    ];
  }
  const { plus, minus, third } =
    demand.kind === "source" ? { ...demand.source.pins, third: undefined } : demand.supply.pins;
  if (place.kind === "inlet")
    return [
      [plus, [place.plus]],
      [minus, [place.minus]],
    ];
  if (place.kind === "relay") {
    const ends: [string, string[]][] = [[plus, [switchedTerminal(place)]]];
    if (third !== undefined && place.third) ends.push([third, [switchedTerminal(place.third)]]);
    return place.feed.kind === "rail" ? [...ends, [minus, place.feed.rail.minus]] : ends;
  }
  if (place.kind !== "rail") return [];
  const extra =
    third !== undefined && place.rail.third ? [[third, place.rail.third] as [string, string[]]] : [];
  return [[plus, place.rail.plus], [minus, place.rail.minus], ...extra];
}

/** True when every pin that is wanted somewhere can go there at this place. */
export function honoursPins(demand: Demand, place: Place, board: BoardProfile): boolean {
  const { pinned } = demand.device;
  if (!pinned) return true;
  const ends = terminalsAt(demand, place, board);
  const wanted = ends.filter(([pin]) => pinned[pin] !== undefined);
  if (place.kind === "made") return !pinsOf(demand).some((pin) => pinned[pin] !== undefined);
  return wanted.every(([pin, terminals]) => terminals.includes(pinned[pin]!));
}
