import { planJob } from "../../plan/index.ts";
import { demoBundle } from "../../testing/shipped.ts";
import { lookSeconds } from "../../twin/index.ts";
import { ranStep, type Ran } from "./index.ts";

const plan = planJob(demoBundle("netloft"));
const ran = (id: string, of = plan): Ran => ranStep(of, of.sheet, id)!;

describe("a step as the moving installation makes it", () => {
  test("tells each leaf's way with its seconds, the leaf that lies below starting last and arriving first", () => {
    const { moves, movements, seconds, samples } = ran("do:first-cycle:cycle");
    expect(moves[0]).toMatch(/^The overlapping leaf opens for \d+ s and stands fully open\.$/);
    const [first, second] = movements;
    expect([first!.leaf, second!.leaf]).toEqual(["first", "second"]);
    expect(second!.begins).toBeGreaterThan(first!.begins);
    expect(movements.at(-1)!.leaf).toBe("first");
    expect(samples.first!.length * lookSeconds).toBeCloseTo(seconds, 0);
    expect(movements.every(({ begins, ends }) => begins >= 0 && ends <= seconds + 1)).toBe(true);
  });

  test("goes on from the step before it, on the same board: what one begins the next one ends", () => {
    const begins = ran("do:learn-travel:start");
    expect(begins.moves.at(-1)).toBe("The gate begins to close and goes on in the next step.");
    const ends = ran("do:learn-travel:run");
    expect(ends.moves.every((text) => / and stands closed\.$/.test(text))).toBe(true);
  });

  test("a step that no hand makes is what it changes; one that makes nothing move moves nothing", () => {
    expect(ranStep(plan, plan.sheet, "nothing")).toBeUndefined();
    expect(ran("isolate:breaker")).toMatchObject({ seconds: 0, moves: [], display: "" });
    expect(new Set(Object.values(ran("isolate:breaker").lamps))).toEqual(new Set(["dark"]));
    expect(ran("do:power-up:on").movements).toEqual([]);
    // Leaves that are brought half-way by hand have not moved by themselves.
    expect(ran("do:direction:half-way").moves).toEqual([]);
  });

  test("a heavier leaf takes no less time, with the masses of this job", () => {
    const heavy = planJob(
      demoBundle("netloft", (job) => {
        for (const leaf of job.survey.leaves) leaf.massKg *= 1.6;
      }),
    );
    const seconds = (of: Ran) => of.movements[0]!.ends - of.movements[0]!.begins;
    expect(seconds(ran("do:first-cycle:cycle", heavy))).toBeGreaterThanOrEqual(
      seconds(ran("do:first-cycle:cycle")),
    );
  });
});

describe("a lamp that shows something for a while", () => {
  const ropewalk = planJob(demoBundle("ropewalk"));

  test("is told with it, and with what it shows then", () => {
    const { see } = ran("do:first-cycle:cycle", ropewalk);
    expect(see).toContainEqual(expect.objectContaining({ label: "LIM 1", is: "lit", meanwhile: "dark" }));
  });

  test("of a button that is let go again it is told what was shown while it was pressed, and why", () => {
    const { see } = ran("prove:key/turned:step:command");
    expect(see[0]).toMatchObject({ label: "STEP", is: "lit", was: "dark" });
    expect(see[0]).toMatchObject({ why: "C2 closed through Key switch, gate post" });
  });
});
