import { movingThing, travelMemories } from "../../board/index.ts";
import { behavioursAt } from "../../controls/index.ts";
import type { Planned } from "../../state/index.ts";
import { chosenProcedures, hasBattery } from "../chosen.ts";
import { settingFacts } from "../rests.ts";
import type { StepDraft } from "../step.ts";
import { procedureStepsOf } from "./procedure.ts";

/** Jobs that were begun before these were asked keep the sheet they had. */
const asks = ({ bundle: { job } }: Planned): boolean => job.proof !== undefined;

/** Where a pairing does not end with it: each newly paired button is tried once, with the leaf in sight. */
export function remoteSteps(planned: Planned): StepDraft[] {
  const { board } = planned.bundle;
  if (!asks(planned) || board.leaves === 0) return [];
  const thing = movingThing(board);
  const remotes = board.memories.flatMap(({ id, holds }) => (holds === "remotes" ? [id] : []));
  return chosenProcedures(planned).flatMap((procedure): StepDraft[] => {
    const fills = procedure.steps
      .flatMap(({ claims }) => claims.add ?? [])
      .filter((id) => remotes.includes(id));
    const tried = procedure.steps.some(({ claims }) => claims.moves?.length);
    if (procedure.kind !== "pair" || !fills.length || tried) return [];
    return [
      {
        id: `try:${procedure.id}`,
        station: "remotes",
        title: `${procedure.title}: tried`,
        says: `Stand where the ${thing} is in sight and press the paired button once.`,
        caution: `The ${thing} moves.`,
        gestures: [{ remote: { sends: "press", times: 1, says: "press the paired button" } }],
        effects: [],
        needs: [{ powered: true }, ...fills.map((learned) => ({ learned }))],
        ifNot: "It does not move: another button was pressed than the one that was paired. Pair that one.",
        subjects: [],
      },
    ];
  });
}

/** What is asked on the way and seldom seen: closing by itself, no mains, a low battery. */
export function asideSteps(planned: Planned): StepDraft[] {
  if (!asks(planned)) return [];
  const { board } = planned.bundle;
  const given = behavioursAt(board, planned.controls.positions);
  const thing = movingThing(board);
  const learned = travelMemories(board).map((memory) => ({ learned: memory }));
  const closing: StepDraft[] =
    given["automatic-closing"] === true && board.leaves > 0
      ? [
          {
            id: "prove:closes-by-itself",
            station: "prove",
            title: "Closing by itself",
            says: `Command it open, stand clear and wait, with nothing in the way.`,
            caution: `The ${thing} closes without a command.`,
            gestures: [{ command: "open" }, { watch: { says: "it closing by itself" } }],
            effects: [],
            needs: [{ powered: true }, ...learned],
            ifNot: "It stays open: a protection reads open, or automatic closing is not in force.",
            rests: settingFacts(planned, ["automatic-closing", "automatic-closing-time", "first-pause"]),
            subjects: [],
          },
        ]
      : [];
  const battery = hasBattery(planned);
  const lost = board.procedures.filter(
    ({ kind }) =>
      (kind === "mains-failure" && (battery || !board.battery)) || (kind === "battery-low" && battery),
  );
  return [...closing, ...lost.flatMap((procedure) => procedureStepsOf(planned, procedure, "prove"))];
}
