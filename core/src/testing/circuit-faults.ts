import { contactPart, partKey, type ContactPart } from "../node/index.ts";
import type { Installation } from "../circuit/index.ts";

/** One thing gone wrong in an otherwise sound installation. */
type Fault =
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

/** Every single fault there can be. */
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
