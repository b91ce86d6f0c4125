import { terminalsOf, type BoardProfile, type Subject } from "@anvilcloud/core";

/** What a subject is, in words, for the line under the bench. */
export function partText(board: BoardProfile, subject: Subject): string {
  const terminal = terminalsOf(board).find((each) => subject.kind === "terminal" && each.id === subject.id);
  if (terminal)
    return `${terminal.id} · ${terminal.block.label} · ${terminal.label} · holds ${terminal.holds}`;
  if (subject.kind === "link")
    return `Link ${board.links.find((link) => link.id === subject.id)?.between.join("–") ?? ""}`;
  if (subject.kind === "dial")
    return `Dial ${board.dials.find((dial) => dial.id === subject.id)?.label ?? ""}`;
  if (subject.kind === "key") {
    const key = board.keys.find((each) => each.id === subject.id);
    return `Key ${key?.label ?? ""}${key?.outside ? `. ${key.outside}` : ""}`;
  }
  if (subject.kind === "lamp")
    return `Lamp ${board.lamps.find((lamp) => lamp.id === subject.id)?.label ?? ""}`;
  if (subject.kind === "switch") {
    const setting = board.settings.find((each) => each.switches.includes(subject.id));
    return `Switch ${subject.id}${setting ? ` · ${setting.label}` : ""}`;
  }
  return "";
}
