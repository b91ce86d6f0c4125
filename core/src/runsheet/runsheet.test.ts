import { wordsOf, type FindingCode } from "../finding/index.ts";
import { answered, demoBundle, planAfter } from "../testing/shipped.ts";
import { readingMisfit, type Step } from "./index.ts";
import { dynamicForceLimitN, forceGapsMm } from "./steps/force.ts";
import { stations } from "./step.ts";
import { planJob, type JobPlan } from "../plan/index.ts";
import { conditionHolds } from "../board/index.ts";
import { circumstancesOf, readingsOf } from "../state/index.ts";
import { lampsOf, ranOf, textsOf } from "../testing/ran.ts";

const demos = ["netloft", "sheds", "slip"] as const;
const step = (plan: JobPlan, start: string): Step => {
  const found = plan.sheet.find((each) => each.id.startsWith(start));
  if (!found) throw new Error(`no step ${start}`);
  return found;
};
const now = (plan: JobPlan): FindingCode[] => plan.nowFindings.map((each) => each.code);

describe("the run sheet of every demo job", () => {
  test.each(demos)("%s: stations in order, ids of their own, something to see at each step", (name) => {
    const plan = planJob(demoBundle(name));
    const { sheet } = plan;
    expect(new Set(sheet.map((each) => each.id)).size).toBe(sheet.length);
    const order = sheet.map((each) => stations.indexOf(each.station));
    expect(order).toEqual([...order].sort((a, b) => a - b));
    for (const each of sheet) expect(ranOf(plan, each.id).see.length).toBeGreaterThan(0);
  });

  test.each(demos)("%s: done in order, every need of every step is met when its turn comes", (name) => {
    const plan = planJob(demoBundle(name));
    for (const each of plan.sheet)
      for (const need of each.needs ?? []) {
        const state = { ...each.during, tripped: [], mode: "idle" };
        const learns = each.effects.some((effect) => effect.kind === "learn");
        if (learns && need.learned) continue;
        expect([
          each.id,
          conditionHolds(need, circumstancesOf(plan, state, readingsOf(plan, state))),
        ]).toEqual([each.id, true]);
      }
  });

  test.each(demos)("%s: done in order, no finding remains and every station is settled", (name) => {
    const bundle = demoBundle(name, (job) => (job.found.noted = true));
    const plan = planAfter(bundle, () => true);
    expect(plan.nowFindings).toEqual([]);
    expect(plan.statuses.map((each) => each.state)).toEqual(stations.map(() => "settled"));
  });
});

describe("what should be seen is played on the moving installation", () => {
  const plan = planJob(demoBundle("netloft"));

  test("first power-up: protection lamps lit through their devices, UNREAD blinking, TRAVEL lit on a new board", () => {
    expect(lampsOf(ranOf(plan, "do:power-up:on"))).toEqual({
      POWER: "lit",
      STOP: "lit",
      BEAM: "lit",
      EDGE: "lit",
      STEP: "dark",
      UNREAD: "blinking",
      TRAVEL: "lit",
      RADIO: "dark",
    });
  });

  test("the first commit leaves UNREAD blinking for the switches, the second ends it", () => {
    expect(lampsOf(ranOf(plan, "commit:read-dials"))).toEqual({ UNREAD: "blinking" });
    expect(lampsOf(ranOf(plan, "commit:read-switches"))).toEqual({ UNREAD: "dark" });
  });

  test("learning: TRAVEL blinks, then goes dark", () => {
    expect(lampsOf(ranOf(plan, "do:learn-travel:start"))).toEqual({ TRAVEL: "blinking" });
    expect(lampsOf(ranOf(plan, "do:learn-travel:run"))).toEqual({ TRAVEL: "dark" });
  });

  test("proving: a broken beam darkens BEAM; on closing only, it does nothing while opening", () => {
    const opening = ranOf(plan, "prove:cell-street/beam:beam:opening");
    expect(lampsOf(opening)).toEqual({ BEAM: "dark" });
    expect(textsOf(opening).at(-1)).toBe("The gate goes on.");
    expect(textsOf(ranOf(plan, "prove:cell-street/beam:beam:closing")).at(-1)).toBe(
      "The gate reverses fully.",
    );
    const both = planJob(demoBundle("sheds"));
    expect(textsOf(ranOf(both, "prove:cell-out/beam:beam:opening")).at(-1)).toBe(
      "The gate stops until clear.",
    );
  });

  test("a chained pair darkens the same lamp for either cell", () => {
    const both = planJob(demoBundle("sheds"));
    for (const cell of ["cell-out", "cell-in"])
      expect(lampsOf(ranOf(both, `prove:${cell}/beam:beam:open`))).toEqual({ BEAM: "dark" });
  });
});

