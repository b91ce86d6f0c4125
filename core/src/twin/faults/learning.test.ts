import { fitBoard, type BoardProfile, type Gesture, type Procedure } from "../../board/index.ts";
import type { Positions } from "../../controls/index.ts";
import { shippedBoard } from "../../testing/shipped.ts";
import { usualPlan } from "../../testing/twins.ts";
import { wayToEntry } from "../../panel/index.ts";
import { askOf, works } from "../brain/index.ts";
import { faceOf } from "../brain/face.ts";
import { arrange, makeProcedure, startOf } from "../runner/index.ts";
import { twinOf, type Twin } from "../step/index.ts";
import { putFaults, type TwinFault } from "./index.ts";
import { learning } from "./learning.table.ts";

type Leaf = "first" | "second";
const leavesOf = ({ plant }: Twin) => Object.keys(plant.leaves) as Leaf[];

const reversed = (it: Twin): TwinFault[] => leavesOf(it).map((leaf) => ({ kind: "motor-reversed", leaf }));

/** Leads of every motor exchanged with one another; of windings the two that turn it either way. */
function exchanged({ site: { wired }, plant }: Twin): TwinFault[] {
  return Object.values(plant.leaves).flatMap(({ device }): TwinFault[] => {
    const { supplies } = wired.devices.find(({ id }) => id === device)!.profile;
    const { plus, minus, third } = supplies.find(({ duty }) => duty === "drive")!.pins;
    const seat = (pin: string): string => {
      const wire = wired.wires.find(
        ({ from }) => from.kind === "pin" && from.device === device && from.pin === pin,
      );
      return wire?.to.kind === "terminal" ? wire.to.terminal : "";
    };
    const other = third ?? minus;
    return [
      { kind: "core-elsewhere", device, pin: plus, terminal: seat(other) },
      { kind: "core-elsewhere", device, pin: other, terminal: seat(plus) },
    ];
  });
}

const inverts = (it: Twin) => arrange(it.brain, [{ behaviour: "rotation", is: "inverted" }]);

/** All leaves stand somewhere, and the board takes them to be there. */
function stand(it: Twin, at: "closed" | "open"): void {
  for (const leaf of leavesOf(it)) {
    it.brain.world!.puts(leaf, at);
    it.brain.at[leaf] = at;
  }
}

/** What can go wrong as travel is learned; those that begin elsewhere leave out that someone brings the leaves to their start. */
const ways: Record<string, { does: (it: Twin) => void; unbrought?: true; another?: true }> = {
  "nothing wrong": { does: () => {} },
  "another firmware's way in": { does: () => {}, another: true },
  "force fully off": { does: (it) => arrange(it.brain, [{ behaviour: "force", is: 0 }]) },
  "force fully off, closing": {
    does: (it) => arrange(it.brain, [{ behaviour: "force-closing", is: 0 }]),
  },
  "the leaf cannot move": {
    does: ({ plant }) => Object.values(plant.leaves).forEach((leaf) => (leaf.grip = 0)),
  },
  "on its closed limit": { does: (it) => stand(it, "closed"), unbrought: true },
  "outside its magnets": {
    does(it) {
      putFaults(it, [{ kind: "limit-slipped", end: "closed", part: -0.15 }]);
      stand(it, "closed");
      it.brain.at.first = "between";
    },
    unbrought: true,
  },
  "motor reversed": { does: (it) => putFaults(it, reversed(it)) },
  "motor reversed, leads exchanged": { does: (it) => putFaults(it, [...reversed(it), ...exchanged(it)]) },
  "motor reversed, rotation inverted": {
    does(it) {
      putFaults(it, reversed(it));
      inverts(it);
    },
  },
  "motor reversed, leads exchanged and rotation inverted": {
    does(it) {
      putFaults(it, [...reversed(it), ...exchanged(it)]);
      inverts(it);
    },
  },
  "stop open": {
    does: ({ brain }) =>
      works(brain, brain.board.inputs.find(({ takes }) => takes.includes("stop"))!.id, true),
  },
  "first protection of closing open": {
    does: ({ brain }) => {
      const guard = brain.board.inputs.find(
        ({ takes, guards }) => guards.includes("closing") && !takes.includes("stop"),
      )!;
      works(brain, guard.id, true);
    },
  },
  "one leaf, set for two": { does: (it) => arrange(it.brain, [{ behaviour: "leaf-count", is: 2 }]) },
  "only motor on the other output": {
    does(it) {
      const [{ device } = { device: "" }] = Object.values(it.plant.leaves);
      const rail =
        it.brain.board.rails.find(
          ({ feeds }) => feeds.includes("drive-overlapped") && !feeds.includes("drive-only"),
        ) ??
        it.brain.board.rails.find(
          ({ feeds }) => feeds.includes("drive-overlapping") && !feeds.includes("drive-only"),
        )!;
      putFaults(it, [
        { kind: "core-elsewhere", device, pin: "a", terminal: rail.plus[0]! },
        { kind: "core-elsewhere", device, pin: "b", terminal: rail.minus[0]! },
        { kind: "core-elsewhere", device, pin: "m1", terminal: rail.plus[0]! },
        { kind: "core-elsewhere", device, pin: "m2", terminal: rail.minus[0]! },
      ]);
    },
  },
};

