import { isRecord, migrateDocument, type Migration } from "../finding/index.ts";
import { pinNode, poleNode, jointNode, terminalNode, type Node } from "../node/index.ts";

/** Poles of a supply; in the first format their cores stood under a device named "mains". */
const poles = ["live", "neutral", "earth", "l1", "l2", "l3", "a", "b", "plus", "minus"];

/** A place of the first format: "board/F3", "joint/J1" or "converter/out-plus". */
function nodeFrom(text: string): Node {
  const [owner = "", id = ""] = text.split("/");
  if (owner === "board") return terminalNode(id);
  if (owner === "joint") return jointNode(id);
  return owner === "mains" && poles.includes(id) ? poleNode(id) : pinNode(owner, id);
}

/** The id of a planned core that brings the board its supply. */
export const spurCoreId = (pole: string, terminal: string): string => `spur ${pole}>${terminal}`;

/** A core's id of the first format, "gate-eye.r-a>F3", with the pin it begins at; a supply's core begins at none. */
function landedFrom(id: string): { core: string; pin?: Node } {
  const [head = "", target = ""] = id.split(">");
  const [device = "", pin = ""] = head.split(".");
  if (device === "mains" && poles.includes(pin)) return { core: spurCoreId(pin, target) };
  return { core: id, pin: pinNode(device, pin) };
}

function upgradeMove(move: unknown): unknown {
  if (!isRecord(move)) return move;
  const { pin, to } = move;
  return {
    ...move,
    pin: typeof pin === "string" ? nodeFrom(pin) : pin,
    to: typeof to === "string" && to !== "off" ? nodeFrom(to) : to,
  };
}

const upgradeMoves = (moves: unknown) => (Array.isArray(moves) ? moves.map(upgradeMove) : moves);

function upgradeEffect(effect: unknown): unknown {
  if (!isRecord(effect)) return effect;
  if (effect.kind === "move") return { ...effect, moves: upgradeMoves(effect.moves) };
  if (effect.kind !== "land" || effect.pins !== undefined || !Array.isArray(effect.cores)) return effect;
  const landed = effect.cores.map((id) => landedFrom(String(id)));
  return {
    ...effect,
    cores: landed.map(({ core }) => core),
    pins: landed.flatMap(({ pin }) => pin ?? []),
  };
}

/**
 * A log entry as it is written today, from one of any earlier day; a log is only ever added to, so its entries are
 * brought up to date as they are read. What is no entry comes back as it is, for the schema to refuse.
 */
export function upgradeEntry(entry: unknown): unknown {
  if (!isRecord(entry)) return entry;
  if (entry.kind === "wired") return { ...entry, moves: upgradeMoves(entry.moves) };
  if (entry.kind !== "step" || !Array.isArray(entry.effects)) return entry;
  // Once a step asked for one reading at most.
  const { reading, ...rest } = entry;
  return {
    ...rest,
    effects: entry.effects.map(upgradeEffect),
    ...(reading === undefined ? {} : { readings: [reading] }),
  };
}

/** Places in the circuit became tagged values, which only a log held: a device may now be called "board", "joint" or "mains". */
const second: Migration = {
  from: "anvilcloud/job@1",
  to: "anvilcloud/job@2",
  up: (bundle) => bundle,
};

/** A job as it is written today: one word for two manners of the step command became two. */
export function upgradeJob(job: unknown): unknown {
  if (!isRecord(job) || !isRecord(job.wishes) || job.wishes["command-logic"] !== "step-by-step") return job;
  return { ...job, wishes: { ...job.wishes, "command-logic": "open-stop-close-stop" } };
}

const third: Migration = {
  from: "anvilcloud/job@2",
  to: "anvilcloud/job@3",
  up: (bundle) => ({ ...bundle, job: upgradeJob(bundle.job) }),
};

/** A bundle of any earlier format as the newest one; anything else as it is, for the schema to refuse. */
export function migrateBundle(document: unknown): unknown {
  const bundle = migrateDocument(document, [second, third]);
  if (!isRecord(bundle) || !Array.isArray(bundle.log)) return bundle;
  return { ...bundle, log: bundle.log.map(upgradeEntry) };
}
