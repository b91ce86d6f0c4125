import { memoriesIn } from "../lookup.ts";
import { forgottenBy, learnedBy, modesOf, phasesOf } from "../programs.ts";
import type { BoardProfile, Claims, Condition, Gesture, Phase, Program } from "../schema/index.ts";
import {
  checkCondition,
  checkGesture,
  gestureText,
  heldBy,
  known,
  type Names,
  type Report,
  touchedBy,
  unique,
} from "../words/index.ts";
import { knownFirmware } from "./names.ts";

/** Keys of which a phase has exactly one: what it does. */
const deeds = [
  "mode",
  "run",
  "mark",
  "await",
  "asks",
  "learn",
  "forget",
  "add",
  "drop",
  "commit",
  "restores",
  "shows",
  "beeps",
  "cycle",
] as const;

function checkPhase(phase: Phase, path: string, names: Names, report: Report): void {
  const given = deeds.filter((key) => phase[key] !== undefined);
  if (given.length > 1 || (given.length === 0 && phase.seconds === undefined))
    report(
      path,
      `one of ${deeds.join(", ")}, or seconds alone`,
      given.join(", ") || undefined,
      "Say one thing a phase.",
    );
  if (phase.when) checkCondition(phase.when, `${path}.when`, names, report);
  for (const key of ["learn", "forget", "add", "drop"] as const)
    for (const id of memoriesIn(phase[key])) known(id, names.memories, `${path}.${key}`, "memory", report);
  known(phase.commit, names.commits, `${path}.commit`, "commit gesture", report);
  if ((phase.cycle === undefined) !== (phase.phases === undefined))
    report(path, "cycle and phases together", phase.cycle ?? "phases", "Say how often, and what.");
  if (phase.await) {
    const { by, heard, when } = phase.await;
    if (by) checkGesture(by, `${path}.await.by`, names, report);
    if (when) checkCondition(when, `${path}.await.when`, names, report);
    if (by === undefined && heard === undefined && when === undefined)
      report(`${path}.await`, "by, heard or when", undefined, "Say what it waits for.");
  }
  if (phase.asks) {
    const { yes, no } = phase.asks;
    if (yes) checkGesture(yes, `${path}.asks.yes`, names, report);
    if (no) checkGesture(no, `${path}.asks.no`, names, report);
    if (!yes && !no)
      report(`${path}.asks`, "yes or no", undefined, "Say by which gesture the question is answered.");
  }
  // One within another multiplies: a few lines would run for ever.
  if (phase.phases?.some((inner) => inner.cycle !== undefined))
    report(`${path}.phases`, "no cycle within a cycle", phase.cycle, "Write the inner one out.");
  phase.phases?.forEach((inner, at) => checkPhase(inner, `${path}.phases[${at}]`, names, report));
}

function checkProgram(
  board: BoardProfile,
  program: Program,
  path: string,
  names: Names,
  report: Report,
): void {
  knownFirmware(program.firmware, `${path}.firmware`, names, report);
  known(program.card, names.cards, `${path}.card`, "card", report);
  checkCondition(program.when, `${path}.when`, names, report);
  program.on.forEach(({ by, command, power }, at) => {
    if ([by, command, power].filter((each) => each !== undefined).length !== 1)
      report(`${path}.on[${at}]`, "one of by, command, power", undefined, "Say what it begins with, once.");
    if (by) checkGesture(by, `${path}.on[${at}].by`, names, report);
  });
  program.refuses.forEach(({ when }, at) =>
    checkCondition(when, `${path}.refuses[${at}].when`, names, report),
  );
  program.aborts.forEach(({ by, when }, at) => {
    if (by) checkGesture(by, `${path}.aborts[${at}].by`, names, report);
    if (when) checkCondition(when, `${path}.aborts[${at}].when`, names, report);
    if (!by && !when) report(`${path}.aborts[${at}]`, "by or when", undefined, "Say what breaks it off.");
  });
  for (const list of ["refuses", "aborts"] as const)
    program[list].forEach(({ code }, at) =>
      known(code, names.codes, `${path}.${list}[${at}].code`, "code", report),
    );
  program.phases.forEach((phase, at) => checkPhase(phase, `${path}.phases[${at}]`, names, report));
  const started = (board.panel?.menus ?? []).some(({ items }) =>
    items.some(({ does }) => does === program.id),
  );
  if (!program.on.length && !started)
    report(
      `${path}.on`,
      "what it begins with",
      undefined,
      "Add a trigger, or let an entry of the menu start it.",
    );
}

/** Conditions that cannot both hold, as far as their words say so. */
function exclude(a: Condition, b: Condition): boolean {
  const differ = (key: "mode" | "leaf" | "supply" | "battery" | "powered" | "pending") =>
    a[key] !== undefined && b[key] !== undefined && a[key] !== b[key];
  const memory = (one: Condition, other: Condition) =>
    one.learned !== undefined && one.learned === other.unlearned;
  const behaves = a.behaviour !== undefined && a.behaviour === b.behaviour && a.is !== b.is;
  const stands = a.control !== undefined && a.control === b.control && a.at !== b.at;
  const negates = (one: Condition, other: Condition) =>
    other.not !== undefined &&
    Object.entries(other.not).every(([key, value]) => one[key as keyof Condition] === value);
  const within = (one: Condition, other: Condition): boolean =>
    (one.all ?? []).some((each) => exclude(each, other));
  return (
    (["mode", "leaf", "supply", "battery", "powered", "pending"] as const).some(differ) ||
    memory(a, b) ||
    memory(b, a) ||
    behaves ||
    stands ||
    negates(a, b) ||
    negates(b, a) ||
    within(a, b) ||
    within(b, a)
  );
}

