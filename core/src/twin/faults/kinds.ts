import { z } from "zod";
import type { Installation } from "../../circuit/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { bothLeaves, idSchema } from "../../board/index.ts";
import { contactPart, nodeKey, partKey, pinNode, terminalNode, type PartKey } from "../../node/index.ts";
import type { Sits } from "../../wiring/index.ts";
import type { Which } from "../brain/index.ts";
import type { Hung } from "../plant/index.ts";

const leaf = z.enum(bothLeaves);
const end = z.enum(["open", "closed"]);
const device = idSchema;

/** What a fault makes of an installation: all that holds of it for as long as it is there. */
export interface Wrong {
  wired: Installation;
  sits: Sits;
  readonly stuck: Map<PartKey, boolean>;
  readonly hung: Record<Which, Hung>;
  readonly leaves: Record<Which, { turned: boolean; grip?: number }>;
  readonly slipped: { leaf: Which; end: "open" | "closed"; part: number }[];
  /** Parts of the board's volts that reach it, its phases turned or one of them lost. */
  feeds: { volts: number; turned: boolean };
  /** A solar panel gives nothing. */
  sunless: boolean;
  /** A lock's bolt does not meet its plate. */
  unlatched: boolean;
}

const pinWires = ({ wires }: Installation, of: string, pin: string) =>
  wires.filter(({ from }) => from.kind === "pin" && from.device === of && from.pin === pin);

const without = (at: Installation, gone: Installation["wires"]): Installation => ({
  ...at,
  wires: at.wires.filter((wire) => !gone.includes(wire)),
});

const profileOf = (at: Installation, of: string): DeviceProfile | undefined =>
  at.devices.find(({ id }) => id === of)?.profile;

/** Every contact of a device stays as it is. */
function sticks({ wired, stuck }: Wrong, of: string, tripped: boolean): void {
  for (const { id } of profileOf(wired, of)?.contacts ?? []) stuck.set(partKey(contactPart(of, id)), tripped);
}

/** Adds to how a leaf is hung; to both where none is named. */
function hangs({ hung }: Wrong, which: Which | undefined, how: Hung): void {
  for (const each of which === undefined ? bothLeaves : [which]) hung[each] = { ...hung[each], ...how };
}

/** One kind of fault: what a file says of it, what it is called, and what it makes of the installation. */
const row = <Shape extends z.ZodRawShape>(
  shape: Shape,
  text: string,
  makes: (wrong: Wrong, fault: z.output<z.ZodObject<Shape>>) => void,
) => ({ schema: z.strictObject(shape), text, makes });

