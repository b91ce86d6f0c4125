import { behavioursAt } from "../../controls/index.ts";
import type { JobPlan } from "../../plan/index.ts";
import { corpusTable, planOf, ranOnce } from "../../testing/corpus/index.ts";
import { saidOf } from "../../testing/ran.ts";
import { boardIds, demoBundle, demoJobs, planOnce, shippedBoard } from "../../testing/shipped.ts";
import { usualPlan } from "../../testing/twins.ts";
import { faceAt } from "../../twin/index.ts";
import type { Step } from "../index.ts";

/** What is seen of sheets as they are played: each step once, whoever looks at it. */

const demoPlan = (id: string): JobPlan => planOnce(demoBundle(id));

let proofs = 0;

describe.each(corpusTable)("the sheet of %s", (_, of) => {
  const plan = planOf(of);

  test("protections that are proved do what their sentence says, as far as the leaf tells it", () => {
    for (const step of plan.sheet) {
      if (!step.proves || step.proves.commands) continue;
      const said = saidOf(step);
      const { moves, movements } = ranOnce(plan, step);
      const { leaf: moment } = step.proves;
      const toward = moment === "opening" || moment === "closed" ? 1 : -1;
      const way = movements.map(({ from, to }) => Math.sign(to - from));
      proofs += 1;
      const told = [step.id, said, moves];
      if (/does not move|stays|holds/.test(said)) expect([...told, way]).toEqual([...told, []]);
      else if (/goes on|all the same/.test(said))
        expect([...told, new Set(way)]).toEqual([...told, new Set([toward])]);
      else if (/reverses/.test(said)) expect([...told, way.at(-1)]).toEqual([...told, -toward]);
      else if (/stops/.test(said)) expect([...told, way.includes(toward)]).toEqual([...told, false]);
    }
  });
});

test("and there are proofs enough to tell", () => {
  expect(proofs).toBeGreaterThan(60);
});

/** Where the first leaf comes to rest after a step, in a word. */
const restOf = (plan: JobPlan, step: Step): string | undefined => {
  const [part] = ranOnce(plan, step).samples.first?.at(-1) ?? [];
  return part === undefined ? undefined : part < 0.03 ? "closed" : part > 0.97 ? "open" : "between";
};

describe.each(demoJobs())("the sheet of %s", (id) => {
  const plan = demoPlan(id);

  test("every step of it is played, and shows what the state after it shows", () => {
    for (const step of plan.sheet) {
      const { lamps, display, moves } = ranOnce(plan, step);
      const [leaf] = step.effects.flatMap((effect) => (effect.kind === "leaf" ? [effect.at] : []));
      const rest = restOf(plan, step);
      // Where it comes to rest is what the steps after it count on.
      const closes =
        leaf === "closed" && behavioursAt(plan.bundle.board, step.during.inForce)["automatic-closing"];
      if (leaf && rest !== undefined && !closes && !/goes on/.test(moves.at(-1) ?? ""))
        expect([step.id, rest]).toEqual([step.id, leaf]);
      if (step.proves) continue;
      // A step read from its state alone, as before it was played.
      const shows = faceAt(plan, step.during);
      const other = Object.keys(lamps).filter(
        (lamp) => lamps[lamp] !== shows.lamps[lamp] && !lamp.startsWith("lim-"),
      );
      expect([step.id, other]).toEqual([step.id, []]);
      if (!step.shows && !step.gestures) expect([step.id, display]).toEqual([step.id, shows.display]);
    }
  });

  test("no leaf is anywhere else but on its way, moves in a leap, or faster at one moment than it could", () => {
    for (const step of plan.sheet)
      for (const [which, samples = []] of Object.entries(ranOnce(plan, step).samples))
        samples.forEach(([part], n) => {
          const came = Math.abs(part - (samples[n - 1]?.[0] ?? part));
          const byHand = step.effects.some(({ kind }) => kind === "leaf");
          // No drive in the catalogue brings a leaf from end to end in under a second.
          if (part > -0.02 && part < 1.02 && (byHand || came < 0.11)) return;
          throw new Error(
            `${step.id}: the ${which} leaf is at ${part} after a leap of ${came} of its way, sample ${n}`,
          );
        });
  });

  test("what is told of a movement is what the leaf did: from where, to where, and in which seconds", () => {
    for (const step of plan.sheet) {
      const { movements, samples, seconds } = ranOnce(plan, step);
      for (const { leaf, from, to, begins, ends } of movements) {
        const parts = samples[leaf]!.map(([part]) => part);
        const told = [step.id, leaf, from, to];
        expect([...told, begins >= 0, begins < ends, ends <= seconds + 1]).toEqual([
          ...told,
          true,
          true,
          true,
        ]);
        const [least, most] = [Math.min(...parts) - 0.02, Math.max(...parts) + 0.02];
        expect([...told, from > least && from < most, to > least && to < most]).toEqual([
          ...told,
          true,
          true,
        ]);
        expect([...told, Math.abs(to - from) > 0.005]).toEqual([...told, true]);
      }
    }
  });
});

const bare = boardIds()
  .filter((id) => shippedBoard(id).leaves === 0)
  .map((id) => [id, usualPlan(id)] as const);
const sheets: (readonly [string, JobPlan])[] = [
  ...corpusTable.map(([name, of]) => [name, planOf(of)] as const),
  ...bare,
  ...demoJobs().map((id) => [id, demoPlan(id)] as const),
];

test("a display is told where it shows something else than before, and not again by each step that leaves it", () => {
  let kept = 0;
  for (const name of demoJobs()) {
    const plan = demoPlan(name);
    plan.sheet.forEach((step, at) => {
      const before = plan.sheet[at - 1];
      if (!before || step.station === "prove" || before.station === "prove") return;
      const [was, is] = [ranOnce(plan, before), ranOnce(plan, step)];
      const told = is.see.some((seen) => seen.kind === "display");
      if (is.display && is.display === was.display && !step.shows && !before.shows) {
        kept += 1;
        expect([name, step.id, is.display, told]).toEqual([name, step.id, is.display, false]);
      }
    });
  }
  expect(kept).toBeGreaterThan(10);
});

test.each(sheets)(
  "%s: lamps are looked at all together when power comes, and else where they change or where it is asked for",
  (_, plan) => {
    const all = plan.bundle.board.lamps.map((lamp) => lamp.id);
    for (const step of plan.sheet) {
      if (step.station !== "power-up") continue;
      const looked = ranOnce(plan, step).see.flatMap((seen) => (seen.kind === "lamp" ? [seen] : []));
      if (step.effects.some((effect) => effect.kind === "power" && effect.on))
        expect([step.id, looked.map(({ lamp }) => lamp)]).toEqual([step.id, all]);
      else
        for (const { lamp, is, was, meanwhile } of looked) {
          const asked = is !== was || meanwhile !== undefined || step.alwaysSee?.includes(lamp);
          expect([step.id, lamp, asked]).toEqual([step.id, lamp, true]);
        }
    }
  },
);