/** Something a gesture begins outside of the menus, with the state in which it does. */
interface Beginning {
  path: string;
  what: string;
  by: Gesture;
  when: Condition;
  leaves?: number | undefined;
  firmware?: readonly string[] | undefined;
  atOnce: boolean;
}

function beginnings(board: BoardProfile): Beginning[] {
  return [
    ...board.programs.flatMap(({ id, on, when, leaves, firmware }, p) =>
      on.flatMap(({ by, acts }, at) =>
        by
          ? [
              {
                path: `programs[${p}].on[${at}].by`,
                what: id,
                by,
                when,
                leaves,
                firmware,
                atOnce: acts === "at",
              },
            ]
          : [],
      ),
    ),
    ...board.commits.flatMap(({ id, by }, at) =>
      "choose" in by ? [] : [{ path: `commits[${at}].by`, what: id, by, when: {}, atOnce: false }],
    ),
    ...(board.panel?.opens ?? []).flatMap(({ id, by, when, firmware }, at) =>
      by.length === 1
        ? [{ path: `panel.opens[${at}].by`, what: id, by: by[0]!, when, firmware, atOnce: false }]
        : [],
    ),
  ];
}

const together = (a: Beginning, b: Beginning): boolean =>
  !(a.leaves !== undefined && b.leaves !== undefined && a.leaves !== b.leaves) &&
  !(a.firmware && b.firmware && !a.firmware.some((each) => b.firmware!.includes(each))) &&
  !exclude(a.when, b.when);

const heldKeys = (by: Gesture) =>
  "hold" in by || "together" in by
    ? touchedBy(by)
        .map((part) => ("id" in part ? part.id : ""))
        .sort()
        .join(" ")
    : undefined;

/** Two things that one gesture begins in one state, and holds that are never reached behind one that acts before them. */
function checkBeginnings(board: BoardProfile, report: Report): void {
  const all = beginnings(board);
  all.forEach((one, at) =>
    all.slice(0, at).forEach((other) => {
      if (!together(one, other)) return;
      if (gestureText(one.by) === gestureText(other.by))
        report(
          one.path,
          `a gesture of its own, for ${other.what} begins with it in the same state`,
          gestureText(one.by),
          "Give one of the two another gesture, or a state in which the other does not hold.",
        );
      else if (heldKeys(one.by) !== undefined && heldKeys(one.by) === heldKeys(other.by)) {
        const [short, long] = [one, other].sort((a, b) => heldBy(a.by)!.seconds - heldBy(b.by)!.seconds);
        if (short!.atOnce)
          report(
            long!.path,
            `a hold that can be reached: ${short!.what} acts after ${heldBy(short!.by)!.seconds} s already`,
            gestureText(long!.by),
            "Let the shorter act on release, or exclude its state.",
          );
      }
    }),
  );
}

/** What a step claims that no program of the board causes. */
function uncaused(claims: Claims, board: BoardProfile): { key: keyof Claims; found: string }[] {
  const { programs, memories } = board;
  const learned = new Set(programs.flatMap(learnedBy));
  const forgotten = new Set(programs.flatMap(forgottenBy));
  const modes = new Set(["idle", ...programs.flatMap(modesOf)]);
  const refills = new Set(memories.flatMap(({ id, relearns }) => (relearns === undefined ? [] : [id])));
  const without = (key: "learn" | "add" | "forget" | "drop", caused: (id: string) => boolean) =>
    memoriesIn(claims[key]).flatMap((id) => (caused(id) ? [] : [{ key, found: id }]));
  const restored = programs.flatMap(phasesOf).flatMap(({ restores }) => restores ?? []);
  return [
    ...without("learn", (id) => learned.has(id) || refills.has(id)),
    ...without("add", (id) => learned.has(id)),
    ...without("forget", (id) => forgotten.has(id)),
    ...without("drop", (id) => forgotten.has(id)),
    ...(claims.mode === undefined || modes.has(claims.mode)
      ? []
      : [{ key: "mode" as const, found: claims.mode }]),
    ...(claims.restores === undefined || restored.includes(claims.restores)
      ? []
      : [{ key: "restores" as const, found: claims.restores }]),
  ];
}

/** Programs: what they name, what they begin with, and that every claim of a procedure has one that causes it. */
export function checkPrograms(board: BoardProfile, names: Names, report: Report): void {
  unique(names.programs, (at) => `programs[${at}].id`, "a program id", report);
  board.programs.forEach((program, p) => checkProgram(board, program, `programs[${p}]`, names, report));
  checkBeginnings(board, report);
  board.falls.forEach(({ when, code }, at) => {
    checkCondition(when, `falls[${at}].when`, names, report);
    known(code, names.codes, `falls[${at}].code`, "code", report);
  });
  board.keys.forEach(({ does }, k) =>
    does.forEach(({ when }, at) => checkCondition(when, `keys[${k}].does[${at}].when`, names, report)),
  );
  // A profile without programs tells of its board and cannot run: what it claims counts as claimed.
  if (!board.programs.length) return;
  board.procedures.forEach((procedure, p) =>
    procedure.steps.forEach(({ claims }, s) => {
      for (const { key, found } of uncaused(claims, board))
        report(
          `procedures[${p}].steps[${s}].claims.${key}`,
          "something that a program of this board causes",
          found,
          "Add the phase to the program that does it, or correct the claim.",
        );
    }),
  );
}
