import type { Gesture } from "../board/index.ts";
import { practiceBundle, type JobPlan } from "../plan/index.ts";
import { benchFrom } from "../replay/index.ts";
import type { Step } from "../runsheet/index.ts";
import { planOnce, boardIds, shippedBoard, shippedDevices } from "../testing/shipped.ts";
import { courseOf, happens, twinRuns, type Course } from "../twin/index.ts";
import { Lead, type LeadNow } from "./index.ts";

const planOf = (board: string): JobPlan => planOnce(practiceBundle(shippedBoard(board), shippedDevices()));

function begun(plan: JobPlan): { course: Course; lead: Lead } {
  const course = courseOf(plan, benchFrom(plan, "wired"), { seed: 1, spread: 0, live: false });
  return { course, lead: new Lead(plan, course.twin.brain) };
}

/** What hands do for a step: its gestures, or what it sets. */
const gesturesOf = ({ gestures, gesture, effects }: Step): readonly Gesture[] =>
  gestures ??
  (gesture
    ? [gesture]
    : effects.flatMap((effect): Gesture[] => {
        if (effect.kind !== "switches" && effect.kind !== "dials" && effect.kind !== "values") return [];
        return Object.entries(effect.to).map(([id, to]) =>
          effect.kind === "values" ? { choose: { item: id, as: to } } : { set: { control: id, to } },
        );
      }));

const does = (course: Course, made: Gesture) => happens(course, { at: 0, do: made });

/** Leaves a menu that it is told still stands open. */
function leavesMenu(lead: Lead, course: Course): void {
  const { back } = course.twin.brain.board.panel ?? {};
  // Whoever reads what comes next gives the board time to store.
  twinRuns(course.twin, 3);
  for (
    let n = 0;
    n < 5 && back && lead.now().amiss.some((text) => text.includes("still stands open"));
    n += 1
  )
    does(course, back);
}

/** Does the step at hand, and waits for what comes of it. */
function follows(plan: JobPlan, course: Course, lead: Lead): LeadNow {
  const { step, nod, at } = lead.now();
  const whole = plan.sheet.find(({ id }) => id === step!.id)!;
  leavesMenu(lead, course);
  for (const each of gesturesOf(whole)) does(course, each);
  if (nod) lead.nod();
  for (let waited = 0; waited < 240 && lead.now().at === at; waited += 1) twinRuns(course.twin, 1);
  return lead.now();
}

const moving = boardIds().filter((id) => shippedBoard(id).leaves > 0);

describe.each(moving)("someone who commissions %s by what it says", (id) => {
  const plan = planOf(id);

  test("comes from power-up to the end, and every step is seen to be done as it is done", () => {
    const { course, lead } = begun(plan);
    const { of } = lead.now();
    expect(of).toBeGreaterThan(4);
    for (let at = 1; at <= of; at += 1) {
      const { at: is, step, amiss } = lead.now();
      if (is > at) continue;
      // Nothing was done wrong: of what is not there nothing is said.
      expect([step!.id, amiss.filter((text) => !/still stands open/.test(text))]).toEqual([step!.id, []]);
      expect(follows(plan, course, lead).at).toBeGreaterThan(at);
      expect(step!.says).toMatch(/\.$/);
    }
    const { step, amiss } = lead.now();
    expect({ step, amiss }).toEqual({ step: undefined, amiss: [] });
    const { brain } = course.twin;
    for (const { id: memory, holds } of brain.board.memories)
      if (holds === "travel") expect([memory, brain.held[memory]]).toEqual([memory, 1]);
  });

  test("is told every key for a value of its menus", () => {
    const { course, lead } = begun(plan);
    const inApp = (item: string) =>
      plan.bundle.board.panel?.menus.some(
        ({ kind, items }) => kind === "app" && items.some((each) => each.id === item),
      );
    for (let { step, keys, of, at } = lead.now(); step; { step, keys, of, at } = lead.now()) {
      const sets = plan.sheet
        .find(({ id: each }) => each === step!.id)!
        .effects.flatMap((effect) => (effect.kind === "values" ? Object.keys(effect.to) : []));
      const byKeys = step.id.startsWith("set:") && sets.length > 0 && !sets.some(inApp);
      expect([id, step.id, keys !== undefined]).toEqual([id, step.id, byKeys]);
      expect(at).toBeLessThanOrEqual(of);
      follows(plan, course, lead);
    }
  });

  test("goes no further while nothing is done", () => {
    const { course, lead } = begun(plan);
    const first = lead.now();
    twinRuns(course.twin, 5);
    expect(lead.now()).toEqual(first);
  });
});

