import { isClock } from "../../quantity/index.ts";
import type { Condition, Gesture } from "../schema/index.ts";
import type { Names } from "./names.ts";
import { known, type Report } from "./report.ts";

function position(id: string, to: string | undefined, path: string, names: Names, report: Report): void {
  known(id, [...names.controls.keys()], `${path}.control`, "control", report);
  if (!names.controls.has(id) || to === undefined) return;
  const positions = names.controls.get(id);
  if (positions ? !positions.includes(to) : !isClock(to))
    report(
      `${path}.${path.endsWith(".set") ? "to" : "at"}`,
      positions ? `a position of ${id} (${positions.join(", ")})` : 'a clock time such as "7:30"',
      to,
      "Give a position the control can stand at.",
    );
}

/** A condition and everything it names. */
export function checkCondition(when: Condition, path: string, names: Names, report: Report): void {
  known(when.closed, names.inputs, `${path}.closed`, "input", report);
  known(when.open, names.inputs, `${path}.open`, "input", report);
  known(when.card, names.cards, `${path}.card`, "card", report);
  for (const key of ["learned", "unlearned"] as const)
    known(when[key], names.memories, `${path}.${key}`, "memory", report);
  if (when.mode !== undefined && !names.modes.includes(when.mode))
    report(
      `${path}.mode`,
      `a mode a procedure of this board enters (${names.modes.join(", ")})`,
      when.mode,
      "Add the effect to the step that enters it, or correct the word.",
    );
  if (when.behaviour !== undefined && !names.behaviours.has(when.behaviour))
    report(
      `${path}.behaviour`,
      "a behaviour that a control of this board sets",
      when.behaviour,
      "Tie it to the control that sets it, or state it under fixed.",
    );
  if (when.behaviour === undefined && (when.is !== undefined || when.atLeast !== undefined))
    report(path, "a behaviour beside is or atLeast", when, "Say which behaviour is meant.");
  if (when.control !== undefined) position(when.control, when.at, path, names, report);
  if ((when.control === undefined) !== (when.at === undefined))
    report(path, "control and at together", when, "Give both, or neither.");
}

/** A gesture and everything it names. */
export function checkGesture(gesture: Gesture, path: string, names: Names, report: Report): void {
  const key = (id: string, at: string) => known(id, names.keys, at, "key", report);
  if ("hold" in gesture) key(gesture.hold.key, `${path}.hold.key`);
  if ("press" in gesture) key(gesture.press.key, `${path}.press.key`);
  if ("turn" in gesture) key(gesture.turn.key, `${path}.turn.key`);
  if ("together" in gesture)
    gesture.together.keys.forEach((id, at) => key(id, `${path}.together.keys[${at}]`));
  if ("trip" in gesture) known(gesture.trip.input, names.inputs, `${path}.trip.input`, "input", report);
  if ("set" in gesture) position(gesture.set.control, gesture.set.to, `${path}.set`, names, report);
  if ("choose" in gesture) {
    const { item, as } = gesture.choose;
    known(item, [...names.items.keys()], `${path}.choose.item`, "menu entry", report);
    const positions = names.items.get(item) ?? [];
    if (as !== undefined && names.items.has(item) && !positions.includes(as))
      report(
        `${path}.choose.as`,
        positions.length
          ? `what ${item} can show (${positions.slice(0, 12).join(", ")})`
          : "nothing: the entry has no value",
        as,
        "Give what the display shows for the wanted value.",
      );
  }
}
