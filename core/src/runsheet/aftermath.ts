import { type BoardProfile, type Procedure } from "../board/index.ts";
import type { LogEntry, StepEntry } from "../job/index.ts";
import type { Planned } from "../state/index.ts";
import { answerStep } from "./answer.ts";
import type { Step } from "./step.ts";
import { procedureStepsOf } from "./steps/procedure.ts";
import { answersOf } from "./voids.ts";

/** What a procedure comes to on a job, before it is begun. */
export interface Aftermath {
  /** Labels of the memories it empties, and of those it leaves alone. */
  clears: string[];
  keeps: string[];
  /** What must be written down before, for nothing will tell it afterwards. */
  note: string[];
  /** Steps that were seen and hold no more afterwards, in the order in which they make it good: these and no others. */
  voids: { step: string; title: string; station: Step["station"] }[];
}

const labelOf = (board: BoardProfile, id: string) =>
  board.memories.find((each) => each.id === id)?.label ?? id;

type Holds = BoardProfile["memories"][number]["holds"];

/** What has to be written down before memories of this kind are emptied. */
const noteTexts: Partial<Record<Holds, string>> = {
  values: "Every value in the menus: they go back to what a new board has.",
  remotes: "Who holds which remote: each has to be paired again.",
  keypads: "Who knows which code: each has to be given again.",
  edges: "Which edge transmitters there are: each has to be paired again.",
  faults: "The codes of the fault history.",
  cycles: "The count of cycles.",
};

/** The steps as they would be answered, all seen. */
const asSeen = (procedure: Procedure, planned: Planned): StepEntry[] =>
  procedureStepsOf(planned, procedure, "power-up", { entry: "ahead", reason: "" }).map((draft, at) =>
    answerStep(draft as Step, "seen", { id: `ahead-${at}`, at: "9999-01-01T00:00:00.000Z", by: "" }),
  );

/** Memories that a procedure empties, whether it says so as a whole or step by step. */
const emptied = (procedure: Procedure, planned: Planned): string[] => [
  ...new Set([
    ...procedure.clears,
    ...asSeen(procedure, planned).flatMap(({ effects }) =>
      effects.flatMap((effect) => (effect.kind === "forget" ? [effect.what] : [])),
    ),
  ]),
];

/** What begins with a procedure: what it empties and keeps, what to note first, and what has to be done again afterwards. */
export function aftermathOf(planned: Planned, sheet: readonly Step[], procedure: Procedure): Aftermath {
  const { board, log } = planned.bundle;
  const clears = emptied(procedure, planned);
  const ahead = asSeen(procedure, planned);
  const restores = ahead.some(({ effects }) => effects.some(({ kind }) => kind === "values"));
  const holds = board.memories.filter(({ id }) => clears.includes(id)).map((memory) => memory.holds);
  const before = answersOf({ sheet, bundle: { board, log } }).voided;
  const later: LogEntry[] = [...log, ...ahead];
  const { voided } = answersOf({ sheet, bundle: { board, log: later } });
  return {
    clears: clears.map((id) => labelOf(board, id)),
    keeps: procedure.keeps.filter((id) => !clears.includes(id)).map((id) => labelOf(board, id)),
    note: [
      ...new Set(
        [...holds, ...(restores ? (["values"] as const) : [])].flatMap((kind) => noteTexts[kind] ?? []),
      ),
    ],
    voids: sheet
      .filter(({ id }) => voided.has(id) && !before.has(id))
      .map(({ id, title, station }) => ({ step: id, title, station })),
  };
}
