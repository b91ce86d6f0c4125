import { movingThing, type BoardProfile } from "../../board/index.ts";
import { coreColourNames } from "../../device/index.ts";
import type { Subject } from "../../finding/index.ts";
import type { StateEffect } from "../../job/index.ts";
import { nodeWord, terminalIn } from "../../node/index.ts";
import { seatText, supplyName, type Core, type LinkPlan, type SiteDevice } from "../../wiring/index.ts";
import { count, listed, plainNumber } from "../../quantity/index.ts";
import type { Planned } from "../../state/index.ts";
import type { StepDraft } from "../step.ts";

/** Terminals between which the supply stands. */
function supplyTerminals({ poles }: BoardProfile["supply"]): string[] {
  const { live, neutral, l1, l2, l3, a, b, plus, minus } = poles;
  return [live, l1, a, plus, l2, neutral, l3, b, minus].filter((id) => id !== undefined);
}

/** True where what feeds the board can kill. */
export const isMains = (board: BoardProfile) =>
  board.supply.kind === "mains" || board.supply.kind === "three-phase";

function breakerStep({ bundle }: Planned): StepDraft {
  const { board, job } = bundle;
  const where = job.survey.breaker ? ` It was surveyed as "${job.survey.breaker}".` : "";
  const subjects = supplyTerminals(board.supply).map((id) => ({ kind: "terminal" as const, id }));
  const base = {
    id: "isolate:breaker",
    station: "wire" as const,
    effects: [{ kind: "power" as const, on: false }],
    isolates: true as const,
    subjects,
  };
  if (board.supply.kind === "solar")
    return {
      ...base,
      title: "Take panel and battery off",
      says: `Cover the solar panel, unplug its lead and the battery, and hang your mark on them.${where}`,
      caution: "A panel in the sun makes voltage by itself, and a battery keeps a board and a drive alive.",
      alsoSee: ["Panel and battery are off and marked."],
    };
  return {
    ...base,
    title: "Isolate and mark the breaker",
    says: `Find the breaker of this ${movingThing(board)}, switch it off, lock it and hang your mark on it.${where}`,
    caution: "Mains kills. Where your licence or local code does not allow this work, stop and call who may.",
    alsoSee: ["The breaker is off, locked and marked."],
  };
}

/** The terminals of the supply, and earth: between no two of them there may be a voltage. */
function deadPoints({ supply }: BoardProfile): string[] {
  const { earth } = supply.poles;
  return [...supplyTerminals(supply), ...(earth === undefined ? [] : [`earth ${earth}`])];
}

function proveDeadStep({ bundle: { board } }: Planned): StepDraft {
  const terminals = supplyTerminals(board.supply);
  const points = deadPoints(board);
  const pairs = points.flatMap((from, at) => points.slice(at + 1).map((to) => `${from} to ${to}`));
  const between = pairs.length > 1 ? `between every two of ${listed(points)}` : pairs.join();
  return {
    id: "isolate:prove-dead",
    station: "wire",
    title: "Disconnect the battery, prove dead",
    says: `Unplug any battery. Prove your tester on a known source, measure ${between}, prove the tester again.`,
    caution: "A battery keeps a board and a drive alive. A pulled power plug is a reset, not an isolation.",
    effects: [],
    alsoSee: [`0 V between every pair of ${isMains(board) ? "mains" : "supply"} terminals. All lamps dark.`],
    ifNot:
      "A voltage here means another feed: a second breaker, a battery, or a swapped neutral. Do not go on.",
    isolates: true,
    readings: pairs.map((quantity) => ({
      quantity,
      unit: "V",
      most: 0.5,
      source: "dead means no voltage; half a volt allows for the instrument",
    })),
    subjects: terminals.map((id) => ({ kind: "terminal", id })),
  };
}

function isolationSteps(planned: Planned): StepDraft[] {
  return [
    breakerStep(planned),
    proveDeadStep(planned),
    {
      id: "as-found",
      station: "wire",
      title: "Note everything as found",
      says: "Photograph the board. Check the noted links, switches and dials against what you see, under Survey, before anything is moved.",
      effects: [],
      alsoSee: ["Every link, switch and dial stands as noted under Survey."],
      ifNot: "Correct the notes under Survey first. Nobody remembers afterwards how the switches stood.",
      subjects: [],
    },
  ];
}

function linkStep(link: LinkPlan): StepDraft {
  const out = link.planned === "out";
  const name = link.between.join("–");
  return {
    id: `link:${link.id}:${link.planned}`,
    station: "wire",
    title: `Link ${name} ${link.planned}`,
    says: out ? `Take link ${name} out and keep it.` : `Put link ${name} in.`,
    link: link.id,
    effects: [{ kind: "link", id: link.id, to: link.planned }],
    alsoSee: [out ? `${name} is free. ${link.why}` : `${name} is bridged. ${link.why}`],
    subjects: [
      { kind: "link", id: link.id },
      ...link.between.map((id) => ({ kind: "terminal" as const, id })),
    ],
  };
}

/** A core and its seat as they are told aloud: by the name of its colour, not by its letters. */
function coreSpoken({ colour, pinLabel, to }: Core, devices: readonly SiteDevice[]): string {
  return `${coreColourNames[colour]} (${pinLabel}) ${to.kind === "joint" ? "into" : "to"} ${seatText(to, devices)}`;
}

