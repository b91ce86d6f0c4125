import { behaviourText, type BehaviourId } from "../board/index.ts";
import {
  behavioursAt,
  commitFindings,
  forceFindings,
  foundPositions,
  isPanelCut,
  neighbourFindings,
  panelJumper,
  thresholdFindings,
  type Positions,
} from "../controls/index.ts";
import { finding, type Finding } from "../finding/index.ts";
import { count } from "../quantity/index.ts";
import { asWiredFindings, exchangedLeads, linkFindings, seatOf } from "../wiring/index.ts";
import type { BenchState, Planned } from "./bench.ts";
import { circumstancesOf } from "./circumstances.ts";
import { readingsOf } from "./face.ts";
import { installationOf, wiresOf } from "./installation.ts";
import { testFindings } from "./tested.ts";

/** Trap 2: protection inputs that read open while nothing is tripped. */
function protectionFindings(planned: Planned, state: BenchState): Finding[] {
  if (!state.powered) return [];
  const readings = readingsOf(planned, state);
  const ask = circumstancesOf(planned, state, readings);
  return planned.bundle.board.inputs
    .filter(
      (input) =>
        input.contact === "closed" &&
        (input.guards.length > 0 || input.link !== undefined) &&
        ask.reads(input.id, "open"),
    )
    .map((input) =>
      finding(
        "protection-open",
        [
          { kind: "input", id: input.id },
          { kind: "terminal", id: input.terminal },
        ],
        {
          input: input.label,
          terminal: input.terminal,
        },
      ),
    );
}

/** Trap 6: the jumper that cuts the panel off, left on. */
function panelFindings({ bundle: { board } }: Planned, state: BenchState): Finding[] {
  const jumper = panelJumper(board);
  if (!jumper || !isPanelCut(board, state.positions)) return [];
  return [finding("panel-cut-off", [{ kind: "jumper", id: jumper.id }], { jumper: jumper.label })];
}

/** The least force that any procedure of the board asks for, %. */
function leastForce(planned: Planned, id: BehaviourId): number | undefined {
  const needs = planned.bundle.board.procedures.flatMap((procedure) => procedure.needs);
  const asked = needs.flatMap((need) =>
    need.behaviour === id && need.atLeast !== undefined ? [need.atLeast] : [],
  );
  return asked.length ? Math.max(...asked) : undefined;
}

/** Trap 1 for each force the board has, where the controls stand; `planned` is where they should. */
export function weakForce(planned: Planned, at: Positions): Finding[] {
  return (["force", "force-opening", "force-closing"] as const).flatMap((id) => {
    const least = leastForce(planned, id);
    const { board } = planned.bundle;
    return least === undefined ? [] : forceFindings(board, at, least, planned.controls.positions, id);
  });
}

/** Traps 18 and 47: what was joined under power and must not be, and a battery still on while the board is isolated. */
function liveFindings(planned: Planned, state: BenchState): Finding[] {
  const { devices, cores } = planned.wiring;
  const wires = wiresOf(planned.wiring, state);
  return devices.flatMap((device): Finding[] => {
    const about = [{ kind: "device" as const, id: device.id }];
    const live = device.profile.keyed && state.landedLive.some((pin) => pin.device === device.id);
    const battery = device.profile.provides.some((rail) => rail.feeds.includes("battery"));
    const wanted = cores.filter((core) => core.device === device.id).length;
    const landed = wires.filter((wire) => wire.device === device.id).length;
    return [
      ...(live ? [finding("plugged-while-live", about, { device: device.name })] : []),
      ...(battery && !state.powered && wanted > 0 && landed === wanted
        ? [finding("battery-left-connected", about, { device: device.name })]
        : []),
    ];
  });
}

/** Trap 36: leads exchanged and the rotation inverted as well, so that the one undoes the other. */
function directionFindings(planned: Planned, state: BenchState): Finding[] {
  const { board } = planned.bundle;
  const rotation = behavioursAt(board, state.inForce).rotation;
  const wanted = behavioursAt(board, planned.controls.positions).rotation;
  if (rotation === undefined || rotation === wanted) return [];
  const at = installationOf(board, planned.wiring, state);
  const { drives } = exchangedLeads({ at, wiring: planned.wiring, sits: state.sits });
  return drives.map((id) => {
    const { name } = planned.wiring.devices.find((device) => device.id === id)!;
    return finding(
      "leads-and-rotation",
      [
        { kind: "device", id },
        { kind: "behaviour", id: "rotation" },
      ],
      {
        device: name,
        rotation: behaviourText("rotation", rotation),
        planned: wanted === undefined ? "otherwise" : behaviourText("rotation", wanted),
      },
    );
  });
}

/** Trap 12: a board that stands for another number of leaves than there are. */
function leafCountFindings({ bundle: { board, job } }: Planned, state: BenchState): Finding[] {
  const set = behavioursAt(board, state.inForce)["leaf-count"];
  const { length } = job.survey.leaves;
  if (typeof set !== "number" || set === length) return [];
  const told = (leaves: number) => count(leaves, "leaf", "leaves");
  return [
    finding("leaf-count-wrong", [{ kind: "behaviour", id: "leaf-count" }], {
      set: told(set),
      leaves: told(length),
    }),
  ];
}

/** What is wrong with the bench as it stands: traps 1 to 6, 9, 12 to 14, 16, 18, 20, 36, 37, 42, 44 and 47. */
export function inspect(planned: Planned, state: BenchState): Finding[] {
  const { board } = planned.bundle;
  const cores = wiresOf(planned.wiring, state);
  return [
    ...linkFindings(
      board,
      cores,
      state.links,
      planned.wiring.cores.filter((core) => seatOf(state.sits, core.from) !== undefined),
      behavioursAt(board, state.inForce),
    ),
    ...protectionFindings(planned, state),
    ...thresholdFindings(board, state.positions, planned.controls.positions),
    ...weakForce(planned, state.inForce),
    ...asWiredFindings({
      at: installationOf(board, planned.wiring, state),
      wiring: planned.wiring,
      sits: state.sits,
    }),
    ...directionFindings(planned, state),
    ...liveFindings(planned, state),
    ...panelFindings(planned, state),
    ...testFindings(planned, state.inForce),
    ...commitFindings(board, state.positions, state.inForce),
    ...neighbourFindings(board, state.positions, {
      found: foundPositions(board, planned.bundle.job.found),
      planned: planned.controls.positions,
    }),
    ...leafCountFindings(planned, state),
  ];
}
