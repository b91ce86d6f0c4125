import { sampleOf } from "../../testing/sample.ts";
import { planJob, type JobPlan } from "../../plan/index.ts";
import { watchWork } from "../../quantity/index.ts";
import { faultChoices } from "../../twin/index.ts";
import { demoBundle, demoJobs } from "../../testing/shipped.ts";
import type { Amiss } from "./play.ts";
import { likeliest, ranStep, sightsOf, type SeenInstead, type Sights } from "./index.ts";

function sightsAt(plan: JobPlan, start: string): Sights {
  const { id } = plan.sheet.find((step) => step.id.startsWith(start))!;
  const trying = sightsOf(plan, plan.sheet, id);
  for (;;) {
    const part = trying.next();
    if (part.done) return part.value!;
    expect(part.value.tried).toBeGreaterThan(0);
    expect(part.value.tried).toBeLessThanOrEqual(1);
  }
}

const told = (sights: Sights, seen: SeenInstead) =>
  likeliest(seen, sights).faults.map(({ what, where }) => (where ? `${what}: ${where}` : what));

const netloft = planJob(demoBundle("netloft"));

describe("a protection's lamp that is dark when power comes", () => {
  const sights = sightsAt(netloft, "do:power-up:on");

  test("is a core of its own device, its beam, or a contact that stays open, what is met most often first", () => {
    const faults = told(sights, { lamps: { "lamp-beam": "dark" } });
    expect(faults.every((text) => text.includes("Photocell, quay side"))).toBe(true);
    expect(faults[0]).toMatch(/^A core is broken|^A beam is out of line/);
    expect(faults).toContain("A beam is out of line: Photocell, quay side");
    const [core] = faults.filter((text) => text.startsWith("A core is broken"));
    // All four cores of its receiver are named in one line; nothing of any other device is.
    for (const colour of ["BN", "BU", "BK", "GY"]) expect(core).toContain(colour);
  });

  test("with each further thing that is told no more faults are left, and none that disagrees", () => {
    const one = likeliest({ lamps: { "lamp-edge": "dark" } }, sights);
    const both = likeliest({ lamps: { "lamp-edge": "dark", "lamp-beam": "lit" } }, sights);
    expect(one.exact && both.exact).toBe(true);
    expect(both.faults.length).toBeLessThanOrEqual(one.faults.length);
    for (const { sight } of both.faults) expect(sight.lamps).toMatchObject({ "lamp-edge": "dark" });
  });

  test("what no single fault does is said to be none, with what comes nearest", () => {
    const { exact, faults } = likeliest({ lamps: { "lamp-edge": "dark", radio: "blinking" } }, sights);
    expect(exact).toBe(false);
    expect(faults.every(({ sight }) => sight.lamps["lamp-edge"] === "dark")).toBe(true);
  });
});

test("a lamp that stays lit while a beam is broken: a contact that never tells, or a link that bridges it", () => {
  const sights = sightsAt(netloft, "sense:cell-street/beam:beam");
  const faults = told(sights, { lamps: { "lamp-beam": "lit" } });
  expect(faults).toContain("A link was left in: P1–P3");
  expect(faults).toContain("A contact is stuck: Photocell, quay side: never tells that the beam is broken");
});

test("a gate that does not set off: a drive's core, or a protection that reads open, each with what to do", () => {
  const sights = sightsAt(netloft, "prove:key/turned:step:command");
  expect(sights.due.moved).toBe("opens");
  const { exact, faults } = likeliest({ moved: "nothing moves" }, sights);
  expect(exact).toBe(true);
  const devices = faults.map(({ where }) => where.split(":")[0]);
  expect(devices).toEqual(expect.arrayContaining(["Key switch, gate post", "Stop, boat store"]));
  for (const { todo } of faults) expect(todo).toMatch(/^[A-Z].*\.$/);
  // Which of them it is the lamps tell.
  const stop = likeliest({ moved: "nothing moves", lamps: { "lamp-stop": "dark" } }, sights).faults;
  expect(stop.every(({ where }) => where.startsWith("Stop, boat store"))).toBe(true);
});

