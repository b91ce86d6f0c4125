import { inputAsked } from "../board/index.ts";
import { faultsThatFlip, type Fault } from "../circuit/index.ts";
import type { Subject } from "../finding/index.ts";
import { terminalIn, type ContactPart } from "../node/index.ts";
import { listed } from "../quantity/index.ts";
import { installationOf, type Planned } from "../state/index.ts";
import { seatText } from "../wiring/index.ts";
import type { Step } from "./step.ts";

/** What it may mean when a step did not show what it should, with the places to look. */
export interface Meaning {
  text: string;
  subjects: Subject[];
}

function linkMeaning({ bundle: { board } }: Planned, id: string, leftIn: boolean): Meaning | undefined {
  const link = board.links.find((each) => each.id === id);
  if (!link) return undefined;
  const name = link.between.join("–");
  const text = leftIn ? `Link ${name} is in and bridges the input.` : `Link ${name} is missing.`;
  return { text, subjects: [{ kind: "link", id }] };
}

function contactMeaning({ wiring }: Planned, part: ContactPart, sticks: boolean): Meaning | undefined {
  const device = wiring.devices.find((each) => each.id === part.device);
  const contact = device?.profile.contacts.find((each) => each.id === part.contact);
  if (!device || !contact) return undefined;
  const outOfLine = contact.supply && contact.rest === "closed" ? ", or it is out of line" : "";
  const text = sticks
    ? `${device.name} does not trip: the contact sticks, or the device does not sense.`
    : `${device.name}: ${contact.tripped}${outOfLine}.`;
  return { text, subjects: [{ kind: "device", id: device.id }] };
}

/** What one fault is called; loose cores are gathered by device instead. */
function faultMeaning(planned: Planned, fault: Fault): Meaning | undefined {
  switch (fault.kind) {
    case "wire-off":
      return undefined;
    case "link-missing":
    case "link-left-in":
      return linkMeaning(planned, fault.link, fault.kind === "link-left-in");
    case "contact-tripped":
    case "contact-stuck":
      return contactMeaning(planned, fault.contact, fault.kind === "contact-stuck");
  }
}

/** Loose cores, gathered by device. */
function looseCores(planned: Planned, faults: readonly Fault[]): Meaning[] {
  const ids = new Set(faults.flatMap((fault) => (fault.kind === "wire-off" ? [fault.wire] : [])));
  return planned.wiring.devices.flatMap((device): Meaning[] => {
    const cores = planned.wiring.cores.filter((core) => core.device === device.id && ids.has(core.id));
    if (!cores.length) return [];
    const places = listed(
      cores.map((core) => `${core.colour} at ${seatText(core.to, planned.wiring.devices)}`),
    );
    return [
      {
        text: `A core of ${device.name} is off: ${places}.`,
        subjects: [
          { kind: "device", id: device.id },
          ...cores.flatMap(({ to }): Subject[] => {
            const id = terminalIn(to);
            return id === undefined ? [] : [{ kind: "terminal", id }];
          }),
        ],
      },
    ];
  });
}

/**
 * What it means when the step did not show what it should: every single fault put into the model that would turn an
 * expected lamp the other way, and what the profile says of this step.
 */
export function stepMeanings(planned: Planned, step: Step): Meaning[] {
  const { board } = planned.bundle;
  const said: Meaning[] = step.ifNot ? [{ text: step.ifNot, subjects: step.subjects }] : [];
  if (!step.during.powered) return said;
  const lamps = step.see.flatMap((seen) => (seen.kind === "lamp" ? [seen.lamp] : []));
  const inputs = board.lamps
    .filter((lamp) => lamps.includes(lamp.id))
    .flatMap((lamp) => lamp.shows.flatMap(({ when }) => inputAsked(when) ?? []));
  const at = installationOf(board, planned.wiring, step.during);
  const faults = [...new Set(inputs)].flatMap((input) => faultsThatFlip(at, input));
  const meanings = faults.flatMap((fault) => faultMeaning(planned, fault) ?? []);
  const distinct = [...new Map(meanings.map((meaning) => [meaning.text, meaning])).values()];
  return [...said, ...distinct, ...looseCores(planned, faults)];
}
