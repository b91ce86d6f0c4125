import { z } from "zod";
import type { ContactDuty } from "../../board/index.ts";
import type { Contact } from "../../motion/index.ts";
import { contactPart, partKey, type PartKey } from "../../node/index.ts";
import { edgeOf, type Plant, type PlantLeaf } from "../plant/index.ts";
import { tripsContact, type Site } from "../site/index.ts";

/** Who comes: past the gate without going through, in, or out; it may stand somewhere for a while. */
export const moverSchema = z.strictObject({
  is: z.enum(["person", "vehicle"]),
  goes: z.enum(["in", "out", "past"]),
  metresPerSecond: z.number().positive().max(20).optional(),
  stands: z
    .strictObject({
      at: z.number().min(-10).max(10).describe("Its front from the gate's line, m, the way it goes."),
      seconds: z.number().positive().max(3_600),
    })
    .optional(),
});

export type Comes = z.output<typeof moverSchema>;

/** Someone or something under way, along the road through the gate: metres from its line the way it goes. */
interface Mover {
  readonly comes: Comes;
  front: number;
  stood: number;
  /** In a leaf's way, with what it is there. */
  blocks?: { leaf: PlantLeaf; contact: Contact }[];
}

/** Everyone under way on a site, and the contacts that notice them. */
export interface Traffic {
  movers: Mover[];
  readonly watches: readonly Watch[];
  readonly edges: readonly PartKey[];
}

/** A contact that is tripped while someone is in its field: from and to are metres from the gate's line, inside positive. */
interface Watch {
  key: PartKey;
  from: number;
  to: number;
  sees: readonly Comes["is"][];
}

const anyone = ["person", "vehicle"] as const;

/** Fields of what notices people and vehicles; assumed: each site has its own. */
const fields: Partial<Record<ContactDuty, Omit<Watch, "key">>> = {
  photocell: { from: -0.15, to: 0.15, sees: anyone },
  "threshold-sensor": { from: -0.4, to: 0.4, sees: anyone },
  "activation-inside": { from: 0.4, to: 2.5, sees: anyone },
  "activation-outside": { from: -2.5, to: -0.4, sees: anyone },
  exit: { from: 1, to: 4, sees: anyone },
  "exit-loop": { from: 3, to: 5, sees: ["vehicle"] },
  "interrupt-loop": { from: -1.5, to: 1.5, sees: ["vehicle"] },
  "shadow-loop": { from: 0.5, to: 4, sees: ["vehicle"] },
};

/** Sizes and speeds, and how stiff each is to a leaf, N/m and N·s/m. Assumed, 5 km/h for a person. */
const bodies = {
  person: { lengthM: 0.4, metresPerSecond: 1.4, stiffness: 1e4, damping: 300 },
  vehicle: { lengthM: 4.5, metresPerSecond: 2, stiffness: 2e5, damping: 5_000 },
};

/** Where who comes is first seen, m before the line, and how far past it who goes past keeps outside. */
const reach = { from: -9, to: 9, pastAt: -1.8 };

/** Half of the gate's line in which a leaf meets who stands there, m; and where one waits for it to open. */
const line = { half: 0.3, waits: -0.8 };

/** Part of a leaf's way that must be open before anyone goes, and at which they are met in the middle. */
const opening = { enough: 0.6, pair: 0.2, single: 0.45 };

/** Nobody under way, on a job's site. */
export function trafficOf({ at }: Site): Traffic {
  const contacts = at.devices.flatMap(({ id, profile }) =>
    profile.contacts.map((contact) => ({ key: partKey(contactPart(id, contact.id)), duty: contact.duty })),
  );
  return {
    movers: [],
    watches: contacts.flatMap(({ key, duty }) => {
      const field = fields[duty];
      return field ? [{ key, ...field }] : [];
    }),
    edges: contacts.flatMap(({ key, duty }) => (duty === "edge" ? [key] : [])),
  };
}

