import { settableBehaviours } from "../board/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { boardOnSite, type Job, type JobBundle, type LogEntry } from "../job/index.ts";
import { planJob } from "../plan/index.ts";
import { moves, target } from "../testing/keys.ts";
import {
  planOnce,
  answered,
  boardIds,
  bundleOn,
  demoBundle,
  forgotten,
  usualDevices,
} from "../testing/shipped.ts";
import { answersOf } from "./voids.ts";

/** Whole jobs, every step seen, on two boards of different manner: dials and switches, and a menu with wizard. */
const whole: [string, () => JobBundle][] = [
  ["netloft", () => demoBundle("netloft")],
  ["quernish", () => bundleOn("osierbeck-quernish", usualDevices("osierbeck-quernish"))],
];

/** Stations with steps that are open again after a change to a job that was done, and why. */
function after(bundle: JobBundle, change: (job: Job) => void, log: readonly LogEntry[] = []) {
  const done = answered(bundle, planOnce(bundle).sheet);
  const job = structuredClone(done.job);
  change(job);
  const plan = planJob({ ...done, job, log: [...done.log, ...log] });
  const { voided } = answersOf(plan);
  const steps = plan.sheet.filter((step) => voided.has(step.id));
  return {
    stations: [...new Set(steps.map(({ station }) => station))],
    reasons: [...new Set([...voided.values()].flatMap(({ reasons }) => reasons))],
    statuses: plan.statuses,
    done,
    plan,
  };
}

const wired = (at: Readonly<Record<string, string>>): LogEntry => ({
  kind: "wired",
  id: "w-late",
  at: "2026-12-01T09:00:00.000Z",
  by: "Ivet Carrandine",
  moves: moves(at),
});

test("a job that is left as it is keeps all that was proved, on every board", () => {
  for (const id of boardIds()) {
    const { reasons } = after(bundleOn(id, usualDevices(id)), () => {});
    expect([id, reasons]).toEqual([id, []]);
  }
});

describe.each(whole)("on %s", (_name, bundle) => {
  test("a heavier leaf opens travel and force again, and says from what to what", () => {
    const { stations, reasons, statuses } = after(bundle(), (job) => (job.survey.leaves[0]!.massKg += 40));
    expect(stations).toEqual(["travel", "force"]);
    expect(reasons).toEqual([expect.stringMatching(/^Mass.*: \d+ kg became \d+ kg\.$/)]);
    expect(statuses.find(({ station }) => station === "force")).toMatchObject({
      state: "open",
      reason: expect.stringMatching(/^Open again: .*Mass/),
    });
    expect(statuses.find(({ station }) => station === "prove")?.state).toBe("settled");
  });

  test("a leaf that goes farther opens travel and force again", () => {
    const { stations, reasons } = after(bundle(), (job) => {
      const [leaf] = job.survey.leaves;
      if (leaf!.openingDegrees !== undefined) leaf!.openingDegrees += 5;
      else leaf!.travelMm = (leaf!.travelMm ?? 3000) + 100;
    });
    expect(stations).toEqual(["travel", "force"]);
    expect(reasons).toEqual([expect.stringMatching(/^Travel.*: .* became /)]);
  });

  test("more force opens the force readings again, and no safety test", () => {
    const given = bundle();
    const { stations, reasons } = after(given, (job) => {
      for (const id of ["force", "force-closing", "force-opening"] as const)
        if (id in job.wishes) job.wishes[id] = 90;
      if (!Object.keys(job.wishes).some((id) => id.startsWith("force"))) job.wishes["force-closing"] = 90;
    });
    expect(stations).toContain("force");
    expect(stations).not.toContain("prove");
    expect(reasons.join()).toMatch(/Force.*: [\d.]+ % became [\d.]+ %/);
  });

  test("a drive's leads exchanged after the proof open travel and force again, and name the drive", () => {
    const given = bundle();
    const { wiring } = planOnce(given);
    const drive = wiring.devices.find(({ profile }) => profile.kind === "drive")!;
    const [a, b] = wiring.cores.filter((core) => core.device === drive.id);
    const swapped = wired({ [`${drive.id}/${a!.pin}`]: target(b!), [`${drive.id}/${b!.pin}`]: target(a!) });
    const { stations, reasons } = after(given, () => {}, [swapped]);
    expect(stations).toEqual(["travel", "force"]);
    expect(reasons).toEqual([`Cores of ${drive.name} were moved since.`]);
  });

  test("a photocell's core moved opens its own tests again, and no other device's", () => {
    const given = bundle();
    const { wiring } = planOnce(given);
    const cell = wiring.devices.find(({ profile }) => profile.kind === "photocell")!;
    const core = wiring.cores.find((each) => each.device === cell.id)!;
    const { stations, plan } = after(given, () => {}, [wired({ [`${cell.id}/${core.pin}`]: "off" })]);
    expect(stations).toEqual(given.job.proof ? ["power-up", "prove"] : ["prove"]);
    const { voided } = answersOf(plan);
    for (const id of voided.keys()) expect(id).toMatch(new RegExp(`^(prove|sense):${cell.id}/`));
  });

  test("travel forgotten opens its learning, the force and nothing before it; learned once more it holds again", () => {
    const given = bundle();
    const { sheet } = planOnce(given);
    const learn = sheet.find(({ effects }) => effects.some((effect) => effect.kind === "learn"))!;
    const what = learn.effects.flatMap((effect) => (effect.kind === "learn" ? [effect.what] : []));
    const reset = forgotten(...what);
    const { stations, reasons, done } = after(given, () => {}, [reset]);
    expect(stations).toEqual(["travel", "force"]);
    expect(reasons.every((reason) => / was forgotten since\.$/.test(reason))).toBe(true);
    const anew = sheet.filter(({ station }) => station === "travel" || station === "force");
    const plan = planJob(answered({ ...done, log: [...done.log, reset] }, anew));
    expect(answersOf(plan).voided.size).toBe(0);
  });

  test("learned anew, the force that was read before no longer holds, and the learning does", () => {
    const given = bundle();
    const { sheet } = planOnce(given);
    const again = answered(
      { ...given, log: [] },
      sheet.filter(({ station }) => station === "travel"),
    ).log;
    const { stations } = after(
      given,
      () => {},
      again.map((entry) => ({ ...entry, id: `again-${entry.id}` })),
    );
    expect(stations).toEqual(["force"]);
  });
});

test("a photocell set to act otherwise opens its own tests again, from what to what, on every board that can", () => {
  const opened = boardIds().filter((id) => {
    const given = bundleOn(id, usualDevices(id));
    const board = boardOnSite(given.job, given.board);
    if (!settableBehaviours(board).has("photocell-reaction")) return false;
    const { positions } = planOnce(given).controls;
    const now = behavioursAt(board, positions)["photocell-reaction"];
    const { stations, reasons } = after(given, (job) => {
      job.wishes["photocell-reaction"] = now === "closing" ? "both" : "closing";
    });
    if (!reasons.length) return false;
    expect([id, stations]).toEqual([id, ["prove"]]);
    expect(reasons.join()).toMatch(/(Tripped with the \w+ closed|Photocell acts): .* became /);
    return true;
  });
  expect(opened.length).toBeGreaterThan(1);
});

test("a speed raised after the force was read opens the force again", () => {
  const given = bundleOn("osierbeck-quernish", usualDevices("osierbeck-quernish"), { "closing-speed": 40 });
  const { stations, reasons } = after(given, (job) => (job.wishes["closing-speed"] = 80));
  expect(stations).toContain("force");
  expect(reasons.join()).toMatch(/Closing speed: 40 % became 80 %/);
});