describe("a mistake", () => {
  const plan = planOf("quillmarsh-tandrel");
  const upTo = (start: string) => {
    const { course, lead } = begun(plan);
    while (!lead.now().step!.id.startsWith(start)) follows(plan, course, lead);
    return { course, lead };
  };

  test("a hold let go too early: the step stays, with what to do", () => {
    const { course, lead } = upTo("commit:read-dials");
    does(course, { hold: { key: "TAKE", seconds: 1 } });
    twinRuns(course.twin, 2);
    const { step } = lead.now();
    expect(step!.id).toMatch(/^commit:read-dials/);
    expect(step!.ifNot).toMatch(/Hold TAKE again for the full 3 s/);
  });

  test("a switch flipped that no step asks for is told with where it belongs, until it stands there again", () => {
    const { course, lead } = upTo("do:direction");
    const { S1 } = course.twin.brain.positions.switches;
    does(course, { set: { control: "S1", to: S1 === "on" ? "off" : "on" } });
    expect(lead.now().amiss).toContain(`S1 stands at ${S1 === "on" ? "off" : "on"}: it belongs at ${S1!}.`);
    does(course, { set: { control: "S1", to: S1! } });
    expect(lead.now().amiss).toEqual([]);
  });

  test("learning with a protection open: what reads open is named, and what the board says to it", () => {
    const { course, lead } = upTo("do:learn-travel:start");
    happens(course, { at: 0, works: { input: "beam", worked: true } });
    does(course, { hold: { key: "MOVE", seconds: 6 } });
    twinRuns(course.twin, 1);
    const { amiss, step } = lead.now();
    expect(step!.id).toBe("do:learn-travel:start");
    expect(amiss[0]).toMatch(/^Photocell at P3 reads open/);
    expect(amiss.length).toBeGreaterThan(1);
    happens(course, { at: 0, works: { input: "beam", worked: false } });
    expect(follows(plan, course, lead).at).toBeGreaterThan(0);
  });

  test("a list that is left without saving: what was given up is named, and set again", () => {
    const furzel = planOf("furzel-slathorn");
    const { course, lead } = begun(furzel);
    while (!lead.now().step!.id.startsWith("commit:")) follows(furzel, course, lead);
    expect(lead.now().amiss).toEqual([]);
    const { back } = course.twin.brain.board.panel!;
    for (let n = 0; n < 4 && course.twin.brain.panel.path.length; n += 1) does(course, back!);
    const { step, amiss } = lead.now();
    expect(step!.id).toMatch(/^commit:/);
    expect(amiss).toContain("20 Push stands at 6: it belongs at 5.");
  });

  test("a program begun by a slip in the menus is named, with the way out", () => {
    const { course, lead } = begun(planOf("hexby-hoistrum"));
    follows(planOf("hexby-hoistrum"), course, lead);
    expect(lead.now().step!.id).toMatch(/^set:/);
    does(course, { choose: { item: "ends" } });
    expect(lead.now().amiss).toContainEqual(
      expect.stringMatching(/^It is at something else: .*take its power/),
    );
    does(course, { power: "off" });
    does(course, { power: "on" });
    twinRuns(course.twin, 3);
    expect(lead.now().amiss).toEqual([]);
  });

  test("a procedure that the board leaves before it is done is begun again from its first step", () => {
    const late = upTo("do:pair-remote:press");
    // It listens for 25 s, and nobody presses.
    twinRuns(late.course.twin, 30);
    expect(late.lead.now().step!.id).toBe("do:pair-remote:listen");
    expect(late.lead.now().amiss).toEqual(["It was broken off before it was done: begin it again."]);
    follows(plan, late.course, late.lead);
    expect(late.lead.now().step!.id).toBe("do:pair-remote:press");
    expect(late.lead.now().amiss).toEqual([]);

    const cut = upTo("do:learn-travel:run");
    does(cut.course, { power: "off" });
    expect(cut.lead.now().step!.id).toBe("do:learn-travel:open-by-hand");
    does(cut.course, { power: "on" });
    twinRuns(cut.course.twin, 3);
    while (cut.lead.now().step!.id.startsWith("do:learn-travel")) follows(plan, cut.course, cut.lead);
    expect(cut.course.twin.brain.held).toMatchObject({ travel: 1 });
  });

  test("power that goes off again is asked for before anything else", () => {
    const { course, lead } = upTo("do:direction");
    does(course, { power: "off" });
    expect(lead.now().amiss).toContain("First: the board must have power.");
  });
});
