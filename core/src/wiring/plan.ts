import { deliveredCards, type BoardProfile } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { profileOf, type Cable, type Job, type JobBundle } from "../job/index.ts";
import type { Installation } from "../circuit/index.ts";
import type { PartKey } from "../node/index.ts";
import {
  cablesOf,
  reachOf,
  segregationFindings,
  sizesEnough,
  voltageFindings,
  type CablePlan,
  type Reach,
} from "./cables/index.ts";
import { coresOf, crowdFindings, earthFindings, inletCores, pinFindings, type Core } from "./cores/index.ts";
import { foundLinks, planLinks, type LinkPlan } from "./links/index.ts";
import { overloadFindings, railLoads, type RailLoad } from "./loads/index.ts";
import {
  placeDevices,
  placementFindings,
  settingsOf,
  siteFindings,
  type PlanCost,
  type Placement,
  type SiteDevice,
} from "./place/index.ts";

/** The wiring of a job: every core, every link, every limit, and what is wrong with it. */
export interface WiringPlan {
  devices: SiteDevice[];
  placements: Placement[];
  cost: PlanCost;
  cores: Core[];
  links: LinkPlan[];
  rails: RailLoad[];
  /** Volts that reach each placed supply, from the solved circuit. */
  reach: Record<PartKey, Reach>;
  /** Every cable that is pulled, with the size it needs. */
  cables: CablePlan[];
  findings: Finding[];
}

/** The job's devices with their profiles; an instance without its profile is left out. */
function siteDevices(bundle: Pick<JobBundle, "job" | "devices">): SiteDevice[] {
  return bundle.job.devices.flatMap((instance): SiteDevice[] => {
    const profile = profileOf(bundle.devices, instance.device);
    if (!profile) return [];
    const { id, name, leaf, pinned, cores: colours, clearanceMm, jumpersOn } = instance;
    return [{ id, name, profile, leaf, pinned, colours, clearanceMm, jumpersOn }];
  });
}

function cablesAtHand(job: Job): Record<string, Record<string, Cable>> {
  return Object.fromEntries(job.devices.map((instance) => [instance.id, instance.cables]));
}

/** The installation as a plan wants it: every core landed, every link where it belongs, nothing tripped, with power. */
export function asPlanned(
  board: BoardProfile,
  { devices, placements, cores, links }: Pick<WiringPlan, "devices" | "placements" | "cores" | "links">,
): Installation {
  return {
    board,
    devices,
    wires: cores,
    linksIn: new Set(links.filter((link) => link.planned === "in").map((link) => link.id)),
    tripped: new Set(),
    powered: true,
    set: settingsOf(board, placements),
  };
}

/** Plans the wiring of a job on its board. */
export function planWiring(bundle: {
  job: Job;
  board: BoardProfile;
  devices: JobBundle["devices"];
}): WiringPlan {
  const { board, job } = bundle;
  const devices = siteDevices(bundle);
  const atHand = cablesAtHand(job);
  const fitted = job.cards ?? deliveredCards(board);
  const { placements, cost, proved } = placeDevices(board, devices);
  const links = planLinks(board, placements, foundLinks(board, job.found.links));
  const linksIn = links.filter(({ planned }) => planned === "in").map(({ id }) => id);
  const cores = [...coresOf(board, placements, atHand, linksIn), ...inletCores(board, placements)];
  const rails = railLoads(board, devices, placements, fitted);
  const pulled = cablesOf(board, devices, cores);
  const at = asPlanned(board, { devices, placements, cores, links });
  const enough = sizesEnough(at, devices, placements, cores, pulled);
  const cables = pulled.map((cable) => ({ ...cable, enoughMm2: enough.get(cable.id) }));
  return {
    devices,
    placements,
    cost,
    cores,
    links,
    rails,
    reach: reachOf(at, placements),
    cables,
    findings: [
      ...placementFindings(board, devices, placements, fitted),
      ...crowdFindings(board, cores, linksIn),
      ...pinFindings(board, devices, placements, cores),
      ...earthFindings(board, placements),
      ...siteFindings(board, devices, placements, fitted),
      ...overloadFindings(rails),
      ...segregationFindings(board, cores, pulled),
      ...voltageFindings(at, placements, cores, cables),
      ...(proved ? [] : [finding("plan-not-proved", [])]),
    ],
  };
}
