import { behaviour, behaviourText } from "../../board/index.ts";
import type { Given, PlannedControl } from "../../controls/index.ts";
import type { StateEffect } from "../../job/index.ts";
import { listed } from "../../quantity/index.ts";
import type { Planned } from "../state.ts";
import type { StepDraft } from "../step.ts";

function givesText(gives: readonly Given[]): string {
  return listed(
    gives.flatMap(({ behaviour: id, given }) =>
      given === undefined ? [] : [`${behaviour(id).label.toLowerCase()} ${behaviourText(id, given)}`],
    ),
  );
}

function subjects(control: PlannedControl): StepDraft["subjects"] {
  return control.parts.map((id) => ({ kind: control.kind === "dial" ? "dial" : "switch", id }));
}

function turnEffect(control: PlannedControl): StateEffect {
  if (control.kind === "dial") return { kind: "dials", to: { [control.id]: control.planned[0] ?? "" } };
  const to = control.parts.map((id, at) => [id, control.planned[at] === "on" ? "on" : "off"] as const);
  return { kind: "switches", to: Object.fromEntries(to) };
}

function changeStep(control: PlannedControl): StepDraft {
  const dial = control.kind === "dial";
  const switches = control.parts.map((id, at) => `${id} ${control.planned[at]}`);
  const says = dial
    ? `Turn ${control.label} (${control.id}) to ${control.planned[0]} on the clock.`
    : `Set ${listed(switches)}.`;
  return {
    id: `set:${control.id}:${control.planned.join(",")}`,
    station: "set",
    title: dial ? `${control.label} to ${control.planned[0]}` : `${control.label}: ${listed(switches)}`,
    says,
    control: control.id,
    effects: [turnEffect(control)],
    alsoSee: [
      `It stands for ${givesText(control.gives)}.${control.commit ? " Nothing is in force yet: the board reads it later, by its gesture." : ""}`,
    ],
    subjects: subjects(control),
  };
}

/** What must change, one control a step; then one look at what is already right. */
export function setSteps({ controls }: Planned): StepDraft[] {
  const right = controls.controls.filter((control) => !control.change);
  const steps = controls.controls.filter((control) => control.change).map(changeStep);
  if (right.length)
    steps.push({
      id: `set:right:${right.map((control) => `${control.id}=${control.planned.join("")}`).join(",")}`,
      station: "set",
      title: "What already stands right",
      says: `Leave and check: ${listed(right.map((control) => (control.kind === "dial" ? `${control.label} at ${control.planned[0]}` : control.parts.map((id, at) => `${id} ${control.planned[at]}`).join(", "))))}.`,
      effects: [],
      alsoSee: ["Each stands as listed."],
      ifNot: "Correct what was noted as found under Survey; the plan follows.",
      subjects: right.flatMap(subjects),
    });
  return steps;
}

/** The commit gestures that the moved controls owe, done once the board has power. */
export function commitSteps({ bundle, controls }: Planned): StepDraft[] {
  return bundle.board.commits.flatMap((commit): StepDraft[] => {
    const moved = controls.controls.filter((control) => control.change && control.commit === commit.id);
    if (!moved.length) return [];
    return [
      {
        id: `commit:${commit.id}:${moved.map((control) => `${control.id}=${control.planned.join("")}`).join(",")}`,
        station: "power-up",
        title: `Have the ${commit.for} read`,
        says: commit.says,
        gesture: { hold: commit.hold },
        caution: bundle.board.keys.find((key) => key.id === commit.hold.key)?.outside,
        effects: [{ kind: "commit", which: commit.for }],
        alwaysSee: bundle.board.lamps
          .filter((lamp) => lamp.shows.some((row) => row.when.pending !== undefined))
          .map((lamp) => lamp.id),
        ifNot: `Let go too early and nothing is read. Hold ${commit.hold.key} again for the full ${commit.hold.seconds} s.`,
        subjects: [{ kind: "key", id: commit.hold.key }, ...moved.flatMap(subjects)],
      },
    ];
  });
}
