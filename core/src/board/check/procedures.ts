import { memoriesIn } from "../lookup.ts";
import type { BoardProfile, Condition, Procedure } from "../schema/index.ts";
import { knownFirmware } from "./names.ts";
import {
  checkCondition,
  checkGesture,
  conditionHolds,
  known,
  type Names,
  type Report,
  unique,
} from "../words/index.ts";

/** What the board can be brought to, so far as procedures need it. */
interface Reached {
  powered: Set<boolean>;
  modes: Set<string>;
  learned: Set<string>;
}

/** Whether a need can come about: what procedures can cause as far as they have, and anything a person can do. */
function possible(need: Condition, at: Reached): boolean {
  return conditionHolds(need, {
    power: (on) => at.powered.has(on),
    mode: (word) => at.modes.has(word),
    learned: (memory, yes) => !yes || at.learned.has(memory),
    reads: () => true,
    pending: () => true,
    behaviour: () => true,
    control: () => true,
    fitted: () => true,
    leaf: () => true,
    supply: () => true,
    battery: () => true,
    timer: () => true,
    fault: () => true,
  });
}

/** Procedures that nothing can ever make ready: their power, mode or memory is caused by none that can run before. */
function neverReady(board: BoardProfile): { procedure: number; need: number }[] {
  const at: Reached = { powered: new Set([false]), modes: new Set(["idle"]), learned: new Set() };
  const waiting = new Set(board.procedures.keys());
  for (let grown = true; grown;) {
    grown = false;
    for (const index of waiting) {
      const procedure = board.procedures[index]!;
      if (!procedure.needs.every((need) => possible(need, at))) continue;
      waiting.delete(index);
      grown = true;
      for (const { claims: effects } of procedure.steps) {
        if (effects.power !== undefined) at.powered.add(effects.power);
        if (effects.mode !== undefined) at.modes.add(effects.mode);
        for (const memory of [...memoriesIn(effects.learn), ...memoriesIn(effects.add)])
          at.learned.add(memory);
      }
    }
  }
  return [...waiting].map((procedure) => ({
    procedure,
    need: board.procedures[procedure]!.needs.findIndex((need) => !possible(need, at)),
  }));
}

function checkReset(
  procedure: Procedure,
  path: string,
  names: Names,
  own: readonly string[],
  report: Report,
): void {
  for (const key of ["clears", "keeps"] as const)
    procedure[key].forEach((id, at) => known(id, names.memories, `${path}.${key}[${at}]`, "memory", report));
  procedure.keeps.forEach((id, at) => {
    if (procedure.clears.includes(id))
      report(`${path}.keeps[${at}]`, "a memory it does not clear", id, "Take it out of clears or of keeps.");
  });
  if (procedure.kind !== "reset") return;
  const named = [...procedure.clears, ...procedure.keeps];
  const unnamed = own.filter((id) => !named.includes(id));
  if (unnamed.length)
    report(
      `${path}.keeps`,
      "every memory of the board among clears and keeps",
      `nothing of ${unnamed.join(", ")}`,
      "Say of each memory whether the reset clears or keeps it.",
    );
  const forgotten = procedure.steps.flatMap(({ claims }) => [
    ...memoriesIn(claims.forget),
    ...memoriesIn(claims.drop),
  ]);
  procedure.clears.forEach((id, at) => {
    if (!forgotten.includes(id))
      report(
        `${path}.clears[${at}]`,
        "a memory that one of its steps forgets",
        id,
        "Add forget to the step's claims.",
      );
  });
}

function checkEnds(procedure: Procedure, path: string, report: Report): void {
  const modes = procedure.steps.flatMap((step) => step.claims.mode ?? []);
  const last = modes.at(-1);
  if (last !== undefined && last !== "idle")
    report(
      `${path}.steps`,
      "a step that ends the mode, with claims: { mode: idle }",
      last,
      "Say at which step the board is done; a learn must end.",
    );
  const learns = procedure.steps.some(({ claims }) => memoriesIn(claims.learn).length || claims.add);
  if ((procedure.kind === "learn" || procedure.kind === "pair") && !learns)
    report(
      `${path}.steps`,
      "a step that learns something",
      procedure.kind,
      "Add claims: { learn: … } to the step after which the board knows it.",
    );
}

function checkSteps(procedure: Procedure, path: string, names: Names, report: Report): void {
  unique(
    procedure.steps.map((s) => s.id),
    (at) => `${path}.steps[${at}].id`,
    "a step id",
    report,
  );
  procedure.steps.forEach((step, s) => {
    const at = `${path}.steps[${s}]`;
    step.do.forEach((each, d) =>
      checkGesture(each, step.do.length > 1 ? `${at}.do[${d}]` : `${at}.do`, names, report),
    );
    if (step.when) checkCondition(step.when, `${at}.when`, names, report);
    known(step.claims.commit, names.commits, `${at}.claims.commit`, "commit gesture", report);
    for (const key of ["learn", "forget", "add", "drop"] as const)
      for (const id of memoriesIn(step.claims[key]))
        known(id, names.memories, `${at}.claims.${key}`, "memory", report);
  });
}

/** Procedures: what they name, what they wait for, and that they end; `own` are the memories of the board without cards. */
export function checkProcedures(
  board: BoardProfile,
  names: Names,
  own: readonly string[],
  report: Report,
): void {
  unique(names.procedures, (at) => `procedures[${at}].id`, "a procedure id", report);
  unique(names.memories, (at) => `memories[${at}].id`, "a memory id", report);
  board.procedures.forEach((procedure, p) => {
    const path = `procedures[${p}]`;
    procedure.needs.forEach((need, n) => checkCondition(need, `${path}.needs[${n}]`, names, report));
    knownFirmware(procedure.firmware, `${path}.firmware`, names, report);
    known(procedure.card, names.cards, `${path}.card`, "card", report);
    const others = names.procedures.filter((id) => id !== procedure.id);
    known(procedure.instead, others, `${path}.instead`, "other procedure", report);
    if (procedure.leaves !== undefined && procedure.leaves > board.leaves)
      report(
        `${path}.leaves`,
        `at most ${board.leaves}, as the board drives`,
        procedure.leaves,
        "Correct one of the two.",
      );
    checkSteps(procedure, path, names, report);
    checkReset(procedure, path, names, own, report);
    checkEnds(procedure, path, report);
  });
  for (const { procedure, need } of neverReady(board))
    report(
      `procedures[${procedure}].needs[${need}]`,
      "something that a procedure of this board can cause before it",
      board.procedures[procedure]!.needs[need],
      "It would wait for ever: add the effect to the step that causes it, or correct the need.",
    );
}
