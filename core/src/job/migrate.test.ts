import { pinNode, poleNode, terminalNode } from "../node/index.ts";
import { planJob } from "../plan/index.ts";
import { answered, demoBundle, refusal } from "../testing/shipped.ts";
import { parseBundle, upgradeEntry, type JobBundle } from "./index.ts";
import { upgradeJob } from "./migrate.ts";

const head = { id: "e1", at: "2026-10-05T09:00:00.000Z", by: "Ivet Carrandine" };
const step = { ...head, kind: "step", step: "s", station: "wire", title: "t", outcome: "seen" };

/** The bundle as the first format had it: landed cores without their pins, the supply's under "mains". */
function asFirst(bundle: JobBundle): unknown {
  return {
    ...bundle,
    format: "anvilcloud/job@1",
    log: bundle.log.map((entry) =>
      entry.kind !== "step"
        ? entry
        : {
            ...entry,
            effects: entry.effects.map((effect) => {
              if (effect.kind !== "land") return effect;
              const { pins: _pins, ...old } = effect;
              return { ...old, cores: old.cores.map((id) => id.replace(/^spur /, "mains.")) };
            }),
          },
    ),
  };
}

describe("a job of an earlier format", () => {
  test("step by step, as it was called, is open, stop, close, stop; nothing else of it changes", () => {
    const wishes = { force: 50, "command-logic": "step-by-step" };
    const job = { id: "old", wishes };
    expect(upgradeJob(job)).toEqual({
      id: "old",
      wishes: { ...wishes, "command-logic": "open-stop-close-stop" },
    });
  });

  test("what says it otherwise, or is no job, comes back as it is", () => {
    for (const job of [
      undefined,
      "job",
      { id: "old" },
      { wishes: "all" },
      { wishes: {} },
      { wishes: { "command-logic": "open-close" } },
    ])
      expect(upgradeJob(job)).toBe(job);
  });
});

describe("a job file of the first format", () => {
  test("opens with its whole log, and leaves the bench as it left it then", () => {
    const bundle = demoBundle("sheds");
    const done = answered(bundle, planJob(bundle).sheet);
    const opened = parseBundle(asFirst(done));
    expect(opened.format).toBe("anvilcloud/job@3");
    expect(opened.log).toEqual(done.log);
    expect(planJob(opened).now).toEqual(planJob(done).now);
  });

  test("its places become places: terminals, connectors, pins of devices, poles of the supply", () => {
    const moves = [
      { pin: "gate-eye/r-a", to: "board/F3" },
      { pin: "gate-eye/r-b", to: "joint/J1" },
      { pin: "lock/plus", to: "converter/out-plus" },
      { pin: "lock/minus", to: "off" },
      { pin: "stop/a", to: "mains/live" },
    ];
    expect(upgradeEntry({ ...head, kind: "wired", moves })).toEqual({
      ...head,
      kind: "wired",
      moves: [
        { pin: pinNode("gate-eye", "r-a"), to: terminalNode("F3") },
        { pin: pinNode("gate-eye", "r-b"), to: { kind: "joint", joint: "J1" } },
        { pin: pinNode("lock", "plus"), to: pinNode("converter", "out-plus") },
        { pin: pinNode("lock", "minus"), to: "off" },
        { pin: pinNode("stop", "a"), to: poleNode("live") },
      ],
    });
    const moved = { kind: "move", moves: [{ pin: "stop/a", to: "board/F3" }] };
    expect(upgradeEntry({ ...step, effects: [moved] })).toEqual({
      ...step,
      effects: [{ kind: "move", moves: [{ pin: pinNode("stop", "a"), to: terminalNode("F3") }] }],
    });
    const landed = { kind: "land", cores: ["lamp.plus.R1>E1", "mains.live>N1"] };
    expect(upgradeEntry({ ...step, effects: [landed] })).toEqual({
      ...step,
      effects: [
        { kind: "land", cores: ["lamp.plus.R1>E1", "spur live>N1"], pins: [pinNode("lamp", "plus")] },
      ],
    });
  });

  test("what is no entry, or is one of today, comes back as it is", () => {
    for (const entry of [undefined, "note", [], { kind: "wired", moves: "all" }, { kind: "step" }])
      expect(upgradeEntry(entry)).toEqual(entry);
    const odd = { ...step, effects: [undefined, "land", { kind: "land", cores: "all" }] };
    expect(upgradeEntry(odd)).toEqual(odd);
    const today = { ...step, effects: [{ kind: "land", cores: ["a.b>C1"], pins: [pinNode("a", "b")] }] };
    expect(upgradeEntry(today)).toEqual(today);
    expect(refusal(() => parseBundle({ format: "anvilcloud/job@9" }))).toContain("format: expected one of");
  });
});
