import { engineVersion, faultChoices, lookSeconds, runFormat, type Played } from "../twin/index.ts";
import { planJob, practiceBundle } from "../plan/index.ts";
import {
  boardIds,
  bundleOn,
  demoBundle,
  refusal,
  shippedBoard,
  shippedDevices,
  usualDevices,
} from "../testing/shipped.ts";
import { savedRun } from "../testing/saved-run.ts";
import { casesOf, parseRunFile, parseSweep, planRuns, playOn, replay, sweeps, toldOf } from "./index.ts";

const saved = () => JSON.parse(JSON.stringify(savedRun())) as Record<string, never>;

describe("a saved run", () => {
  test("played again from its file it comes to the same to the last bit; another seed does not", () => {
    const file = parseRunFile(saved());
    const [one, again] = [replay(file), replay(parseRunFile(saved()))];
    expect(again).toEqual(one);
    expect(one.seconds).toBe(600);
    const other = replay({ ...file, run: { ...file.run, seed: file.run.seed + 1 } });
    expect(other.mark).not.toBe(one.mark);
    // What happens in it: it opens and closes, someone stands in the beam, and the mains fail.
    const kinds = new Set(one.events.map(({ event }) => event.kind));
    expect([...kinds]).toEqual(expect.arrayContaining(["commanded", "moves", "stops"]));
    expect(one.samples.first!.some(([at]) => at > 0.98)).toBe(true);
  });

  test("is looked at, and others come, while someone still holds a key; a second gesture waits until it is let go", () => {
    const bundle = bundleOn("hexby-hoistrum", usualDevices("hexby-hoistrum"));
    const on = { at: 0, do: { power: "on" } };
    const up = { at: 5, do: { hold: { key: "UP", seconds: 8 } } };
    const comes = { at: 9, faults: [{ kind: "phase-lost" }] };
    const down = { at: 10, do: { hold: { key: "DOWN", seconds: 2 } } };
    const played = (...script: object[]) => {
      const run = { ...savedRun().run, from: "done", spread: 0, seconds: 20, script };
      return replay(parseRunFile({ run, bundle })).samples.first!.map(([at]) => at);
    };
    const [alone, met, then] = [played(on, up), played(on, up, comes), played(on, up, down)];
    const at = (seconds: number) => seconds / lookSeconds - 1;
    expect(alone).toHaveLength(20 / lookSeconds);
    expect(alone[at(12)]).toBeGreaterThan(alone[at(8)]! + 0.2);
    // A phase fails while UP is still held.
    expect(met.slice(0, at(9) + 1)).toEqual(alone.slice(0, at(9) + 1));
    expect(met[at(12)]).toBe(met.at(-1));
    expect(met.at(-1)).toBeLessThan(alone[at(10)]!);
    // DOWN was to be held at 10 s; the hand is free at 13 s.
    expect(then.slice(0, at(13) + 1)).toEqual(alone.slice(0, at(13) + 1));
    expect(then.at(-1)).toBeLessThan(alone.at(-1)!);
  });

  test("begins where the job is now, or where it will be once all is done", () => {
    const now = { ...savedRun().run, from: "now", seconds: 10, script: [{ at: 1, do: { command: "open" } }] };
    const moved = (run: object) =>
      replay(parseRunFile({ run, bundle: demoBundle("ropewalk") })).samples.first!.at(-1)![0] > 0;
    expect([moved(now), moved({ ...now, from: "done" })]).toEqual([false, true]);
    // Wired alone, it has power as someone gives it some, and nothing in memory yet.
    const on = { at: 0, do: { power: "on" } };
    const wired = parseRunFile({
      ...{ run: { ...now, from: "wired", script: [on, ...now.script] }, bundle: demoBundle("ropewalk") },
    });
    expect(replay(wired).ends).toMatchObject({ leaf: "closed", display: "nonE" });
  });

  test("is refused with its place: another version, a name the board has not, no run at all", () => {
    const other = (change: (run: Record<string, unknown>) => void) => {
      const file = savedRun();
      const run = JSON.parse(JSON.stringify(file.run)) as Record<string, unknown>;
      change(run);
      return refusal(() => parseRunFile({ ...file, run }));
    };
    expect(other((run) => (run.engine = engineVersion + 1))).toMatch(
      /run\.engine.*expected \d+, the version of this twin/,
    );
    expect(other((run) => (run.script = [{ at: 1, do: { press: { key: "NOPE" } } }]))).toMatch(
      /script\[0\]\.do/,
    );
    expect(other((run) => (run.script = [{ at: 1, works: { input: "nope", worked: true } }]))).toMatch(
      /script\[0\]\.works\.input.*an input of the board/,
    );
    expect(other((run) => (run.script = [{ at: 1, sun: 1, damages: "travel" }]))).toMatch(/exactly one/);
    expect(other((run) => (run.seconds = -1))).toMatch(/seconds/);
    expect(refusal(() => parseRunFile({ run: 1 }))).not.toBe("nothing");
    const wrong = (fault: object) => other((run) => (run.script = [{ at: 1, faults: [fault] }]));
    const named: [object, RegExp][] = [
      [
        { kind: "core-off", device: "nope", pin: "1" },
        /script\[0\]\.faults\[0\]\.device.*a device of the job/,
      ],
      [{ kind: "core-off", device: "cell-road", pin: "nope" }, /faults\[0\]\.pin.*a pin of cell-road/],
      [
        { kind: "contact-stuck", device: "stop", contact: "nope", tripped: true },
        /contact.*a contact of stop/,
      ],
      [{ kind: "core-elsewhere", device: "cell-road", pin: "r-a", terminal: "99" }, /terminal.*of the board/],
      [{ kind: "link-out", link: "nope" }, /link.*a link of the board/],
      [{ kind: "loop-holds", device: "drive-a" }, /of the kind loop/],
    ];
    for (const [fault, told] of named) expect(wrong(fault)).toMatch(told);
  });
});

