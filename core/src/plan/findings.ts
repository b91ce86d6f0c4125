import {
  actWord,
  conditionHolds,
  deliveredCards,
  theLeaf,
  movingThing,
  type BoardInput,
  type BoardProfile,
} from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { listed, plainNumber, sentence } from "../quantity/index.ts";
import { plannedCircumstances, type Planned } from "../state/index.ts";
import { plannedBehaviours } from "./settings-findings.ts";

/** A job whose devices have their places. */
type Placed = Pick<Planned, "bundle" | "wiring">;

/** What a protection does on this input as it will be set: whether it acts on the closing movement at all. */
function guardsClosing(planned: Planned, input: BoardInput): boolean {
  const ask = plannedCircumstances(planned);
  if (input.off && plannedBehaviours(planned)[input.off.behaviour] === input.off.is) return false;
  const row = input.reactions.find(({ when }) => conditionHolds(when, ask));
  return row === undefined ? input.guards.includes("closing") : actWord(row.closing) !== "ignore";
}

/** Why nothing guards the closing movement; undefined where something does. */
function unguarded(planned: Planned): string | undefined {
  const { bundle, wiring } = planned;
  const duties = ["photocell", "high-beam", "edge", "threshold-sensor"];
  const guards = wiring.placements.flatMap(({ demand, place }) =>
    demand.kind === "contact" && place?.kind === "input" && duties.includes(demand.contact.duty)
      ? [{ name: demand.device.name, input: place.input }]
      : [],
  );
  if (guards.some(({ input }) => guardsClosing(planned, input))) return undefined;
  const cards = bundle.job.cards ?? deliveredCards(bundle.board);
  const heard = bundle.board.cards.filter(({ id }) => cards.includes(id)).map(({ kind }) => kind);
  const radio = wiring.devices.some(
    ({ profile }) => profile.radio?.guards.includes("closing") && heard.includes(profile.radio.card),
  );
  if (radio) return undefined;
  const idle = [...new Set(guards.map(({ name }) => name))];
  return idle.length ? `${listed(idle)} will not act while it closes` : "there is no protection";
}

/** Trap 30: closing by itself, as it will be set or by the board's own nature, with nothing that guards the closing movement. */
function protectionFinding(planned: Planned): Finding[] {
  const { board } = planned.bundle;
  if (board.leaves === 0 || plannedBehaviours(planned)["automatic-closing"] !== true) return [];
  const reason = unguarded(planned);
  if (reason === undefined) return [];
  const thing = sentence(`the ${movingThing(board)}`);
  return [
    finding("automatic-closing-unprotected", [{ kind: "behaviour", id: "automatic-closing" }], {
      thing,
      reason,
    }),
  ];
}

function leafFindings({ bundle: { job, board }, wiring }: Placed): Finding[] {
  return job.survey.leaves.flatMap((leaf): Finding[] => {
    const driven = wiring.devices.some(
      (device) => device.profile.kind === "drive" && device.leaf === leaf.id,
    );
    const missing = [...(leaf.stopOpen ? [] : ["open"]), ...(leaf.stopClosed ? [] : ["closed"])];
    return [
      ...(driven || board.leaves === 0
        ? []
        : [
            finding("leaf-without-drive", [{ kind: "behaviour", id: "leaf-count" }], {
              leaf: sentence(theLeaf(board, leaf.id)),
            }),
          ]),
      ...(missing.length && board.limits.every((limit) => limit === "stops") && board.leaves > 0
        ? [
            finding("leaf-without-stops", [{ kind: "behaviour", id: "leaf-count" }], {
              leaf: sentence(theLeaf(board, leaf.id)),
              stop: listed(missing),
            }),
          ]
        : []),
    ];
  });
}

/** What each drive is made for, against the leaf it moves. */
function driveFindings({ bundle: { board, job }, wiring }: Placed): Finding[] {
  return wiring.devices.flatMap((device): Finding[] => {
    const leaf = job.survey.leaves.find(({ id }) => id === device.leaf);
    const { ratedMassKg, headerDepthMm } = device.profile.drives ?? {};
    if (!leaf) return [];
    const subjects = [{ kind: "device" as const, id: device.id }];
    const drive = device.name;
    const heavy = ratedMassKg !== undefined && leaf.massKg > ratedMassKg;
    const shallow = headerDepthMm !== undefined && (leaf.headerDepthMm ?? headerDepthMm) < headerDepthMm;
    return [
      ...(heavy
        ? [
            finding("leaf-too-heavy", subjects, {
              leaf: sentence(theLeaf(board, leaf.id)),
              mass: `${plainNumber(leaf.massKg)} kg`,
              drive,
              rated: `${plainNumber(ratedMassKg)} kg`,
            }),
          ]
        : []),
      ...(shallow
        ? [
            finding("header-too-shallow", subjects, {
              drive,
              needs: `${plainNumber(headerDepthMm)} mm`,
              has: `${plainNumber(leaf.headerDepthMm ?? 0)} mm`,
            }),
          ]
        : []),
    ];
  });
}

/** What of a board depends on its firmware, in words; undefined where nothing does. */
function firmwareWay({ panel, procedures }: BoardProfile): string | undefined {
  const menus = panel?.opens.some(({ firmware }) => firmware !== undefined);
  const ways = procedures
    .filter(({ firmware }) => firmware !== undefined)
    .map(({ title }) => title.toLowerCase());
  if (menus) return "the way into the menu";
  return ways.length ? listed([...new Set(ways)]) : undefined;
}

/** Trap 10, and a firmware this profile does not know. */
function firmwareFinding({ bundle: { job, board } }: Placed): Finding[] {
  const { firmware } = job.found;
  const way = firmwareWay(board);
  if (!firmware) return way === undefined ? [] : [finding("firmware-needed", [], { board: board.name, way })];
  if (board.firmware.includes(firmware)) return [];
  return [finding("firmware-unknown", [], { found: firmware, known: listed(board.firmware) })];
}

/** Trap 32: more remotes than the board keeps. */
function memoryFinding({ bundle: { board }, wiring }: Placed): Finding[] {
  const remotes = wiring.devices.filter(({ profile }) => profile.kind === "remote").length;
  const kept = board.memories.flatMap(({ holds, capacity }) =>
    holds === "remotes" && capacity !== undefined ? [capacity] : [],
  );
  const capacity = kept.reduce((sum, each) => sum + each, 0);
  if (!kept.length || remotes <= capacity) return [];
  return [
    finding("memory-full", [], { count: String(remotes), board: board.name, capacity: String(capacity) }),
  ];
}

/** Against the site and what is wanted of it: traps 10, 30 and 32, leaves without drive or stop, another firmware. */
export function siteWideFindings(planned: Planned): Finding[] {
  return [
    ...protectionFinding(planned),
    ...leafFindings(planned),
    ...driveFindings(planned),
    ...firmwareFinding(planned),
    ...memoryFinding(planned),
  ];
}
