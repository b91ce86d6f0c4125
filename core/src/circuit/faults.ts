import type { Installation } from "./installation.ts";
import { readCircuit } from "./solve.ts";

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

function everyFault(at: Installation): Fault[] {
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

/** The single faults after which this input would read the other way than it does now. */
export function faultsThatFlip(at: Installation, input: string): Fault[] {
  const now = readCircuit(at).inputs[input]?.closed;
  return everyFault(at).filter((fault) => readCircuit(withFault(at, fault)).inputs[input]?.closed !== now);
}
