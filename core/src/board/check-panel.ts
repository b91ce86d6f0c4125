import { known, unique, type Report } from "./report.ts";
import type { BoardProfile, Condition } from "./schema.ts";

/** Keys, lamps, commit gestures and procedures. */
export function checkPanel(board: BoardProfile, report: Report): void {
  const keys = board.keys.map((key) => key.id);
  const inputs = board.inputs.map((input) => input.id);
  unique(keys, (at) => `keys[${at}].id`, "a key id", report);
  unique(
    board.lamps.map((l) => l.id),
    (at) => `lamps[${at}].id`,
    "a lamp id",
    report,
  );
  unique(
    board.procedures.map((p) => p.id),
    (at) => `procedures[${at}].id`,
    "a procedure id",
    report,
  );
  unique(
    board.commits.map((c) => c.for),
    (at) => `commits[${at}].for`,
    "one commit gesture a kind of control",
    report,
  );
  board.commits.forEach((commit, c) => known(commit.hold.key, keys, `commits[${c}].hold.key`, "key", report));

  const modes = board.procedures.flatMap((p) => p.steps.map((s) => s.effects.mode));
  const learnable = board.procedures.flatMap((p) => p.steps.map((s) => s.effects.learn));
  const condition = (when: Condition, path: string) => {
    known(when.closed, inputs, `${path}.closed`, "input", report);
    known(when.open, inputs, `${path}.open`, "input", report);
    for (const key of ["learned", "unlearned"] as const)
      if (when[key] !== undefined && !learnable.includes(when[key]))
        report(
          `${path}.${key}`,
          "something a procedure of this board learns",
          when[key],
          "Add the effect to the procedure that learns it, or correct the word.",
        );
    if (when.mode !== undefined && !modes.includes(when.mode))
      report(
        `${path}.mode`,
        "a mode a procedure of this board enters",
        when.mode,
        "Add the effect to the step that enters it, or correct the word.",
      );
  };
  board.lamps.forEach((lamp, l) =>
    lamp.shows.forEach((row, r) => condition(row.when, `lamps[${l}].shows[${r}].when`)),
  );
  board.procedures.forEach((procedure, p) => {
    procedure.needs.forEach((need, n) => condition(need, `procedures[${p}].needs[${n}]`));
    unique(
      procedure.steps.map((s) => s.id),
      (at) => `procedures[${p}].steps[${at}].id`,
      "a step id",
      report,
    );
    procedure.steps.forEach((step, s) => {
      const path = `procedures[${p}].steps[${s}]`;
      if ("hold" in step.do) known(step.do.hold.key, keys, `${path}.do.hold.key`, "key", report);
      if ("press" in step.do) known(step.do.press.key, keys, `${path}.do.press.key`, "key", report);
      known(
        step.effects.commit,
        board.commits.map((c) => c.id),
        `${path}.effects.commit`,
        "commit gesture",
        report,
      );
    });
  });
}
