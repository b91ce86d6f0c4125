import {
  currentText,
  givesBeside,
  type BoardInput,
  type BoardProfile,
  type Rail,
} from "../../board/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import { pinsOf, type Demand, type Place, type RelayPlace } from "./demand.ts";
import { honoursPins } from "./fit.ts";
import { limitsOf } from "./limit.ts";
import { misled, testedBy } from "./preference.ts";
import { feedGives } from "./relay.ts";

/** A demand with the place found for it, before the reason is given. */
export interface Placed {
  demand: Demand;
  place: Place | undefined;
}

/** What a contact is for, with its article: "an exit loop", "a photocell". */
export const a = (duty: string): string =>
  `${/^[aeiou]/.test(duty) ? "an" : "a"} ${duty.replaceAll("-", " ")}`;

const isPinned = ({ device }: Demand, pins: readonly string[]) =>
  pins.some((pin) => device.pinned?.[pin] !== undefined);

function sharers(input: BoardInput, demand: Demand, placed: readonly Placed[]): string[] {
  return placed.flatMap(({ demand: other, place }) =>
    other !== demand && place?.kind === "input" && place.input.id === input.id ? [other.device.name] : [],
  );
}

function inputReason(
  demand: Extract<Demand, { kind: "contact" }>,
  input: BoardInput,
  board: BoardProfile,
  placed: readonly Placed[],
): string {
  const { duty } = demand.contact;
  const others = sharers(input, demand, placed);
  const made = input.takes[0] === duty;
  const use = made
    ? `made for ${a(duty)} contact`
    : `made for ${a(input.takes[0]!)} contact, and takes ${a(duty)} contact too`;
  const better = made
    ? []
    : board.inputs.filter(
        (each) => each.id !== input.id && each.takes[0] === duty && each.contact === input.contact,
      );
  const taken = better.length
    ? `; ${listed(better.map(({ label }) => label))} ${better.length > 1 ? "are" : "is"} taken or does not fit`
    : "";
  const shared = others.length
    ? `, shared with ${listed(others)} ${input.contact === "closed" ? "in series" : "in parallel"}, as no input is left for each`
    : ", its own";
  const sender = placed.find(
    (each) =>
      each.demand.kind === "supply" &&
      each.demand.device === demand.device &&
      each.demand.supply.id === demand.contact.test,
  );
  const tested = sender?.place && testedBy({ kind: "input", input }, sender.place);
  const line = input.test !== undefined && demand.contact.test !== undefined && !sender;
  const test = tested || line ? "; the board can test it there" : "";
  return `${input.label} (${input.terminal}): ${use}${taken}${shared}${test}.`;
}

function railReason(
  demand: Extract<Demand, { kind: "supply" }>,
  rail: Rail,
  placed: readonly Placed[],
): string {
  const at = { kind: "rail" as const, rail };
  const [limit] = limitsOf(at);
  const users = placed.filter(({ place }) => place && limitsOf(place)[0] === limit && limit !== undefined);
  const milliamps = users.reduce(
    (sum, { demand: each }) => sum + (each.kind === "supply" ? each.supply.milliamps.working : 0),
    0,
  );
  const most = rail.limitMilliamps;
  const carries = most === undefined ? [] : [`${plainNumber(milliamps)} of ${plainNumber(most)} mA with it`];
  const when =
    rail.live === "always"
      ? "always on"
      : `on while ${rail.live === "not-closed" ? "not closed" : rail.live}`;
  const wrong = misled(demand, at) ? "; no rail that lives as it must was left" : "";
  return `${rail.label}: ${[...givesBeside(rail), when, ...carries].join(", ")}${wrong}.`;
}

function relayReason({ output, third, feed, rests }: RelayPlace): string {
  const by = third ? `${output.label} and ${third.output.label} switch it` : `${output.label} switches it`;
  const how = rests ? " by its resting contact, so that it lives until the relay pulls in" : "";
  return `${by}${how}, fed from ${feedGives(feed).label}: no terminal of the board feeds it by itself.`;
}

function reason({ demand, place }: Placed, board: BoardProfile, placed: readonly Placed[]): string {
  switch (place?.kind) {
    case undefined:
      return "No place for it.";
    case "input":
      return demand.kind === "contact" ? inputReason(demand, place.input, board, placed) : "";
    case "rail":
      return demand.kind === "supply" ? railReason(demand, place.rail, placed) : "";
    case "made":
      return `${place.made.name} makes ${currentText(place.made.rail)} for it, which no terminal of the board gives.`;
    case "relay":
      return relayReason(place);
    case "output":
      return `${place.output.label}: ${place.output.task ?? "the output made for it"}.`;
    case "inlet":
      return `${place.inlet === "battery" ? "The battery" : "The panel"} goes to ${place.plus} and ${place.minus}.`;
  }
}

/** Why each demand sits where it does, in a sentence. */
export function explain(board: BoardProfile, placed: readonly Placed[]): string[] {
  return placed.map((each) => {
    const { demand, place } = each;
    const why = reason(each, board, placed);
    return place && isPinned(demand, pinsOf(demand)) && honoursPins(demand, place, board)
      ? `Where it was wanted. ${why}`
      : why;
  });
}