test("a gate that stays open: a switch that stands otherwise is named with where it belongs, and how it is read", () => {
  const sights = sightsAt(netloft, "prove:closes-by-itself");
  expect(sights.due.moved).toBe("opens, then closes");
  const { exact, faults } = likeliest({ moved: "opens" }, sights);
  expect(exact).toBe(true);
  const stray = faults.filter(({ fault }) => fault.kind === "control");
  expect(stray.length).toBeGreaterThan(0);
  for (const { where, todo } of stray) {
    const [control] = where.split(" ");
    expect(todo).toMatch(new RegExp(`^Set ${control} .*have the board read it by its gesture\\.$`));
    expect(todo).not.toContain(where);
  }
});

test("what the display shows is compared as it is read, not as it is typed", () => {
  const icehouse = planJob(demoBundle("icehouse"));
  const sights = sightsAt(icehouse, "sense:cell");
  const shown = new Set(sights.faulty.map(({ sight }) => sight.display));
  for (const display of shown) {
    const typed = display.toUpperCase().replaceAll("|", "  ");
    expect(likeliest({ display: typed }, sights).faults).toEqual(likeliest({ display }, sights).faults);
  }
});

test.each(sampleOf(demoJobs(), 3))(
  "%s: a fault that looks like nothing is not named, and each named one truly looks so",
  (id) => {
    const plan = planJob(demoBundle(id));
    const step = plan.sheet.find((each) => each.id.startsWith("do:power-up"))!;
    const { due, faulty } = sightsAt(plan, step.id);
    for (const { fault, sight } of faulty) {
      const { lamps, display } = ranStep(plan, plan.sheet, step.id, [fault])!;
      expect([id, fault, lamps, display]).toEqual([id, fault, sight.lamps, sight.display]);
      expect([id, fault, sight]).not.toEqual([id, fault, due]);
    }
    const often = faulty.map((each) => each.often);
    expect(often).toEqual(often.toSorted((a, b) => b - a));
  },
);

const openings = ["do:power-up:on", "sense:", "prove:", "do:first-command"];

test.each(
  sampleOf(
    demoJobs().flatMap((id) => openings.map((opening) => [id, opening] as const)),
    4,
  ),
)("%s, %s…: what is told of a fault without playing it is what playing it alone shows", (id, opening) => {
  const plan = planJob(demoBundle(id));
  const step = plan.sheet.find((each) => each.id.startsWith(opening));
  if (!step) return;
  const { faulty } = sightsAt(plan, step.id);
  const alone = (amiss: readonly Amiss[]) => {
    const { lamps, display } = ranStep(plan, plan.sheet, step.id, amiss)!;
    return JSON.stringify([lamps, display]);
  };
  const due = alone([]);
  for (const { what, where, fault } of faultChoices(plan)) {
    const shows = alone([fault]);
    if (shows === due) continue;
    // Those that look the same at one device are told in one line.
    const told = faulty.filter((each) => each.what === what).map(({ sight }) => sight);
    const looks = told.map(({ lamps, display }) => JSON.stringify([lamps, display]));
    expect([what, where, looks]).toEqual([what, where, expect.arrayContaining([shows])]);
  }
});

test("faults that a board cannot tell from one another are played once", () => {
  let played = 0;
  const before = watchWork((work, count) => {
    if (work === "steps") played += 1;
    before?.(work, count);
  });
  sightsAt(netloft, "prove:key/turned:step:command");
  watchWork(before);
  // Of seventy-five things that can be wrong, cores of one device among them, fewer are played than there are faults.
  expect(played).toBeLessThan(faultChoices(netloft).length);
});

test("of a step the sheet has not, nothing is tried", () => {
  expect(sightsOf(netloft, netloft.sheet, "nothing").next()).toEqual({ done: true, value: undefined });
});
