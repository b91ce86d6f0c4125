import { bothLeaves, leafName } from "../../board/index.ts";
import type { SiteDevice } from "../../wiring/index.ts";
import type { Planning } from "../site/index.ts";
import { kinds, onlyOf, type FaultKind, type TwinFault } from "./kinds.ts";

/** A fault that this installation can have, by what is wrong and where. */
export interface FaultChoice {
  /** What is wrong: "A core is broken". */
  what: string;
  /** Where: "Beam, road side: BN (contact a)"; empty where there is but one place. */
  where: string;
  fault: TwinFault;
}

/** What can be chosen from: devices, links and leaves as they are called on the job. */
interface Site {
  devices: readonly Pick<SiteDevice, "id" | "name" | "profile">[];
  links: readonly { id: string; between: readonly string[] }[];
  /** What each leaf that moves is called. */
  leaves: Partial<Record<"first" | "second", string>>;
  /** True on a board that has a battery with a panel, on three phases, with a lock. */
  has: { sun: boolean; phases: boolean; lock: boolean };
}

type Devices = Site["devices"];

/** Every device that can have such a fault. */
const onDevices = (devices: Devices, kind: keyof typeof onlyOf): [string, TwinFault][] =>
  devices
    .filter(
      ({ profile }) =>
        (onlyOf[kind] as readonly string[]).includes(profile.kind) && profile.contacts.length > 0,
    )
    .map(({ id, name }) => [name, { kind, device: id }]);

/** Where a fault of each kind can be, and what it is then; kinds that take a number take an ordinary one. */
const places: Record<FaultKind, (site: Site) => [where: string, fault: TwinFault][]> = {
  "core-off": ({ devices }) =>
    devices.flatMap(({ id, name, profile }) =>
      profile.pins.map((pin): [string, TwinFault] => [
        `${name}: ${pin.core} (${pin.label})`,
        { kind: "core-off", device: id, pin: pin.id },
      ]),
    ),
  // Where it sits instead is a matter of the wire list.
  "core-elsewhere": () => [],
  "link-in": ({ links }) =>
    links.map(({ id, between }) => [between.join("–"), { kind: "link-in", link: id }]),
  "link-out": ({ links }) =>
    links.map(({ id, between }) => [between.join("–"), { kind: "link-out", link: id }]),
  "contact-stuck": ({ devices }) =>
    devices.flatMap(({ id, name, profile }) =>
      profile.contacts.flatMap((contact): [string, TwinFault][] => [
        [
          `${name}: as if ${contact.tripped}`,
          { kind: "contact-stuck", device: id, contact: contact.id, tripped: true },
        ],
        [
          `${name}: never tells that ${contact.tripped}`,
          { kind: "contact-stuck", device: id, contact: contact.id, tripped: false },
        ],
      ]),
    ),
  "beam-off-line": ({ devices }) => onDevices(devices, "beam-off-line"),
  "beam-battery-empty": ({ devices }) => onDevices(devices, "beam-battery-empty"),
  "edge-cut": ({ devices }) => onDevices(devices, "edge-cut"),
  "loop-holds": ({ devices }) => onDevices(devices, "loop-holds"),
  "loop-blind": ({ devices }) => onDevices(devices, "loop-blind"),
  "phases-turned": ({ has }) => (has.phases ? [["", { kind: "phases-turned" }]] : []),
  "phase-lost": ({ has }) => (has.phases ? [["", { kind: "phase-lost" }]] : []),
  "selector-wrong": ({ has }) => (has.phases ? [["", { kind: "selector-wrong" }]] : []),
  "motor-reversed": (site) => onLeaves(site, (leaf) => ({ kind: "motor-reversed", leaf })),
  "dry-hinge": (site) => onLeaves(site, (leaf) => ({ kind: "dry-hinge", leaf })),
  "bent-leaf": (site) => onLeaves(site, (leaf) => ({ kind: "bent-leaf", leaf })),
  wind: (site) =>
    Object.keys(site.leaves).length
      ? [
          ["12 m/s", { kind: "wind", metresPerSecond: 12 }],
          ["20 m/s", { kind: "wind", metresPerSecond: 20 }],
        ]
      : [],
  slope: (site) => onLeaves(site, (leaf) => ({ kind: "slope", leaf, rise: 0.04 })),
  "weak-spring": ({ leaves }) => (leaves.first ? [["", { kind: "weak-spring" }]] : []),
  "slack-belt": (site) => onLeaves(site, (leaf) => ({ kind: "slack-belt", leaf })),
  "limit-slipped": (site) => [
    ...onLeaves(site, (leaf) => ({ kind: "limit-slipped", leaf, end: "open", part: -0.12 }), "open"),
    ...onLeaves(site, (leaf) => ({ kind: "limit-slipped", leaf, end: "closed", part: -0.12 }), "closed"),
  ],
  "lock-misses": ({ has }) => (has.lock ? [["", { kind: "lock-misses" }]] : []),
  "panel-reversed": ({ has }) => (has.sun ? [["", { kind: "panel-reversed" }]] : []),
};

function onLeaves(
  { leaves }: Site,
  fault: (leaf: "first" | "second") => TwinFault,
  end = "",
): [string, TwinFault][] {
  return bothLeaves.flatMap((leaf): [string, TwinFault][] => {
    const name = leaves[leaf];
    return name === undefined ? [] : [[[name, end].filter(Boolean).join(", "), fault(leaf)]];
  });
}

/** A job's site, by what can be wrong with it. */
function siteOf({ bundle: { board, job }, wiring: { devices } }: Planning): Site {
  const [first, second] = job.survey.leaves;
  const name = (leaf: typeof first) => leaf && leafName(board, leaf.id);
  return {
    ...{ devices, links: board.links },
    leaves: Object.fromEntries(
      Object.entries({ first: name(first), second: name(second) }).filter(([, each]) => each !== undefined),
    ),
    has: {
      sun: board.supply.kind === "solar" || devices.some(({ profile }) => profile.kind === "supply"),
      phases: board.supply.kind === "three-phase",
      lock: devices.some(({ profile }) => profile.kind === "lock"),
    },
  };
}

/** Every single fault that an installation can have, kind by kind; those that it has no place for are left out. */
export function faultChoices(planning: Planning): FaultChoice[] {
  const site = siteOf(planning);
  return (Object.keys(kinds) as FaultKind[]).flatMap((kind) =>
    places[kind](site).map(([where, fault]) => ({ what: kinds[kind].text, where, fault })),
  );
}
