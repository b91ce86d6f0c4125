import { runFormat } from "../twin/index.ts";
import { demoBundle, refusal } from "../testing/shipped.ts";
import { savedRun } from "../testing/saved-run.ts";
import { casesOf, parseRunFile, parseSweep, planRuns, playsOn, replay, sweeps, toldOf } from "./index.ts";

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

  test("is refused with its place: another version, a name the board has not, no run at all", () => {
    const other = (change: (run: Record<string, unknown>) => void) => {
      const file = savedRun();
      const run = JSON.parse(JSON.stringify(file.run)) as Record<string, unknown>;
      change(run);
      return refusal(() => parseRunFile({ ...file, run }));
    };
    expect(other((run) => (run.engine = 2))).toMatch(/run\.engine.*expected 1, the version of this twin/);
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
    const player = (run: (typeof cases)[number]) => {
      const playing = playsOn(plan, run);
      for (;;) {
        const step = playing.next();
        if (step.done) return Promise.resolve(toldOf(run, step.value));
      }
    };
    const told: string[] = [];
    await sweeps(cases, [player, player], ({ mark }, at) => (told[at] = mark));
    expect(new Set(told).size).toBe(4);
    const gone = new AbortController();
    let done = 0;
    await sweeps(cases, [player], () => void (++done === 2 && gone.abort()), gone.signal);
    expect(done).toBe(2);
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
