import { contactPart, partKey, type ContactPart, type Node, type PartKey } from "../node/index.ts";
import type { Installation } from "./installation.ts";
import { measureCircuit } from "./measure.ts";
import { readCircuit, type Element } from "./read.ts";

/** One thing gone wrong in an otherwise sound installation. */
export type Fault =
  | { kind: "wire-off"; wire: string }
  | { kind: "link-missing" | "link-left-in"; link: string }
  | { kind: "contact-tripped" | "contact-stuck"; contact: ContactPart };

/** The installation with this one fault in it. */
export function withFault(at: Installation, fault: Fault): Installation {
  const links = new Set(at.linksIn);
  const tripped = new Set(at.tripped);
  switch (fault.kind) {
    case "wire-off":
      return { ...at, wires: at.wires.filter((wire) => wire.id !== fault.wire) };
    case "link-missing":
      links.delete(fault.link);
      return { ...at, linksIn: links };
    case "link-left-in":
      links.add(fault.link);
      return { ...at, linksIn: links };
    case "contact-tripped":
      tripped.add(partKey(fault.contact));
      return { ...at, tripped };
    case "contact-stuck":
      tripped.delete(partKey(fault.contact));
      return { ...at, tripped };
  }
}

const contactsOf = (at: Installation) =>
  at.devices.flatMap(({ id, profile }) =>
    profile.contacts.map(({ id: contact, rest }) => ({ contact: contactPart(id, contact), rest })),
  );

/** Every single fault there can be; slow, and the truth that `faultsThatFlip` is checked against. */
export function everyFault(at: Installation): Fault[] {
  return [
    ...contactsOf(at).map(({ contact }): Fault => ({
      kind: at.tripped.has(partKey(contact)) ? "contact-stuck" : "contact-tripped",
      contact,
    })),
    ...at.board.links.map((link): Fault => ({
      kind: at.linksIn.has(link.id) ? "link-missing" : "link-left-in",
      link: link.id,
    })),
    ...at.wires.map((wire): Fault => ({ kind: "wire-off", wire: wire.id })),
  ];
}

const deviceOf = (node: Node) => (node.kind === "pin" ? node.device : undefined);

/**
 * The faults that could open a closed loop: of what stands in it, and of the cores of the devices in it. Anything else
 * leaves the loop as it is.
 */
function openingFaults(at: Installation, loop: readonly Element[]): Fault[] {
  const inLoop = new Set<PartKey>(loop.map(partKey));
  const linksInLoop = new Set(loop.flatMap((element) => (element.kind === "link" ? [element.link] : [])));
  const fed = new Set<string | undefined>([
    ...loop.flatMap((element) => (element.kind === "contact" ? [element.device] : [])),
    ...at.devices.filter((device) => device.profile.provides.length).map((device) => device.id),
  ]);
  const feeders = new Set(
    at.wires.filter((wire) => fed.has(deviceOf(wire.from)) || fed.has(deviceOf(wire.to))).map(({ id }) => id),
  );
  return everyFault(at).filter((fault) => {
    switch (fault.kind) {
      case "wire-off":
        return feeders.has(fault.wire);
      case "link-missing":
      case "link-left-in":
        return linksInLoop.has(fault.link);
      case "contact-tripped":
      case "contact-stuck":
        return inLoop.has(partKey(fault.contact));
    }
  });
}

/** The faults that could close an open loop: a link left in, or a contact that closes. A core that is off closes nothing. */
function closingFaults(at: Installation): Fault[] {
  const restsOpen = new Set(
    contactsOf(at).flatMap(({ contact, rest }) => (rest === "open" ? [partKey(contact)] : [])),
  );
  return everyFault(at).filter(
    (fault) =>
      fault.kind === "link-left-in" ||
      (fault.kind === "contact-stuck" && !restsOpen.has(partKey(fault.contact))) ||
      (fault.kind === "contact-tripped" && restsOpen.has(partKey(fault.contact))),
  );
}

/** The single faults after which this input would read the other way than it does now. */
export function faultsThatFlip(at: Installation, input: string): Fault[] {
  const now = readCircuit(at).inputs[input];
  if (!now) return [];
  const candidates = now.closed ? openingFaults(at, now.loop) : closingFaults(at);
  // What has no power reads nothing, whatever is wrong with it.
  const flips = (fault: Fault) =>
    at.powered && measureCircuit(withFault(at, fault)).inputs[input]?.closed !== now.closed;
  return candidates.filter(flips);
}