describe("traps in the state of the bench", () => {
  const upTo = (last: string, left: (step: Step) => boolean = () => false) => {
    const bundle = demoBundle("netloft", (job) => void (job.found.noted = true));
    const { sheet } = planJob(bundle);
    const end = sheet.findIndex((each) => each.id.startsWith(last));
    return planAfter(bundle, (each) => sheet.findIndex((one) => one.id === each.id) <= end && !left(each));
  };

  test("work still ahead is no finding", () => {
    expect(now(planJob(demoBundle("netloft")))).toEqual([]);
    expect(now(upTo("link:link-beam"))).toEqual([]);
    expect(now(upTo("do:power-up:on"))).toEqual([]);
  });

  test("trap 3: link P1–P3 passed over beside the wired photocell is a danger, and says what to do", () => {
    const plan = upTo("do:power-up:on", (each) => each.id.startsWith("link:link-beam"));
    expect(now(plan)).toEqual(["link-beside-device"]);
    expect(plan.nowFindings[0]?.severity).toBe("danger");
    expect(wordsOf(plan.nowFindings[0]!).remedy).toBe(
      "Take P1–P3 out, then trip Photocell, quay side and see lamp BEAM change.",
    );
  });

  test("traps 2 and 4: stop's cores passed over with its link out: nothing is wired and the input reads open", () => {
    const plan = upTo("do:power-up:on", (each) => each.id.startsWith("wire:stop"));
    expect(now(plan).sort()).toEqual(["link-missing", "protection-open"]);
    expect(plan.statuses.find((each) => each.station === "travel")).toMatchObject({ state: "blocked" });
    expect(plan.statuses.find((each) => each.station === "travel")?.reason).toContain(
      "Stop (P2) must read closed",
    );
  });

  test("trap 1: PUSH passed over at its lowest", () => {
    const plan = upTo("do:direction:half-way", (each) => each.id.startsWith("set:V2"));
    expect(now(plan)).toEqual(["force-off-for-learning"]);
    expect(plan.nowFindings[0]?.values).toMatchObject({ dial: "PUSH", value: "off", target: "11:15" });
  });

  test("trap 1 in the plan: a wanted force with which the board would not learn", () => {
    const [found] = planJob(demoBundle("netloft", (job) => (job.wishes.force = 20))).findings;
    expect(found).toMatchObject({
      code: "force-off-for-learning",
      values: { least: "40 %", target: "11:00" },
    });
  });

  test("trap 13: PAIR passed over below its threshold", () => {
    expect(now(upTo("do:direction:half-way", (each) => each.id.startsWith("set:V3")))).toEqual([
      "dial-below-threshold",
    ]);
  });

  test("trap 14: the dials' gesture passed over: not committed, so the force in force is still off", () => {
    expect(
      now(upTo("do:direction:half-way", (each) => each.id.startsWith("commit:read-dials"))).sort(),
    ).toEqual(["force-off-for-learning", "not-committed"]);
  });

  test("trap 30: automatic closing with only a stop button", () => {
    const bundle = demoBundle(
      "netloft",
      (job) => (job.devices = job.devices.filter((each) => !["cell-street", "edge"].includes(each.id))),
    );
    expect(planJob(bundle).findings[0]).toMatchObject({
      code: "automatic-closing-unprotected",
      severity: "danger",
    });
    expect(planJob(demoBundle("netloft")).findings.every((each) => each.severity === "note")).toBe(true);
  });

  test("a leaf without its drive or its stop, and a firmware the profile does not know", () => {
    const bundle = demoBundle("netloft", (job) => {
      job.devices = job.devices.filter((each) => each.id !== "drive-b");
      job.survey.leaves[0]!.stopClosed = false;
      job.found.firmware = "9.9";
    });
    expect(planJob(bundle).findings.map((each) => each.code)).toEqual(
      expect.arrayContaining(["leaf-without-drive", "leaf-without-stops", "firmware-unknown"]),
    );
  });
});

