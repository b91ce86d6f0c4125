import { currentText, railText, type BoardProfile } from "../../board/index.ts";
import { suppliedWith, type DeviceContact } from "../../device/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { listed, plainNumber } from "../../quantity/index.ts";
import { a } from "./explain.ts";
import { anotherKind } from "./another-kind.ts";
import { anotherVoltage } from "./another-voltage.ts";
import { madeRails, type Demand, type SiteDevice } from "./demand.ts";
import { contactMisfit, placesFor, supplyMisfit } from "./fit.ts";
import type { Placement } from "./place.ts";
import { feedRings } from "./rings.ts";
import { relayLack, relayPlaces, relaysOf } from "./relay.ts";
import { roomFor } from "./room.ts";

function senseText({ senses, ohms }: Pick<DeviceContact, "senses" | "ohms">): string {
  if (senses === "resistor") return `an end resistor of ${plainNumber((ohms ?? 0) / 1_000)} kΩ`;
  return senses === "pulse" ? "the pulses of an optical edge" : "a plain contact";
}

/** What else the board could do about it, or what to choose instead. */
type Remedy = (demand: Demand) => string;

function contactFinding(
  board: BoardProfile,
  demand: Extract<Demand, { kind: "contact" }>,
  placements: readonly Placement[],
  remedy: Remedy,
): Finding {
  const { device, contact } = demand;
  const subjects = [{ kind: "device" as const, id: device.id }];
  const unplaced = (reason: string, input?: string) =>
    finding("device-unplaced", input ? [...subjects, { kind: "input", id: input }] : subjects, {
      device: device.name,
      part: `${contact.duty.replaceAll("-", " ")} contact`,
      reason,
      remedy: remedy(demand),
    });
  const misfit = (why: ReturnType<typeof contactMisfit>) =>
    board.inputs.find((input) => contactMisfit(input, contact, board, device.leaf) === why);
  const fits = misfit(undefined);
  if (fits) {
    const users = placements.flatMap(({ demand: other, place }) =>
      place?.kind === "input" && place.input.id === fits.id ? [other.device.name] : [],
    );
    return unplaced(
      `${fits.label} (${fits.terminal}) is taken by ${listed(users)}, and what it looks for cannot be shared.`,
      fits.id,
    );
  }
  const wrongRest = misfit("rest");
  if (wrongRest && contact.rest === "open")
    return finding(
      "open-contact-on-closed-input",
      [...subjects, { kind: "input", id: wrongRest.id }, { kind: "terminal", id: wrongRest.terminal }],
      { device: device.name, input: `${wrongRest.label} (${wrongRest.terminal})` },
    );
  const wrongSense = misfit("sense");
  if (wrongSense)
    return unplaced(
      `${wrongSense.label} (${wrongSense.terminal}) looks for ${senseText(wrongSense)}; this one gives ${senseText(contact)}.`,
      wrongSense.id,
    );
  return unplaced(
    wrongRest
      ? `${wrongRest.label} wants a contact that rests open, this one rests closed.`
      : `No input of ${board.name} takes ${a(contact.duty)} contact.`,
  );
}

/** Relays that could switch it and switch others, in a sentence; undefined where none could. */
function relayTaken(
  board: BoardProfile,
  demand: Extract<Demand, { kind: "supply" }>,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
): string | undefined {
  const able = relayPlaces(board, demand, madeRails(devices)).flatMap(relaysOf);
  const taken = placements.flatMap(({ demand: { device }, place }) =>
    place?.kind === "relay" && relaysOf(place).some(({ output }) => able.some((use) => use.output === output))
      ? [{ device: device.name, relays: relaysOf(place).map(({ output }) => output.label) }]
      : [],
  );
  if (!taken.length) return undefined;
  const used = new Set(taken.flatMap((each) => each.relays));
  const relays = board.outputs.flatMap(({ label }) => (used.has(label) ? [label] : []));
  return `${listed(relays)} ${relays.length > 1 ? "are" : "is"} taken by ${listed(taken.map((each) => each.device))}.`;
}

