import {
  canSet,
  type BehaviourValue,
  type BoardProfile,
  type LoadDuty,
  type Rail,
} from "../../board/index.ts";
import { bears, type DeviceSupply } from "../../device/index.ts";
import { plainNumber } from "../../quantity/index.ts";
import type { Demand, MadeRail, Output, RelayFeed, RelayPlace, RelayTask, RelayUse } from "./demand.ts";

/** What a relay must be set to, to switch such a load; of two lamps on three poles, what for each, the third pole last. */
const relayTasks: Partial<Record<LoadDuty, { alone: RelayTask; pair?: readonly [RelayTask, RelayTask] }>> = {
  flash: { alone: "moving" },
  bell: { alone: "moving" },
  "courtesy-light": { alone: "courtesy" },
  lock: { alone: "lock" },
  traffic: { alone: "traffic-go", pair: ["traffic-wait", "traffic-go"] },
};

/** The terminal of a relay that switches: the one that works, or the one that rests. */
export const switchedTerminal = ({
  output,
  rests,
}: Pick<RelayPlace, "rests"> & Pick<RelayUse, "output">): string => output.terminals[rests ? 2 : 1]!;

/** The relays of a place, that of the third pole last. */
export const relaysOf = (place: RelayPlace): RelayUse[] => [place, ...(place.third ? [place.third] : [])];

/** What a relay's feed gives, and what it is called. */
export function feedGives(feed: RelayFeed): Pick<Rail, "kind" | "volts" | "label"> {
  switch (feed.kind) {
    case "rail":
      return feed.rail;
    case "made":
      return { kind: feed.made.rail.kind, volts: feed.made.rail.volts, label: feed.made.name };
    case "spur":
      return { kind: "ac", volts: feed.volts, label: "the mains spur" };
  }
}

type Load = Pick<Extract<Demand, { kind: "supply" }>, "device" | "supply" | "duty">;

/** Everything a load can be fed from by way of a relay: what always lives and gives what it wants. */
function feedsFor(
  board: BoardProfile,
  { device, supply, duty }: Load,
  made: readonly MadeRail[],
): RelayFeed[] {
  const { supply: own } = board;
  const rails = board.rails
    .filter((rail) => rail.live === "always" && rail.feeds.includes("accessory"))
    .map((rail): RelayFeed => ({ kind: "rail", rail }));
  const outside = made
    .filter((each) => each.device !== device.id && each.rail.feeds.includes(duty))
    .map((each): RelayFeed => ({ kind: "made", made: each }));
  const spur =
    // Which of several voltages it has is known on site alone.
    own.poles.live && own.poles.neutral && own.volts.length === 1
      ? own.volts.map((volts): RelayFeed => ({ kind: "spur", volts }))
      : [];
  return [...rails, ...outside, ...spur].filter((feed) => bears(supply, feedGives(feed)));
}

/** Why a relay cannot switch this load from this feed; undefined when it can. */
function relayMisfit(
  board: BoardProfile,
  output: Output,
  {
    task,
    feed,
    supply,
    rests,
  }: { task: BehaviourValue; feed: RelayFeed; supply: DeviceSupply; rests: boolean },
): "task" | "contact" | "volts" | "milliamps" | undefined {
  const [, works, resting] = output.terminals;
  if (output.kind !== "relay" || works === undefined) return "task";
  if (output.setBy === undefined || !canSet(board, output.setBy, task)) return "task";
  if (rests && resting === undefined) return "contact";
  if (feedGives(feed).volts > (output.maxVolts ?? Infinity)) return "volts";
  return supply.milliamps.working > (output.maxMilliamps ?? Infinity) ? "milliamps" : undefined;
}

/** What a relay of the board lacks that could be set for this load; undefined where none could be. */
export function relayLack(board: BoardProfile, load: Load, made: readonly MadeRail[]): string | undefined {
  const { supply, duty } = load;
  const tasks = relayTasks[duty];
  if (!tasks) return undefined;
  const rests = supply.lives === "always";
  for (const feed of feedsFor(board, load, made))
    for (const output of board.outputs) {
      const lack = relayMisfit(board, output, { task: tasks.alone, feed, supply, rests });
      if (lack === undefined || lack === "task") continue;
      const { maxVolts = Infinity, maxMilliamps = Infinity } = output;
      switch (lack) {
        case "contact":
          return `${output.label} could be set for it, but has no resting contact: it must live until it is let go.`;
        case "volts":
          return `${output.label} could be set for it, but bears ${plainNumber(maxVolts)} V of the ${plainNumber(feedGives(feed).volts)} V it wants.`;
        case "milliamps":
          return `${output.label} could be set for it, but bears ${plainNumber(maxMilliamps)} mA of the ${plainNumber(supply.milliamps.working)} mA it draws.`;
      }
    }
  return undefined;
}

/** Relays that can switch this load, each with what feeds it: two of them for a load of three poles. */
export function relayPlaces(board: BoardProfile, load: Load, made: readonly MadeRail[]): RelayPlace[] {
  const { device, supply, duty } = load;
  const tasks = relayTasks[duty];
  const three = supply.pins.third !== undefined;
  // What makes another supply of it would wake and sleep with the relay, and all that hangs on it.
  if (!tasks || device.profile.provides.length || (three && !tasks.pair)) return [];
  const rests = supply.lives === "always";
  return feedsFor(board, load, made).flatMap((feed): RelayPlace[] => {
    const able = (task: RelayTask) =>
      board.outputs
        .filter((output) => !relayMisfit(board, output, { task, feed, supply, rests }))
        .map((output): RelayUse => ({ output, task }));
    const place = (use: RelayUse): RelayPlace => ({
      kind: "relay",
      ...use,
      feed,
      ...(rests ? { rests } : {}),
    });
    if (!three || !tasks.pair) return able(tasks.alone).map(place);
    const [first, last] = tasks.pair.map(able) as [RelayUse[], RelayUse[]];
    return first.flatMap((use) =>
      last.filter(({ output }) => output.id !== use.output.id).map((third) => ({ ...place(use), third })),
    );
  });
}
