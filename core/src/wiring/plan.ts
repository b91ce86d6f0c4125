import { deliveredCards, type BoardProfile } from "../board/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { profileOf, type Cable, type Job, type JobBundle } from "../job/index.ts";
import type { Installation } from "../circuit/index.ts";
import { coresOf, type Core } from "./cores.ts";
import type { SiteDevice } from "./demand.ts";
import { inletCores } from "./inlet.ts";
import { placementFindings } from "./findings.ts";
import { foundLinks, planLinks, type LinkPlan } from "./links.ts";
import { railLoads, type RailLoad } from "./loads.ts";
import { overloadFindings } from "./overload.ts";
import { placeDevices, type Placement } from "./place.ts";
import type { PlanCost } from "./preference.ts";
import { siteFindings } from "./site.ts";
import { voltageFindings } from "./voltage.ts";

/** The wiring of a job: every core, every link, every limit, and what is wrong with it. */
export interface WiringPlan {
  devices: SiteDevice[];
  placements: Placement[];
  cost: PlanCost;
  cores: Core[];
  links: LinkPlan[];
  rails: RailLoad[];
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

function cablesOf(job: Job): Record<string, Record<string, Cable>> {
  return Object.fromEntries(job.devices.map((instance) => [instance.id, instance.cables]));
}

/** The installation as a plan wants it: every core landed, every link where it belongs, nothing tripped, with power. */
export function asPlanned(
  board: BoardProfile,
  { devices, cores, links }: Pick<WiringPlan, "devices" | "cores" | "links">,
): Installation {
  return {
    board,
    devices,
    wires: cores,
    linksIn: new Set(links.filter((link) => link.planned === "in").map((link) => link.id)),
    tripped: new Set(),
    powered: true,
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
  const cables = cablesOf(job);
  const fitted = job.cards ?? deliveredCards(board);
  const { placements, cost, proved } = placeDevices(board, devices);
  const cores = [...coresOf(board, placements, cables), ...inletCores(board, placements)];
  const rails = railLoads(board, devices, placements, cables, fitted);
  const links = planLinks(board, placements, foundLinks(board, job.found.links));
  return {
    devices,
    placements,
    cost,
    cores,
    links,
    rails,
    findings: [
      ...placementFindings(board, devices, placements, cores, fitted),
      ...siteFindings(board, devices, fitted),
      ...overloadFindings(rails),
      ...voltageFindings(asPlanned(board, { devices, cores, links }), placements, cores),
      ...(proved ? [] : [finding("plan-not-proved", [])]),
    ],
  };
}