/** Someone comes. */
export function sends(traffic: Traffic, comes: Comes): void {
  traffic.movers.push({ comes, front: reach.from, stood: 0 });
}

/** Where a mover is along the road, inside positive; who goes past stays outside. */
function spanOf({ comes, front }: Mover): [number, number] {
  const { lengthM } = bodies[comes.is];
  if (comes.goes === "past") {
    const near = Math.abs(front - lengthM / 2) < 1.5;
    return near ? [reach.pastAt - 0.3, reach.pastAt + 0.3] : [reach.from, reach.from];
  }
  return comes.goes === "in" ? [front - lengthM, front] : [-front, lengthM - front];
}

/** Where everyone under way is along the road, m; inside is positive. */
export const spansOf = ({ movers }: Traffic) =>
  movers.map((mover) => {
    const [from, to] = spanOf(mover);
    return { is: mover.comes.is, from, to };
  });

const opens = ({ leaves }: Plant): boolean =>
  Object.values(leaves).every((leaf) => edgeOf(leaf) > opening.enough * leaf.body.travel * leaf.body.arm);

/** A mover goes on, waits for the gate, or stands; where it is in the gate's line a leaf meets it. */
function goesOn(mover: Mover, plant: Plant, seconds: number): void {
  const { comes } = mover;
  const { metresPerSecond } = bodies[comes.is];
  const step = (comes.metresPerSecond ?? metresPerSecond) * seconds;
  const { stands } = comes;
  if (stands && mover.front >= stands.at && mover.stood < stands.seconds) {
    mover.stood += seconds;
    return;
  }
  const before = mover.front <= line.waits && mover.front + step > line.waits;
  if (before && comes.goes !== "past" && !opens(plant)) return;
  mover.front += step;
}

const inLine = (mover: Mover): boolean => {
  const [from, to] = spanOf(mover);
  return mover.comes.goes !== "past" && from < line.half && to > -line.half;
};

/** Leaves meet who stands in the gate's line, for as long as that is so. */
function blocks(mover: Mover, { leaves }: Plant): void {
  const stands = inLine(mover);
  if (stands === (mover.blocks !== undefined)) return;
  if (!stands) {
    for (const { leaf, contact } of mover.blocks!)
      leaf.obstacles = leaf.obstacles.filter((each) => each !== contact);
    delete mover.blocks;
    return;
  }
  const all = Object.values(leaves);
  const { stiffness, damping } = bodies[mover.comes.is];
  mover.blocks = all.map((leaf) => {
    const way = leaf.body.travel * leaf.body.arm;
    const at = way * (all.length > 1 ? opening.pair : opening.single);
    const contact: Contact = { at: Math.min(at, edgeOf(leaf)), stops: "closing", stiffness, damping };
    leaf.obstacles = [...leaf.obstacles, contact];
    return { leaf, contact };
  });
}

/** True while anyone is under way. */
export const isBusy = ({ movers }: Traffic): boolean => movers.length > 0;

/** Everyone goes on by some seconds; what notices them is tripped. */
export function trafficGoes(traffic: Traffic, site: Site, plant: Plant, seconds: number): void {
  const { movers, watches, edges } = traffic;
  for (const mover of movers) {
    goesOn(mover, plant, seconds);
    blocks(mover, plant);
  }
  traffic.movers = movers.filter((mover) => mover.front < reach.to || mover.blocks !== undefined);
  for (const { key, from, to, sees } of watches)
    tripsContact(
      site,
      key,
      movers.some((mover) => {
        const [back, front] = spanOf(mover);
        return sees.includes(mover.comes.is) && front > from && back < to;
      }),
    );
  const pressed = Object.values(plant.leaves).some((leaf) =>
    leaf.obstacles.some(({ at, stops }) => stops === "closing" && edgeOf(leaf) < at - pressedM),
  );
  for (const key of edges) tripsContact(site, key, pressed);
}

/** So far an edge is pressed before its contact works, m. Assumed. */
const pressedM = 0.004;
