import type { Purpose } from "../../board/index.ts";
import type { DeviceProfile } from "../../device/index.ts";
import { profileOf, type JobBundle, type Leaf } from "../../job/index.ts";
import {
  drivePush,
  liftingLeaf,
  partingPair,
  pushedSash,
  slidingLeaf,
  swingLeaf,
  type Body,
  type Drive,
  type Site,
} from "../../motion/index.ts";
import { radians } from "../../quantity/index.ts";
import type { Which } from "../brain/index.ts";
import { lineOf, type Manner } from "./gear.ts";
import { ordinaryOverlap } from "./overlap.ts";
import { stopAt, type Hung, type Plant, type PlantLeaf } from "./plant.ts";

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

/** How long a stretch of its way it rubs on, as a part of it; assumed. */
const rubbing = 0.08;

/** A leaf of a survey as something that moves; `both` where one drive parts it from another alike. */
function movedBody(purpose: Purpose, leaf: Leaf, both: boolean, site: Site): Body {
  const { infill, massKg } = leaf;
  const size = { widthM: leaf.widthMm / 1_000, heightM: leaf.heightMm / 1_000, massKg };
  const travel = (leaf.travelMm ?? leaf.widthMm) / 1_000;
  switch (purpose) {
    case "swing-gate":
    case "radio":
      return swingLeaf(size, { travel: radians(leaf.openingDegrees ?? 90), infill }, site);
    case "industrial-door":
    case "rolling-grille":
      return liftingLeaf(size, { travel }, { springs: springs[purpose] ?? 1, ...site });
    case "rooflight":
    case "window":
      return pushedSash(size, { travel, pitch: radians(purpose === "window" ? 0 : roofPitch) }, site);
    default:
      return both ? partingPair(size, { travel }, site) : slidingLeaf(size, { travel, infill }, site);
  }
}

/** What moves on a leaf's hinges, rollers or springs, as it is hung. */
function bodyOf(
  purpose: Purpose,
  leaf: Leaf,
  both: boolean,
  thrust: number,
  { rubs, ...site }: Hung = {},
): Body {
  const body = movedBody(purpose, leaf, both, site);
  if (!rubs) return body;
  const [from, to] = [rubs.at - rubbing / 2, rubs.at + rubbing / 2].map((part) => part * body.travel);
  return { ...body, rubs: { from: from!, to: to!, friction: rubs.part * thrust } };
}

function plantLeaf(purpose: Purpose, leaf: Leaf, { device, profile }: LeafDrive, both: boolean): PlantLeaf {
  const rated = lineOf(profile, manners[purpose]);
  const hung = (how?: Hung) => bodyOf(purpose, leaf, both, rated.thrust, how);
  const body = hung();
  const way = body.travel * body.arm;
  const line = { ...rated };
  const driven: Drive = { volts: 0, limit: Infinity, brake: true };
  const past = (has: boolean) => (has ? 0 : overrun * way);
  return {
    device,
    body,
    rated,
    line,
    drive: driven,
    pushes: (speed: number) => drivePush(line, driven, speed),
    hand: 1,
    wears: 1,
    grip: Infinity,
    hung,
    motion: { at: 0, speed: 0 },
    stops: [
      stopAt(body, -past(leaf.stopClosed), "closing", stopStiffness),
      stopAt(body, way + past(leaf.stopOpen), "opening", stopStiffness),
    ],
    obstacles: [],
  };
}

/** A device of the job that moves a leaf. */
interface LeafDrive {
  device: string;
  profile: DeviceProfile;
}

/** The drive that moves a leaf; undefined where there is none. */
function driveOf({ job, devices }: JobBundle, leaf: Leaf): LeafDrive | undefined {
  for (const { id, device, leaf: of } of job.devices) {
    const profile = of === leaf.id ? profileOf(devices, device) : undefined;
    if (profile?.kind === "drive") return { device: id, profile };
  }
  return undefined;
}

const whichOf = ({ id }: Leaf): Which => (id === "overlapped" ? "second" : "first");

/** How a leaf's drive finds the ends of its travel; by what stops it, where its profile says nothing. */
export function limitsOf(bundle: JobBundle, which: Which): NonNullable<DeviceProfile["limits"]> {
  const leaf = bundle.job.survey.leaves.find((each) => whichOf(each) === which);
  return (leaf && driveOf(bundle, leaf)?.profile.limits) ?? "stops";
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