function supplyFinding(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  demand: Extract<Demand, { kind: "supply" }>,
  placements: readonly Placement[],
  remedy: Remedy,
): Finding {
  const { device, supply, duties } = demand;
  const subjects = [{ kind: "device" as const, id: device.id }];
  const made = madeRails(devices.filter(({ id }) => id !== device.id)).map(({ name, rail }) => ({
    ...rail,
    label: `${name}, output`,
  }));
  const outputs = [...board.rails, ...made];
  const wanted = suppliedWith(supply);
  const wrongKind = outputs.find((output) => supplyMisfit(output, supply, duties) === "kind");
  if (wrongKind && wrongKind.kind === "ac" && supply.kind === "dc") {
    const given = currentText(wrongKind);
    return anotherKind([...subjects, { kind: "rail", id: wrongKind.id }], supply, {
      device: device.name,
      where: wrongKind.label,
      given,
      // What a board switches to its motor is no supply that a converter could stand on.
      remedy: demand.duty.startsWith("drive")
        ? `Choose a drive for ${given}, or a board for this one.`
        : `Put a converter between them that carries ${plainNumber(supply.milliamps.working)} mA, or choose a device for ${given}.`,
    });
  }
  const near = wrongKind ?? outputs.find((output) => supplyMisfit(output, supply, duties) === "volts");
  return finding("device-unplaced", subjects, {
    device: device.name,
    part: "supply",
    reason:
      relayTaken(board, demand, devices, placements) ??
      relayLack(board, demand, madeRails(devices)) ??
      (near
        ? `It wants ${wanted}, and ${railText(near)} is what there is.`
        : `No output of ${board.name} is free for it.`),
    remedy: remedy(demand),
  });
}

function sourceFinding(
  board: BoardProfile,
  demand: Extract<Demand, { kind: "source" }>,
  placements: readonly Placement[],
): Finding {
  const { device, source, inlet } = demand;
  const at = inlet === "battery" ? board.battery : board.solar;
  if (at && ![at.volts].flat().includes(source.volts)) return anotherVoltage(device, source.volts, at);
  const there = placements.find(({ place }) => place?.kind === "inlet" && place.inlet === inlet);
  const what = inlet === "battery" ? "battery" : "solar panel";
  return finding("device-unplaced", [{ kind: "device", id: device.id }], {
    device: device.name,
    part: inlet,
    reason: at
      ? `${at.plus} and ${at.minus} take one ${what}, and ${there?.demand.device.name ?? "another"} is on them.`
      : `${board.name} has no terminals for a ${what}.`,
    remedy: at ? "Leave one of the two out." : "Leave it out, or choose a board that has them.",
  });
}

/** Traps 20, 39 and 42, and every other demand without a place: why, and what would make room. */
export function unplacedFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  fitted: readonly string[],
): Finding[] {
  const made = madeRails(devices);
  const demands = placements.map(({ demand }) => demand);
  const rings = feedRings(demands, made);
  const remedy: Remedy = (demand) =>
    roomFor(board, demand, made, fitted) ??
    "Choose a board with such a terminal, a card that adds one, or another device.";
  return placements.flatMap(({ demand, place }): Finding[] => {
    if (place) return [];
    const ring = rings.get(demand.device.id);
    if (demand.kind === "supply" && ring && placesFor(demand, board, made).length)
      return [
        finding(
          "converters-in-a-ring",
          [...ring].map((id) => ({ kind: "device" as const, id })),
          {
            devices: listed(devices.filter(({ id }) => ring.has(id)).map(({ name }) => name)),
          },
        ),
      ];
    switch (demand.kind) {
      case "contact":
        return [contactFinding(board, demand, placements, remedy)];
      case "supply":
        return [supplyFinding(board, devices, demand, placements, remedy)];
      case "source":
        return [sourceFinding(board, demand, placements)];
      case "listen":
        return [
          finding("device-unplaced", [{ kind: "device", id: demand.device.id }], {
            device: demand.device.name,
            part: `${demand.listen.to} pair`,
            reason: `No ${demand.listen.to} output of ${board.name} is free for it.`,
            remedy: remedy(demand),
          }),
        ];
    }
  });
}