/** Every fault that can be put into a twin and taken out of it again. */
export const kinds = {
  "core-off": row({ device, pin: idSchema }, "A core is broken", (wrong, { device: of, pin }) => {
    wrong.wired = without(wrong.wired, pinWires(wrong.wired, of, pin));
  }),
  "core-elsewhere": row(
    { device, pin: idSchema, terminal: z.string().min(1).max(12) },
    "A core sits on another terminal",
    (wrong, { device: of, pin, terminal }) => {
      const seat = terminalNode(terminal);
      const own = pinWires(wrong.wired, of, pin);
      const node = pinNode(of, pin);
      // One that nothing is planned for is put there.
      const put = own.length ? [] : [{ id: `${of} ${pin} elsewhere`, from: node, to: seat }];
      wrong.wired = {
        ...wrong.wired,
        wires: [
          ...wrong.wired.wires.map((wire) => (own.includes(wire) ? { ...wire, to: seat } : wire)),
          ...put,
        ],
      };
      wrong.sits = { ...wrong.sits, [nodeKey(node)]: { pin: node, seat } };
    },
  ),
  "link-in": row({ link: idSchema }, "A link was left in", (wrong, { link }) => {
    wrong.wired = { ...wrong.wired, linksIn: new Set([...wrong.wired.linksIn, link]) };
  }),
  "link-out": row({ link: idSchema }, "A link is missing", (wrong, { link }) => {
    const linksIn = new Set(wrong.wired.linksIn);
    linksIn.delete(link);
    wrong.wired = { ...wrong.wired, linksIn };
  }),
  "contact-stuck": row(
    { device, contact: idSchema, tripped: z.boolean() },
    "A contact is stuck",
    ({ stuck }, { device: of, contact, tripped }) => stuck.set(partKey(contactPart(of, contact)), tripped),
  ),
  "beam-off-line": row({ device }, "A beam is out of line", (wrong, { device: of }) =>
    sticks(wrong, of, true),
  ),
  "beam-battery-empty": row({ device }, "The battery of a beam's sender is empty", (wrong, { device: of }) =>
    sticks(wrong, of, true),
  ),
  "edge-cut": row({ device }, "The line of an edge is cut", (wrong, { device: of }) => {
    const pins = profileOf(wrong.wired, of)?.contacts.map(({ pins: [first] }) => first) ?? [];
    wrong.wired = without(
      wrong.wired,
      pins.flatMap((pin) => pinWires(wrong.wired, of, pin)),
    );
  }),
  "loop-holds": row({ device }, "A loop finds a vehicle where none is", (wrong, { device: of }) =>
    sticks(wrong, of, true),
  ),
  "loop-blind": row({ device }, "A loop finds no vehicle", (wrong, { device: of }) =>
    sticks(wrong, of, false),
  ),
  "phases-turned": row({}, "Two phases of the supply are exchanged", (wrong) => {
    wrong.feeds = { ...wrong.feeds, turned: !wrong.feeds.turned };
  }),
  "phase-lost": row({}, "A phase of the supply is missing", (wrong) => {
    wrong.feeds = { ...wrong.feeds, volts: 0 };
  }),
  "selector-wrong": row({}, "The supply selector stands for the higher voltage", (wrong) => {
    // A winding in star on what it would take in delta: one part in the root of three.
    wrong.feeds = { ...wrong.feeds, volts: wrong.feeds.volts / Math.sqrt(3) };
  }),
  "motor-reversed": row({ leaf }, "A drive is mounted the other way round", ({ leaves }, { leaf: of }) => {
    leaves[of].turned = !leaves[of].turned;
  }),
  "dry-hinge": row(
    { leaf, wear: z.number().min(1).max(100).default(12) },
    "Hinges or rollers are dry",
    (wrong, { leaf: of, wear }) => hangs(wrong, of, { wear }),
  ),
  "bent-leaf": row(
    { leaf, at: z.number().min(0).max(1).default(0.5), part: z.number().min(0).max(2).default(0.3) },
    "A leaf is bent and rubs at one place",
    (wrong, { leaf: of, at, part }) => hangs(wrong, of, { rubs: { at, part } }),
  ),
  wind: row(
    { metresPerSecond: z.number().min(-40).max(40) },
    "Wind blows on the closed leaf",
    (wrong, { metresPerSecond }) => hangs(wrong, undefined, { windMetresPerSecond: metresPerSecond }),
  ),
  slope: row(
    { leaf: leaf.optional(), rise: z.number().min(-0.2).max(0.2) },
    "The way rises toward open",
    (wrong, { leaf: of, rise }) => hangs(wrong, of, { slope: rise }),
  ),
  "weak-spring": row(
    { part: z.number().min(0).max(1.2).default(0.6) },
    "Springs carry less of the weight",
    (wrong, { part }) => hangs(wrong, undefined, { springs: part }),
  ),
  "slack-belt": row(
    { leaf: leaf.default("first"), grip: z.number().min(0).max(1).default(0.12) },
    "A belt is slack and slips",
    ({ leaves }, { leaf: of, grip }) => {
      leaves[of].grip = grip;
    },
  ),
  "limit-slipped": row(
    { leaf: leaf.default("first"), end, part: z.number().min(-0.5).max(0.5) },
    "A magnet or cam has slipped",
    ({ slipped }, { leaf: of, end: which, part }) => slipped.push({ leaf: of, end: which, part }),
  ),
  "lock-misses": row({}, "A lock's bolt misses its plate", (wrong) => {
    wrong.unlatched = true;
  }),
  "panel-reversed": row({}, "A solar panel is connected the wrong way round", (wrong) => {
    wrong.sunless = true;
  }),
} as const;

type Kinds = typeof kinds;
export type FaultKind = keyof Kinds;

const beams: readonly DeviceProfile["kind"][] = ["photocell", "sensor"];
const loops: readonly DeviceProfile["kind"][] = ["loop", "loop-detector"];

/** Faults that only some kinds of device can have. */
export const onlyOf = {
  "beam-off-line": beams,
  "beam-battery-empty": beams,
  "edge-cut": ["edge"],
  "loop-holds": loops,
  "loop-blind": loops,
} as const satisfies Partial<Record<FaultKind, readonly DeviceProfile["kind"][]>>;

/** Something wrong with an installation, by its kind: `{ kind: "wind", metresPerSecond: 18 }`. */
export type TwinFault = {
  [Kind in FaultKind]: { kind: Kind } & (keyof Kinds[Kind]["schema"]["shape"] extends never
    ? unknown
    : z.input<Kinds[Kind]["schema"]>);
}[FaultKind];

/** A fault as a file says it. */
export const faultSchema = z.discriminatedUnion(
  "kind",
  Object.entries(kinds).map(([kind, { schema, text }]) =>
    z.strictObject({ kind: z.literal(kind), ...schema.shape }).describe(`${text}.`),
  ) as never,
) as unknown as z.ZodType<TwinFault, unknown>;

/** What a fault is called. */
export const faultText = ({ kind }: TwinFault): string => kinds[kind].text;
