import type { Purpose } from "../../board/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import type { JobBundle, Leaf } from "../../job/index.ts";
import {
  drivePush,
  liftingLeaf,
  partingPair,
  pushedSash,
  slidingLeaf,
  swingLeaf,
  type Body,
  type Drive,
} from "../../motion/index.ts";
import { radians } from "../../quantity/index.ts";
import type { Which } from "../brain/index.ts";
import { lineOf, type Manner } from "./gear.ts";
import { ordinaryOverlap } from "./overlap.ts";
import { stopAt, type Plant, type PlantLeaf } from "./plant.ts";

/** How stiff the stops of a leaf are at its edge, N/m; and the end of what a drive can do where there is none. Assumed. */
const stopStiffness = 1.5e5;

/** A part of the travel that a drive goes on for where no stop ends it. */
const overrun = 0.03;

/** Part of the weight that springs carry, of what is lifted. Assumed. */
const springs: Partial<Record<Purpose, number>> = { "industrial-door": 0.95, "rolling-grille": 0.7 };

/** Roof that a rooflight lies in, °. Assumed. */
const roofPitch = 20;

const manners: Record<Purpose, Manner> = {
  "swing-gate": "hinge",
  radio: "hinge",
  "sliding-gate": "way",
  "pedestrian-door": "way",
  "industrial-door": "shaft",
  "rolling-grille": "shaft",
  rooflight: "way",
  window: "way",
};

/** A leaf of a survey as something that moves; `both` where one drive parts it from another alike. */
function bodyOf(purpose: Purpose, leaf: Leaf, both: boolean): Body {
  const { infill, massKg } = leaf;
  const size = { widthM: leaf.widthMm / 1_000, heightM: leaf.heightMm / 1_000, massKg };
  const travel = (leaf.travelMm ?? leaf.widthMm) / 1_000;
  switch (purpose) {
    case "swing-gate":
    case "radio":
      return swingLeaf(size, { travel: radians(leaf.openingDegrees ?? 90), infill });
    case "industrial-door":
    case "rolling-grille":
      return liftingLeaf(size, { travel }, { springs: springs[purpose] ?? 1 });
    case "rooflight":
    case "window":
      return pushedSash(size, { travel, pitch: radians(purpose === "window" ? 0 : roofPitch) });
    default:
      return both ? partingPair(size, { travel }) : slidingLeaf(size, { travel, infill });
  }
}

function plantLeaf(purpose: Purpose, leaf: Leaf, drive: DeviceProfile, both: boolean): PlantLeaf {
  const body = bodyOf(purpose, leaf, both);
  const way = body.travel * body.arm;
  const line = lineOf(drive, manners[purpose]);
  const driven: Drive = { volts: 0, limit: Infinity, brake: true };
  const past = (has: boolean) => (has ? 0 : overrun * way);
  return {
    body,
    ...{ line, drive: driven, pushes: (speed: number) => drivePush(line, driven, speed) },
    motion: { at: 0, speed: 0 },
    stops: [
      stopAt(body, -past(leaf.stopClosed), "closing", stopStiffness),
      stopAt(body, way + past(leaf.stopOpen), "opening", stopStiffness),
    ],
    obstacles: [],
  };
}

/** The profile of the drive that moves a leaf; undefined where there is none. */
function driveOf({ job, devices }: JobBundle, leaf: Leaf): DeviceProfile | undefined {
  const placed = job.devices.filter((device) => device.leaf === leaf.id);
  return devices.find(
    ({ id, revision, kind }) =>
      kind === "drive" && placed.some(({ device }) => device.id === id && device.revision === revision),
  );
}

const whichOf = ({ id }: Leaf): Which => (id === "overlapped" ? "second" : "first");

/** How a leaf's drive finds the ends of its travel; by what stops it, where its profile says nothing. */
export function limitsOf(bundle: JobBundle, which: Which): NonNullable<DeviceProfile["limits"]> {
  const leaf = bundle.job.survey.leaves.find((each) => whichOf(each) === which);
  return (leaf && driveOf(bundle, leaf)?.limits) ?? "stops";
}

/** What moves on a job's site, its leaves closed and at rest; a leaf without a drive does not move, and is left out. */
export function plantOf(bundle: JobBundle): Plant {
  const { board, job } = bundle;
  const { leaves } = job.survey;
  const driven = leaves.flatMap((leaf) => {
    const drive = driveOf(bundle, leaf);
    return drive ? [{ leaf, drive }] : [];
  });
  // One drive for two leaves alike: they part on its belt.
  const both = leaves.length === 2 && driven.length === 1 && board.purpose === "pedestrian-door";
  const plant = Object.fromEntries(
    driven.map(({ leaf, drive }) => [whichOf(leaf), plantLeaf(board.purpose, leaf, drive, both)]),
  );
  const overlaps = driven.length === 2 && manners[board.purpose] === "hinge";
  return { leaves: plant, ...(overlaps ? { overlap: ordinaryOverlap() } : {}) };
}
