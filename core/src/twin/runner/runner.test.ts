import {
  fitBoard,
  wordsSet,
  type BoardProfile,
  type Condition,
  type Fitting,
  type Phase,
  type Program,
} from "../../board/index.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { brainAtRest, brainDoes, settles, waits, type Brain, type BrainEvent } from "../brain/index.ts";
import { arrange, fittingsOf, make, makeProcedure, runEvery, startOf } from "./index.ts";

/** A board as it is found with everything it can have. */
const fullest = (board: BoardProfile): Fitting => ({
  firmware: board.firmware.at(-1)!,
  leaves: board.leaves,
  cards: board.cards.map(({ id }) => id),
});

describe.each(boardIds())("%s", (id) => {
  const board = shippedBoard(id);

  test("every procedure ends where it claims, on every kind of site", () => {
    expect([...runEvery(board)]).toEqual([]);
  });

  test("without any one phase of any program some procedure does not", () => {
    const owners = [board, ...board.cards.map(({ adds }) => adds)];
    const survivors = owners.flatMap(({ programs }) =>
      programs.flatMap((program, at) =>
        withoutOne(program.phases).flatMap(([name, phases]) => {
          programs[at] = { ...program, phases };
          const same = runEvery(board).next().done;
          programs[at] = program;
          return same ? [`${program.id}: ${name}`] : [];
        }),
      ),
    );
    expect(survivors).toEqual([]);
  });

  test("what a procedure needs its program asks for: without it nothing is learned", () => {
    const learnedAnyway = fittingsOf(board).flatMap((fitting) =>
      fitBoard(board, fitting).procedures.flatMap((procedure) => {
        const claimed = procedure.steps.flatMap(({ claims: { learn, add } }) =>
          [learn ?? [], add ?? []].flat(),
        );
        if (procedure.kind === "reset" || !claimed.length) return [];
        return procedure.needs.flatMap((need) => {
          const not = opposite(board, need);
          if (!not) return [];
          const brain = startOf(board, fitting, procedure);
          arrange(brain, [not]);
          let filled = false;
          makeProcedure(brain, procedure, ({ events }) => {
            // A gesture of its own may bring about what it needs, as a slide that is read on the way.
            filled ||= need.pending === undefined && filledBy(events).some((each) => claimed.includes(each));
          });
          return filled ? [`${procedure.id} without ${JSON.stringify(need)}`] : [];
        });
      }),
    );
    expect(learnedAnyway).toEqual([]);
  });

  test("each reason of a program to refuse, and to break off, keeps it from putting anything in memory", () => {
    const fitting = fullest(board);
    for (const program of fitBoard(board, fitting).programs) {
      for (const refusal of program.refuses) {
        const brain = ready(board, fitting, program);
        arrange(brain, sayable(board, [refusal.when]));
        trigger(brain, program);
        expect([program.id, refusal, kindsOf(brain)]).toEqual([
          program.id,
          refusal,
          expect.arrayContaining(["refused"]),
        ]);
        expect([program.id, brain.fault]).toEqual([program.id, refusal.code]);
        expect(filledBy(brain.events)).toEqual([]);
      }
      for (const row of program.aborts) {
        const brain = ready(board, fitting, program);
        trigger(brain, program);
        if (row.by) brainDoes(brain, row.by);
        if (row.when) arrange(brain, sayable(board, [row.when]));
        waits(brain, 1);
        settles(brain);
        expect([program.id, row, kindsOf(brain)]).toEqual([
          program.id,
          row,
          expect.arrayContaining(["aborted"]),
        ]);
        expect([brain.mode, brain.fault, filledBy(brain.events)]).toEqual(["idle", row.code, []]);
      }
    }
  });

  test("a window that nobody uses closes, and nothing is in memory", () => {
    const fitting = fullest(board);
    for (const program of fitBoard(board, fitting).programs) {
      if (!program.phases.some((phase) => phase.await && phase.seconds !== undefined)) continue;
      const brain = ready(board, fitting, program);
      trigger(brain, program);
      waits(brain, 600);
      expect([program.id, kindsOf(brain), brain.mode]).toEqual([
        program.id,
        expect.arrayContaining(["began", "aborted"]),
        "idle",
      ]);
      expect(filledBy(brain.events)).toEqual([]);
    }
  });
});

/** Every list of phases that lacks one of these, those inside a cycle included. */
function withoutOne(phases: readonly Phase[]): [string, Phase[]][] {
  return phases.flatMap((phase, at) => [
    [JSON.stringify(phase), phases.filter((_, other) => other !== at)] as [string, Phase[]],
    ...(phase.phases ? withoutOne(phase.phases) : []).map(
      ([name, inner]) =>
        [name, phases.map((each, other) => (other === at ? { ...each, phases: inner } : each))] as [
          string,
          Phase[],
        ],
    ),
  ]);
}

const kindsOf = ({ events }: Brain) => events.map(({ kind }) => kind);
const filledBy = (events: readonly BrainEvent[]) =>
  events.flatMap((event) => (event.kind === "learned" || event.kind === "added" ? [event.memory] : []));

/** A condition that is not so where this one is; undefined where a single one does not say it. */
function opposite(board: BoardProfile, when: Condition): Condition | undefined {
  if (when.not) return when.not;
  if (when.closed !== undefined) return { open: when.closed };
  if (when.open !== undefined) return { closed: when.open };
  if (when.learned !== undefined) return { unlearned: when.learned };
  if (when.unlearned !== undefined) return { learned: when.unlearned };
  if (when.pending !== undefined) return { pending: !when.pending };
  if (when.leaf !== undefined) return { leaf: "between" };
  if (when.atLeast !== undefined) return { behaviour: when.behaviour, is: Math.floor(when.atLeast / 2) };
  if (typeof when.is !== "string" || !when.behaviour) return undefined;
  const other = wordsSet(board, when.behaviour).find((word) => word !== when.is);
  return other === undefined ? undefined : { behaviour: when.behaviour, is: other };
}

/** Conditions as they can be brought about: what must not be so as what is so instead. */
const sayable = (board: BoardProfile, conditions: readonly Condition[]): Condition[] =>
  conditions.flatMap((when) => (when.not ? (opposite(board, when.not) ?? []) : [when]));

/** A board on which a program can begin. */
function ready(board: BoardProfile, fitting: Fitting, program: Program): Brain {
  const brain = brainAtRest(board, fitting);
  brain.power = true;
  const refusals = program.refuses.flatMap(({ when }) => opposite(board, when) ?? []);
  arrange(brain, [{ leaf: "between" }, ...sayable(board, [program.when]), ...refusals]);
  brain.events = [];
  return brain;
}

/** Begins a program by the first thing that begins it. */
function trigger(brain: Brain, program: Program): void {
  const [first] = program.on;
  const entry = brain.board.panel?.menus
    .flatMap(({ items }) => items)
    .find(({ does }) => does === program.id);
  if (first?.by) brainDoes(brain, first.by);
  else if (first?.command) brainDoes(brain, { command: "open" });
  else if (entry) make(brain, { choose: { item: entry.id } });
}
