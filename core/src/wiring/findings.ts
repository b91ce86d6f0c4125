import { lampOfInput, terminalsOf, type BoardProfile } from "../board/index.ts";
import type { DeviceContact } from "../device/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { count, listed, plainNumber } from "../quantity/index.ts";
import type { Core } from "./cores.ts";
import { contactMisfit, madeRails, supplyMisfit, type Demand, type SiteDevice } from "./demand.ts";
import type { Placement } from "./place.ts";

function senseText({ senses, ohms }: Pick<DeviceContact, "senses" | "ohms">): string {
  if (senses === "resistor") return `an end resistor of ${plainNumber((ohms ?? 0) / 1_000)} kΩ`;
  return senses === "pulse" ? "the pulses of an optical edge" : "a plain contact";
}

function contactFinding(board: BoardProfile, demand: Extract<Demand, { kind: "contact" }>): Finding {
  const { device, contact } = demand;
  const subjects = [{ kind: "device" as const, id: device.id }];
  const wrongRest = board.inputs.find(
    (input) => contactMisfit(input, contact, board, device.leaf) === "rest",
  );
  if (wrongRest && contact.rest === "open")
    return finding(
      "open-contact-on-closed-input",
      [...subjects, { kind: "input", id: wrongRest.id }, { kind: "terminal", id: wrongRest.terminal }],
      { device: device.name, input: `${wrongRest.label} (${wrongRest.terminal})` },
    );
  const wrongSense = board.inputs.find(
    (input) => contactMisfit(input, contact, board, device.leaf) === "sense",
  );
  if (wrongSense)
    return finding("device-unplaced", [...subjects, { kind: "input", id: wrongSense.id }], {
      device: device.name,
      part: `${contact.duty} contact`,
      reason: `${wrongSense.label} (${wrongSense.terminal}) looks for ${senseText(wrongSense)}; this one gives ${senseText(contact)}.`,
    });
  return finding("device-unplaced", subjects, {
    device: device.name,
    part: `${contact.duty} contact`,
    reason: wrongRest
      ? `${wrongRest.label} wants a contact that rests open, this one rests closed.`
      : `No input of ${board.name} takes a ${contact.duty} contact.`,
  });
}

function supplyFinding(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  demand: Extract<Demand, { kind: "supply" }>,
): Finding {
  const { device, supply, duty } = demand;
  const subjects = [{ kind: "device" as const, id: device.id }];
  const made = madeRails(devices).map(({ device: maker, rail }) => ({ ...rail, label: `${maker}, output` }));
  const outputs = [...board.rails, ...made];
  const wanted = `${supply.volts.min === supply.volts.max ? "" : `${plainNumber(supply.volts.min)} to `}${plainNumber(supply.volts.max)} V ${supply.kind.toUpperCase()}`;
  const wrongKind = outputs.find((output) => supplyMisfit(output, supply, duty) === "kind");
  if (wrongKind && wrongKind.kind === "ac" && supply.kind === "dc")
    return finding("ac-on-dc", [...subjects, { kind: "rail", id: wrongKind.id }], {
      device: device.name,
      wanted,
      rail: wrongKind.label,
      given: `${plainNumber(wrongKind.volts)} V AC`,
      milliamps: `${plainNumber(supply.milliamps.working)} mA`,
    });
  const near = wrongKind ?? outputs.find((output) => supplyMisfit(output, supply, duty) === "volts");
  return finding("device-unplaced", subjects, {
    device: device.name,
    part: "supply",
    reason: near
      ? `It wants ${wanted}, and ${near.label} gives ${plainNumber(near.volts)} V ${near.kind.toUpperCase()}.`
      : `No output of ${board.name} is free for it.`,
  });
}

/** Contacts that share an input, and what is lost by it. */
function chainFindings(board: BoardProfile, placements: readonly Placement[]): Finding[] {
  return board.inputs.flatMap((input): Finding[] => {
    const users = placements.flatMap(({ demand, place }) =>
      demand.kind === "contact" && place?.kind === "input" && place.input.id === input.id
        ? [demand.device]
        : [],
    );
    if (users.length < 2 || input.contact !== "closed") return [];
    return [
      finding(
        "contacts-chained",
        [{ kind: "input", id: input.id }, ...users.map((user) => ({ kind: "device" as const, id: user.id }))],
        {
          devices: listed(users.map((user) => user.name)),
          input: `${input.label} (${input.terminal})`,
          lamp: lampOfInput(board, input.id)?.label ?? "the lamp",
        },
      ),
    ];
  });
}

function crowdFindings(board: BoardProfile, cores: readonly Core[]): Finding[] {
  return terminalsOf(board).flatMap((terminal): Finding[] => {
    const held = cores.filter((core) => core.to === `board/${terminal.id}`).length;
    if (held <= terminal.holds) return [];
    return [
      finding("terminal-crowded", [{ kind: "terminal", id: terminal.id }], {
        terminal: terminal.id,
        cores: count(held, "core"),
        holds: String(terminal.holds),
      }),
    ];
  });
}

/** Traps 20 and 39, what has no place and why, what is chained, and which terminals are crowded. */
export function placementFindings(
  board: BoardProfile,
  devices: readonly SiteDevice[],
  placements: readonly Placement[],
  cores: readonly Core[],
): Finding[] {
  const missing = placements
    .filter(({ place }) => !place)
    .map(({ demand }) =>
      demand.kind === "contact" ? contactFinding(board, demand) : supplyFinding(board, devices, demand),
    );
  return [...missing, ...chainFindings(board, placements), ...crowdFindings(board, cores)];
}
