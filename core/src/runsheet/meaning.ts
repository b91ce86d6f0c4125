import { faultsThatFlip, type Fault } from "../circuit/index.ts";
import type { Subject } from "../finding/index.ts";
import { listed } from "../quantity/index.ts";
import type { Step } from "./step.ts";
import { circuitKey } from "./face.ts";
import { installationOf, type BenchState, type Planned } from "./state.ts";

/** What it may mean when a step did not show what it should, with the places to look. */
export interface Meaning {
  text: string;
  subjects: Subject[];
}

function faultMeaning(planned: Planned, fault: Fault): Meaning | undefined {
  const { board } = planned.bundle;
  if (fault.kind === "link-missing" || fault.kind === "link-left-in") {
    const link = board.links.find((each) => each.id === fault.id);
    if (!link) return undefined;
    const text =
      fault.kind === "link-missing"
        ? `Link ${link.between.join("–")} is missing.`
        : `Link ${link.between.join("–")} is in and bridges the input.`;
    return { text, subjects: [{ kind: "link", id: link.id }] };
  }
  const [deviceId, contactId] = fault.id.split("/");
  const device = planned.wiring.devices.find((each) => each.id === deviceId);
  const contact = device?.profile.contacts.find((each) => each.id === contactId);
  if (!device || !contact) return undefined;
  const text =
    fault.kind === "contact-tripped"
      ? `${device.name}: ${contact.tripped}${contact.supply && contact.rest === "closed" ? ", or it is out of line" : ""}.`
      : `${device.name} does not trip: the contact sticks, or the device does not sense.`;
  return { text, subjects: [{ kind: "device", id: device.id }] };
}

/** Loose cores, told together for each device. */
function looseCores(planned: Planned, faults: readonly Fault[]): Meaning[] {
  const ids = new Set(faults.filter((fault) => fault.kind === "wire-off").map((fault) => fault.id));
  return planned.wiring.devices.flatMap((device): Meaning[] => {
    const cores = planned.wiring.cores.filter((core) => core.device === device.id && ids.has(core.id));
    if (!cores.length) return [];
    const places = listed(cores.map((core) => `${core.colour} at ${core.target}`));
    return [
      {
        text: `A core of ${device.name} is off: ${places}.`,
        subjects: [
          { kind: "device", id: device.id },
          ...cores
            .filter((core) => !core.joint)
            .map((core) => ({ kind: "terminal" as const, id: core.target })),
        ],
      },
    ];
  });
}

/** Faults found before, for each plan by circuit and input: the four situations of a proof share one circuit. */
const found = new WeakMap<Planned["wiring"], Map<string, Fault[]>>();

function faultsFor(planned: Planned, state: BenchState, input: string): Fault[] {
  const byKey = found.get(planned.wiring) ?? new Map<string, Fault[]>();
  found.set(planned.wiring, byKey);
  const key = `${input} ${circuitKey(state)}`;
  const faults =
    byKey.get(key) ?? faultsThatFlip(installationOf(planned.bundle.board, planned.wiring, state), input);
  byKey.set(key, faults);
  return faults;
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
    .flatMap((lamp) => lamp.shows.flatMap((row) => row.when.closed ?? row.when.open ?? []));
  const faults = [...new Set(inputs)].flatMap((input) => faultsFor(planned, step.during, input));
  const told = faults.flatMap((fault) => faultMeaning(planned, fault) ?? []);
  const distinct = [...new Map(told.map((meaning) => [meaning.text, meaning])).values()];
  return [...said, ...distinct, ...looseCores(planned, faults)];
}