describe("the log", () => {
  test("not seen blocks its station by name; withdrawn opens it again", () => {
    const bundle = demoBundle("netloft");
    const [first] = planJob(bundle).sheet;
    const failed = answered(bundle, [first!], "not-seen");
    // What was not seen has changed nothing, whatever its step would have.
    const works = planJob(bundle).sheet.find(({ effects }) => effects.length)!;
    expect(answered(bundle, [works], "not-seen").log.at(-1)).toMatchObject({ effects: [] });
    expect(answered(bundle, [works]).log.at(-1)).toMatchObject({ effects: works.effects });
    expect(planJob(failed).statuses[1]).toMatchObject({
      state: "blocked",
      reason: "Not seen: Isolate and mark the breaker.",
    });
    const entry = failed.log[0]!;
    const withdrawn = {
      ...failed,
      log: [...failed.log, { ...entry, id: "w", outcome: "withdrawn" as const }],
    };
    expect(planJob(withdrawn as typeof failed).statuses[1]).toMatchObject({ state: "open", done: 0 });
  });

  test("a dial turned for an earlier plan still stands where it was turned to", () => {
    const bundle = demoBundle("netloft");
    const before = planAfter(bundle, (each) => each.id.startsWith("set:V1"));
    const changed = {
      ...before.bundle,
      job: { ...bundle.job, wishes: { ...bundle.job.wishes, "automatic-closing-time": 100 } },
    };
    const after = planJob(changed);
    expect(after.now.positions.dials.V1).toBe("8:45");
    expect(after.statuses[2]?.done).toBe(0);
  });
});

describe("readings", () => {
  test("each rail that lives is read against what all its loads bear: 20 to 28 V for the photocell, though the keypad bears 12 to 30", () => {
    const plan = planJob(demoBundle("netloft"));
    const asked = plan.sheet
      .filter((each) => each.id.startsWith("volts:"))
      .flatMap((each) => each.readings ?? []);
    expect(asked).toEqual([
      expect.objectContaining({ quantity: "R1 to R2", unit: "V DC", least: 20, most: 28 }),
      expect.objectContaining({ quantity: "K1 to K2", unit: "V AC", least: 20, most: 28 }),
    ]);
    expect(readingMisfit(asked[0]!, 19.4)).toBe(
      "19.4 V DC measured, at least 20 V DC allowed (what every device on this rail bears).",
    );
    expect(readingMisfit(asked[0]!, 24.2)).toBeUndefined();
  });

  // EN 12453:2017: 400 N dynamic in gaps of 50 to 500 mm; measured at 50, 300 and 500 mm. From memory.
  test("the closing force is asked at 50, 300 and 500 mm against 400 N", () => {
    expect(forceGapsMm).toEqual([50, 300, 500]);
    expect(dynamicForceLimitN).toBe(400);
    const asked = step(planJob(demoBundle("netloft")), "force:300").readings!;
    expect(asked.map(({ quantity }) => quantity)).toEqual(
      ["first", "second", "third"].map((blow) => `${blow} peak force at 300 mm`),
    );
    for (const each of asked) {
      expect(readingMisfit(each, 400)).toBeUndefined();
      expect(readingMisfit(each, 401)).toMatch(/^401 N measured, at most 400 N allowed \(EN 12453:2017/);
      // An instrument that shows nothing was not met.
      expect(readingMisfit(each, 0)).toMatch(/^0 N measured, at least 1 N allowed/);
      expect(readingMisfit(each, 1)).toBeUndefined();
    }
  });
});