/** Terminals of the board that these cores go to. */
const terminalSubjects = (cores: readonly Core[]): Subject[] =>
  cores.flatMap(({ to }): Subject[] => {
    const id = terminalIn(to);
    return id === undefined ? [] : [{ kind: "terminal", id }];
  });

/** The effect of landing cores. */
const landed = (cores: readonly Core[]): StateEffect => ({
  kind: "land",
  cores: cores.map((core) => core.id),
  pins: cores.flatMap(({ from }) => (from.kind === "pin" ? [from] : [])),
});

/** A battery is joined once the board has power and its rails are measured; a solar board lives on it, and has it last. */
const isBattery = (device: SiteDevice) =>
  device.profile.provides.some((rail) => rail.feeds.includes("battery"));

/** The battery, joined after the first power-up. */
export function batterySteps(planned: Planned): StepDraft[] {
  if (planned.bundle.board.supply.kind === "solar") return [];
  return coreSteps(planned, isBattery).map((step) => ({
    ...step,
    station: "power-up",
    title: step.title.replace(/^Wire/, "Connect"),
    caution: "From now on pulling the mains no longer isolates: the battery keeps board and drive alive.",
    needs: [{ powered: true }],
  }));
}

function coreSteps({ wiring }: Planned, which: (device: SiteDevice) => boolean): StepDraft[] {
  return wiring.devices.filter(which).flatMap((device) =>
    device.profile.parts.flatMap((part): StepDraft[] => {
      const cores = wiring.cores.filter((core) => core.device === device.id && core.part === part.id);
      if (!cores.length) return [];
      const cable = cores[0]?.cable;
      const run = cable ? `, ${plainNumber(cable.lengthM)} m of ${plainNumber(cable.sizeMm2, 2)} mm²` : "";
      // What its sheet asks for is said once, with its first part.
      const notes = part === device.profile.parts[0] ? device.profile.wiring : [];
      const name = device.profile.parts.length > 1 ? `${device.name}, ${part.label}` : device.name;
      return [
        {
          id: `wire:${device.id}:${part.id}:${cores.map((core) => `${core.pin}>${nodeWord(core.to)}`).join(",")}`,
          station: "wire",
          title: `Wire ${name}`,
          says: [`Land ${count(cores.length, "core")} of ${name}${run}.`, ...notes].join(" "),
          ...(device.profile.keyed
            ? {
                caution:
                  "Join and part it only while the system has no power: under power it strikes an arc.",
              }
            : {}),
          spoken: `Land ${name}: ${listed(cores.map((core) => coreSpoken(core, wiring.devices)))}.`,
          cores: cores.map((core) => core.id),
          effects: [landed(cores)],
          alsoSee: ["Every core holds when pulled gently, no bare copper outside the clamps."],
          ifNot:
            "Where a colour differs from the list, the pin decides: find it with a tester and note what you found.",
          subjects: [{ kind: "device", id: device.id }, ...terminalSubjects(cores)],
        },
      ];
    }),
  );
}

function inletStep({ bundle: { board }, wiring }: Planned): StepDraft[] {
  const inlet = wiring.cores.filter((core) => core.device === undefined);
  if (!inlet.length) return [];
  const name = supplyName[board.supply.kind].toLowerCase();
  const volts = listed(board.supply.volts.map((each) => plainNumber(each))).replace(" and ", " or ");
  const selector = board.supply.selector;
  const set = selector ? ` First check that ${selector} stands for the supply at hand.` : "";
  const mains = isMains(board);
  return [
    {
      id: `wire:mains:${inlet.map((core) => nodeWord(core.to)).join(",")}`,
      station: "wire",
      title: `Land the ${name} last`,
      says: mains
        ? `Land the locked-off ${name}. Keep it apart from every other core.${set}`
        : `Land the cores of the ${name}, + and − each on its own.${set}`,
      spoken: `Land the ${name}: ${listed(inlet.map((core) => coreSpoken(core, wiring.devices)))}.`,
      caution: mains
        ? `${volts} V goes here. Extra-low-voltage cores never share its gland or conduit.`
        : "Check + and − before they are landed: swapped, the board does not start, or is damaged.",
      cores: inlet.map((core) => core.id),
      effects: [landed(inlet)],
      alsoSee: [
        mains
          ? "The spur has a gland of its own and its cover is on."
          : "Every core sits on the pole it is named for.",
      ],
      subjects: terminalSubjects(inlet),
    },
  ];
}

/** Isolate, note, links out, cores, links in, mains last. */
export function wireSteps(planned: Planned): StepDraft[] {
  const moves = planned.wiring.links.filter((link) => link.found !== link.planned);
  return [
    ...isolationSteps(planned),
    ...moves.filter((link) => link.planned === "out").map(linkStep),
    ...coreSteps(planned, (device) => !isBattery(device)),
    ...moves.filter((link) => link.planned === "in").map(linkStep),
    ...inletStep(planned),
    ...(planned.bundle.board.supply.kind === "solar" ? coreSteps(planned, isBattery) : []),
  ];
}
