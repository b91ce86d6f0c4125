import {
  conditionHolds,
  type BoardInput,
  type Condition,
  type Reaction,
  type ReactionMoment,
} from "../../board/index.ts";
import { askOf } from "../../twin/index.ts";
import { brainDoes, works } from "../../twin/brain/index.ts";
import { isOff } from "../../twin/brain/ask.ts";
import { go } from "../../twin/brain/command.ts";
import { edgeOf } from "../../twin/plant/index.ts";
import type { Twin } from "../../twin/step/index.ts";
import { knowingTwin } from "../twins.ts";
import { caseName, corpusCases, planOf, type Case } from "./cases.ts";
import { Recorder, type Recording } from "./recorder.ts";

const command = (it: Recorder, what: "open" | "close" | "stop") =>
  it.act(what, (brain) => void brainDoes(brain, { command: what }));

const begin = (of: Case, name: string, ...conditions: Condition[]) =>
  new Recorder(`${caseName(of)}: ${name}`, knowingTwin(planOf(of), ...conditions));

/** Way of the edges from closed, as a part of all of it. */
const partOf = ({ plant }: Twin): number => {
  const leaves = Object.values(plant.leaves);
  const way = leaves.reduce((sum, { body }) => sum + body.travel * body.arm, 0);
  return leaves.reduce((sum, leaf) => sum + edgeOf(leaf), 0) / way;
};

/** Something firm stands in the way of every leaf, so far along its way from closed. */
function block({ twin }: Recorder, part: number, stops: "opening" | "closing"): void {
  for (const leaf of Object.values(twin.plant.leaves)) {
    const way = leaf.body.travel * leaf.body.arm;
    leaf.obstacles.push({ at: way * part, stops, stiffness: 5e4, damping: 2_000 });
  }
}

/** Opened, and closed once it stands. */
function cycle(of: Case): Recording {
  const it = command(begin(of, "opens and closes"), "open").runUntilIdle();
  it.twin.brain.pause = undefined;
  return command(it, "close").runUntilIdle().run(1).recording();
}

/** What it meets on its way, one way or the other. */
function meet(of: Case, toward: "open" | "close", part: number): Recording {
  const it = begin(of, `meets something ${toward === "open" ? "opening" : "closing"}, at ${part}`, {
    leaf: toward === "open" ? "closed" : "open",
  });
  block(it, part, toward === "open" ? "opening" : "closing");
  return command(it, toward).runUntilIdle().recording();
}

/** Held by a key as it meets something, and left then. */
function held(of: Case): Recording {
  const it = begin(of, "meets something as it is held", { leaf: "open" });
  block(it, 0.5, "closing");
  it.act("close", (brain) => void go(brain, "closed", { because: "held" })).runUntilIdle();
  return it.mark("left").run(10).recording();
}

/** Stopped, or left without power, a third of its way. */
function endEarly(of: Case, by: "stop" | "power"): Recording {
  const it = command(begin(of, by === "stop" ? "is stopped" : "loses power"), "open");
  it.runUntil((twin) => partOf(twin) > 0.33, 60);
  if (by === "stop") command(it, "stop");
  else it.act("power", (brain) => void brainDoes(brain, { power: "off" }));
  return it.run(8).recording();
}

/** A protection, the row of its reactions that counts, and the moment it is tripped in. */
export interface Tripped {
  input: BoardInput;
  row: Reaction;
  moment: ReactionMoment;
}

function playTripped(of: Case, { input, row, moment }: Tripped): Recording {
  const rests = moment === "closed" || moment === "open";
  const opens = moment === "closed" || moment === "opening";
  const name = `${input.id}, ${JSON.stringify(row.when ?? {})}, ${moment}`;
  const when = row.when ? [row.when] : [];
  const it = begin(of, name, { leaf: opens ? "closed" : "open" }, ...when);
  const trip = (to: boolean) => it.act(to ? "trips" : "clears", (brain) => works(brain, input.id, to));
  const commandIt = () => command(it, opens ? "open" : "close");
  if (rests) {
    trip(true);
    return commandIt().run(12).recording();
  }
  commandIt();
  const from = partOf(it.twin);
  it.runUntil((twin) => !twin.brain.run || Math.abs(partOf(twin) - from) > 0.2, 60).run(0.3);
  trip(true).run(0.6).runUntilIdle();
  return trip(false).runUntilIdle().recording();
}

const moments: readonly ReactionMoment[] = ["closed", "opening", "open", "closing"];

/** Each protection of a case with each row of its reactions that can count there, in each moment. */
const tripped = (of: Case): Tripped[] =>
  planOf(of)
    .bundle.board.inputs.filter(({ guards }) => guards.length)
    .flatMap((input) =>
      input.reactions
        .filter((row, at) => {
          const { brain } = knowingTwin(planOf(of), ...(row.when ? [row.when] : []));
          const counts = input.reactions.findIndex(({ when }) => conditionHolds(when, askOf(brain)));
          // One that a setting switches off does nothing, whatever its rows say.
          return counts === at && !isOff(brain, input);
        })
        .flatMap((row) => moments.map((moment) => ({ input, row, moment }))),
    );

/** What is played of a case, once for all that look at it. */
export interface Runs {
  of: Case;
  cycle: Recording;
  /** It meets something: half way closing, and a sixth before either end. */
  met: { halfWay: Recording; beforeOpen: Recording; beforeClosed: Recording; held: Recording };
  stopped: Recording;
  unpowered: Recording;
  trips: readonly (Tripped & { recording: Recording })[];
}

const played = new Map<Case, Runs>();

/** The runs of a case, played when they are first asked for. */
export function runsOf(of: Case): Runs {
  const known = played.get(of);
  if (known) return known;
  const runs: Runs = {
    of,
    cycle: cycle(of),
    met: {
      halfWay: meet(of, "close", 1 / 2),
      beforeOpen: meet(of, "open", 5 / 6),
      beforeClosed: meet(of, "close", 1 / 6),
      held: held(of),
    },
    stopped: endEarly(of, "stop"),
    unpowered: endEarly(of, "power"),
    trips: tripped(of).map((trip) => ({ ...trip, recording: playTripped(of, trip) })),
  };
  played.set(of, runs);
  return runs;
}

/** Every recording of a case. */
export const recordingsOf = (runs: Runs): Recording[] => [
  runs.cycle,
  ...Object.values(runs.met),
  runs.stopped,
  runs.unpowered,
  ...runs.trips.map(({ recording }) => recording),
];

/** The cases, as a table of tests has them: each by its name. */
export const corpusTable = corpusCases.map((of) => [caseName(of), of] as const);