const withoutPlaces = (procedure: Procedure): Procedure => ({
  ...procedure,
  steps: procedure.steps.map((step) => ({ ...step, do: step.do.filter((made) => !("place" in made)) })),
});

/** Keys that lead to what is chosen on a board of its other firmware, in the place of choosing. */
function byAnotherFirmware(
  board: BoardProfile,
  leaves: number,
  procedure: Procedure,
  stands: Positions,
): Procedure {
  const older = startOf(board, { firmware: board.firmware[0]!, leaves, cards: [] }, procedure, stands);
  const keys = (made: Gesture): Gesture[] => {
    if (!("choose" in made)) return [made];
    const there = wayToEntry(older.board, askOf(older), older.panel, made.choose.item)!;
    return [...there, older.board.panel!.confirm!];
  };
  return { ...procedure, steps: procedure.steps.map((step) => ({ ...step, do: step.do.flatMap(keys) })) };
}

/** What comes of a learning: what was learned, what it says, where the leaves stand, what it shows. */
function outcome(board: BoardProfile, leaves: number, id: string, way: string): string {
  const fitting = { firmware: board.firmware.at(-1)!, leaves, cards: [] };
  const procedure = fitBoard(board, fitting).procedures.find((each) => each.id === id)!;
  const wishes = Object.fromEntries(
    procedure.needs.flatMap(({ behaviour, is }) => (behaviour && is !== undefined ? [[behaviour, is]] : [])),
  );
  const plan = usualPlan(board.id, leaves, wishes);
  const brain = startOf(board, fitting, procedure, plan.controls.positions);
  const it = twinOf(brain, plan);
  const { does, unbrought, another } = ways[way]!;
  does(it);
  const made = another ? byAnotherFirmware(board, leaves, procedure, plan.controls.positions) : procedure;
  const said = new Set<string>();
  makeProcedure(brain, unbrought ? withoutPlaces(made) : made, ({ events }) => {
    for (const event of events)
      if (["refused", "aborted", "fails", "obstructed", "held-off"].includes(event.kind))
        said.add("what" in event ? `${event.kind} ${event.what}` : event.kind);
  });
  const learned = board.memories.filter(
    ({ holds, id: of }) => holds === "travel" && (brain.held[of] ?? 0) > 0,
  );
  const { lamps, display } = faceOf(brain);
  const lit = board.lamps.flatMap((lamp) =>
    lamps[lamp.id] === "dark" ? [] : [`${lamp.label}${lamps[lamp.id] === "blinking" ? "*" : ""}`],
  );
  const stands = Object.values(it.plant.leaves).map(({ motion, body }) => {
    const part = motion.at / body.travel;
    return part > 0.97 ? "open" : part < 0.03 ? "closed" : "between";
  });
  return [
    learned.length ? "learned" : "not learned",
    [...said].join(", ") || "says nothing",
    [...new Set(stands)].join(" "),
    lit.join(" "),
    display.replaceAll("|", " "),
  ].join(" / ");
}

test.each(Object.entries(learning))("%s", (name, rows) => {
  const [id, leaves, procedure] = name.split(" ") as [string, string, string];
  const board = shippedBoard(id);
  const seen = Object.fromEntries(
    Object.keys(rows).map((way) => [way, outcome(board, Number(leaves), procedure, way)]),
  );
  expect(seen).toEqual(rows);
});
