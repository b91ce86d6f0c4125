import { deliveredCards, type Condition } from "../board/index.ts";
import type { Positions } from "../controls/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import type { Job, JobBundle } from "../job/index.ts";
import { panelAtRest } from "../panel/index.ts";
import { type JobPlan } from "../plan/index.ts";
import { arrange, brainAtRest, brainOf, type Brain } from "../twin/index.ts";
import { twinOf, type Twin } from "../twin/step/index.ts";
import { planOnce, bundleOn, shippedBoard, usualDevices } from "./shipped.ts";

/** A drive as it is made with a cam that works one contact at both ends. */
const withCams = (drive: DeviceProfile): DeviceProfile =>
  drive.contacts.length
    ? drive
    : {
        ...drive,
        limits: "magnets",
        pins: [
          ...drive.pins,
          ...["cam", "cam-return"].map((pin) => ({ ...drive.pins[0]!, id: pin, label: pin })),
        ],
        contacts: [
          {
            id: "cam",
            duty: "limits",
            rest: "closed",
            pins: ["cam", "cam-return"],
            tripped: "an end is met",
          },
        ],
      };

/**
 * A job on a board with its usual devices and so many leaves, each with the drive that suits it; its beams can be tested
 * where that is wished.
 */
function usualSite(id: string, leaves?: number, wishes: Job["wishes"] = {}, firmware = ""): JobBundle {
  const tested = wishes["photocell-test"] === true;
  const devices = usualDevices(id).map((device) =>
    tested && device === "oddlume-glance" ? "oddlume-vigil" : device,
  );
  const battery = shippedBoard(id).battery ? ["quillmarsh-reserve"] : [];
  const bundle = bundleOn(id, [...devices, ...battery], wishes, firmware);
  const wanted = wishes["limit-sensing"];
  if (wanted === "magnets" && bundle.board.inputs.some(({ takes }) => takes.includes("limits")))
    bundle.devices = bundle.devices.map((device) => (device.kind === "drive" ? withCams(device) : device));
  const { job } = bundle;
  if (leaves !== 1 || job.survey.leaves.length < 2) return bundle;
  job.survey.leaves = [{ ...job.survey.leaves[0]!, id: "only" }];
  job.devices = job.devices
    .filter(({ leaf }) => leaf !== "overlapped")
    .map((device) => (device.leaf ? { ...device, leaf: "only" } : device));
  return bundle;
}

const planned = new Map<string, JobPlan>();

/** The same, planned with these wishes: once for each. A test that changes it plans its own. */
export function usualPlan(id: string, leaves?: number, wishes: Job["wishes"] = {}, firmware = ""): JobPlan {
  const key = `${id} ${leaves ?? ""} ${firmware} ${JSON.stringify(wishes)}`;
  const plan = planned.get(key) ?? planOnce(usualSite(id, leaves, wishes, firmware));
  planned.set(key, plan);
  return plan;
}

/** A board stands as these positions have it, and has read them. */
function stands(brain: Brain, positions: Positions): Brain {
  return Object.assign(brain, {
    ...{ positions, inForce: positions, noted: positions },
    panel: panelAtRest(brain.board, positions.values),
  });
}

/** A board on its site that has power, is set as planned, and knows its travel; `conditions` may bring it further. */
export function knowingTwin(plan: JobPlan, ...conditions: readonly Condition[]): Twin {
  const { bundle, controls } = plan;
  const { board, job } = bundle;
  const brain = brainOf(board, job.cards ?? deliveredCards(board), job.survey.leaves.length);
  brain.power = true;
  stands(brain, controls.positions);
  const travel = board.memories.filter(({ holds }) => holds === "travel");
  arrange(brain, [...travel.map((memory) => ({ learned: memory.id })), ...conditions]);
  brain.events = [];
  return twinOf(brain, plan);
}

/** A board that knows its travel, with power, its leaves closed; `conditions` may set it further. */
export function knowingBrain(id: string, ...conditions: readonly Condition[]): Brain {
  const brain = brainAtRest(shippedBoard(id));
  brain.power = true;
  const travel = brain.board.memories.filter(({ holds }) => holds === "travel");
  arrange(brain, [...travel.map((memory) => ({ learned: memory.id })), ...conditions]);
  brain.events = [];
  return brain;
}
