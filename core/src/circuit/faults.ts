import type { Installation } from "./installation.ts";
import { readCircuit, type Element } from "./read.ts";

/** One thing gone wrong in an otherwise sound installation. */
export interface Fault {
  kind: "wire-off" | "link-missing" | "link-left-in" | "contact-tripped" | "contact-stuck";
  id: string;
}

/** The installation with this one fault in it. */
export function withFault(at: Installation, fault: Fault): Installation {
  const links = new Set(at.linksIn);
  const tripped = new Set(at.tripped);
  switch (fault.kind) {
    case "wire-off":
      return { ...at, wires: at.wires.filter((wire) => wire.id !== fault.id) };
    case "link-missing":
      links.delete(fault.id);
      return { ...at, linksIn: links };
    case "link-left-in":
      links.add(fault.id);
      return { ...at, linksIn: links };
    case "contact-tripped":
      tripped.add(fault.id);
      return { ...at, tripped };
    case "contact-stuck":
      tripped.delete(fault.id);
      return { ...at, tripped };
  }
}

/** Every single fault there can be; slow, and the truth that `faultsThatFlip` is checked against. */
export function everyFault(at: Installation): Fault[] {
  const contacts = at.devices.flatMap((device) =>
    device.profile.contacts.map((contact) => `${device.id}/${contact.id}`),
  );
  return [
    ...contacts.map((id): Fault => ({ kind: at.tripped.has(id) ? "contact-stuck" : "contact-tripped", id })),
    ...at.board.links.map((link): Fault => ({
      kind: at.linksIn.has(link.id) ? "link-missing" : "link-left-in",
      id: link.id,
    })),
    ...at.wires.map((wire): Fault => ({ kind: "wire-off", id: wire.id })),
  ];
}

const deviceOf = (id: string) => id.slice(0, id.indexOf("/"));

/**
 * The faults that could open a closed loop: of what stands in it, and of what feeds the devices in it. Anything else
 * leaves the loop as it is.
 */
function openingFaults(at: Installation, loop: readonly Element[]): Fault[] {
  const inLoop = new Set(loop.map((element) => `${element.kind} ${element.id}`));
  const feeders = at.devices.filter((device) => device.profile.provides.length).map((device) => device.id);
  const fed = new Set([
    ...loop.flatMap((each) => (each.kind === "contact" ? [deviceOf(each.id)] : [])),
    ...feeders,
  ]);
  return everyFault(at).filter((fault) => {
    if (fault.kind === "wire-off") {
      const wire = at.wires.find((each) => each.id === fault.id);
      return (
        inLoop.has(`wire ${fault.id}`) ||
        (wire && (fed.has(deviceOf(wire.from)) || fed.has(deviceOf(wire.to))))
      );
    }
    return inLoop.has(`${fault.kind.startsWith("link") ? "link" : "contact"} ${fault.id}`);
  });
}

/** The faults that could close an open loop: a link left in, or a contact that closes. A core that is off closes nothing. */
function closingFaults(at: Installation): Fault[] {
  const restsOpen = new Set(
    at.devices.flatMap((device) =>
      device.profile.contacts.filter((each) => each.rest === "open").map((each) => `${device.id}/${each.id}`),
    ),
  );
  return everyFault(at).filter(
    (fault) =>
      fault.kind === "link-left-in" ||
      (fault.kind === "contact-stuck" && !restsOpen.has(fault.id)) ||
      (fault.kind === "contact-tripped" && restsOpen.has(fault.id)),
  );
}

/** The single faults after which this input would read the other way than it does now. */
export function faultsThatFlip(at: Installation, input: string): Fault[] {
  const now = readCircuit(at).inputs[input];
  if (!now) return [];
  const candidates = now.closed ? openingFaults(at, now.loop) : closingFaults(at);
  return candidates.filter((fault) => readCircuit(withFault(at, fault)).inputs[input]?.closed !== now.closed);
}