test.each(boardIds())("%s: every fault that can be chosen on its bench is one that a run takes", (id) => {
  const bundle = practiceBundle(shippedBoard(id), shippedDevices());
  const choices = faultChoices(planJob(bundle));
  const script = choices.map(({ fault }, n) => ({ at: n / 100, faults: [fault] }));
  const run = { ...savedRun().run, script };
  expect(parseRunFile({ run, bundle }).run.script).toHaveLength(choices.length);
  const called = choices.map(({ what, where }) => `${what}: ${where}`);
  expect(called.filter((text, at) => called.indexOf(text) !== at)).toEqual([]);
});

describe("a sweep", () => {
  const short = () => {
    const file = savedRun();
    return { ...file, run: { ...file.run, seconds: 30, spread: 0.2 } };
  };

  test("plays every seed with every fault, tells each as it is done, and stops when nobody waits any more", async () => {
    const sweep = parseSweep({
      ...short(),
      over: { seeds: 2, faults: [[], [{ kind: "dry-hinge", leaf: "first", wear: 60 }]] },
    });
    const cases = casesOf(sweep);
    expect(cases).toHaveLength(4);
    const plan = planRuns(sweep);
    const player = (run: (typeof cases)[number]) => Promise.resolve(toldOf(run, playOn(plan, run)));
    const told: string[] = [];
    await sweeps(cases, [player, player], ({ mark }, at) => (told[at] = mark));
    expect(new Set(told).size).toBe(4);
    const gone = new AbortController();
    let done = 0;
    await sweeps(cases, [player], () => void (++done === 2 && gone.abort()), gone.signal);
    expect(done).toBe(2);
  });

  test("is told a run in short: when the leaves first stood, what they met, what the board found, the most current", () => {
    const played: Played = {
      ...{ engine: engineVersion, mark: "0123456789abcdef", seconds: 40 },
      events: [
        { at: 0.5, event: { kind: "stops", at: "closed" } },
        { at: 2, event: { kind: "moves", toward: "open", leaves: ["first"] } },
        { at: 9, event: { kind: "obstructed", leaf: "first" } },
        { at: 9, event: { kind: "fails", what: "no-pulses" } },
        { at: 9.5, event: { kind: "stops", at: "between" } },
        { at: 12, event: { kind: "moves", toward: "closed", leaves: ["first"] } },
        { at: 20, event: { kind: "obstructed", leaf: "first" } },
        { at: 21, event: { kind: "stops", at: "closed" } },
      ],
      samples: {
        first: [
          [0, 1.5],
          [0.2, 4.25],
        ],
        second: [[0, 3]],
      },
      ends: { leaf: "closed", display: "OK", lamps: {} },
    };
    const { run } = parseRunFile(savedRun());
    expect(toldOf(run, played)).toEqual({
      ...{ seed: run.seed, mark: "0123456789abcdef", leaf: "closed", display: "OK" },
      ...{ obstructed: 2, failed: 1, stoodAfter: 7.5, mostAmps: 4.25 },
    });
    const still = toldOf(run, { ...played, events: played.events.slice(0, 1) });
    expect(still).not.toHaveProperty("stoodAfter");
  });

  test("of faults that name nothing, or a second leaf where there is one, is refused with their place", () => {
    const over = { faults: [[], [{ kind: "link-in", link: "nope" }]] };
    expect(refusal(() => parseSweep({ ...short(), over }))).toMatch(/over\.faults\[1\]\[0\]\.link/);
    const single = { ...short().run, script: [], format: runFormat };
    const bundle = demoBundle("icehouse");
    const second = { faults: [[{ kind: "dry-hinge", leaf: "second" }]] };
    expect(refusal(() => parseSweep({ run: single, bundle, over: second }))).toMatch(/leaf.*\(first\)/);
  });

  test("of too many runs is refused", () => {
    expect(refusal(() => parseSweep({ ...short(), over: { seeds: 400, faults: [[], []] } }))).toMatch(
      /at most 500/,
    );
  });
});
