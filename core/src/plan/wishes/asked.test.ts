import { behaviourMisfit, settableBehaviours, type BehaviourId } from "../../board/index.ts";
import { applyEdit, boardOnSite, presetOf, presetWishes, type JobBundle } from "../../job/index.ts";
import {
  planOn,
  boardIds,
  bundleOn,
  demoBundle,
  shippedBoard,
  shippedPresets,
} from "../../testing/shipped.ts";
import { planWiring } from "../../wiring/index.ts";
import { planJob } from "../plan.ts";
import { decisionsOf } from "./decided.ts";
import { wishesOf } from "./wanted.ts";

const presets = shippedPresets();

/** The job begun with a preset, as the page does it. */
const begun = (bundle: JobBundle, preset: (typeof presets)[number]): JobBundle => {
  const { id, name, wishes } = preset;
  const edit = {
    kind: "preset" as const,
    preset: { id, name, wishes },
    wishes: presetWishes(boardOnSite(bundle.job, bundle.board), preset),
  };
  return { ...bundle, job: applyEdit(bundle.job, edit) };
};

test("there is a preset for each kind of installation", () => {
  expect(presets.map(({ name }) => name).sort()).toEqual([
    "Field gate on the sun",
    "Low-energy shop door",
    "Private house",
    "Public car park",
    "Warehouse door",
  ]);
});

test("on every board with every preset each behaviour that is asked has a value to start with that the board can give, and its reason", () => {
  let own = 0;
  for (const id of boardIds())
    for (const preset of presets) {
      const bundle = begun(bundleOn(id, []), preset);
      const settable = settableBehaviours(boardOnSite(bundle.job, bundle.board));
      for (const line of planJob(bundle).wishes) {
        expect([id, line.id, settable.has(line.id)]).toEqual([id, line.id, true]);
        const { value, why = "Delivered so." } = line.start ?? {};
        expect([id, line.id, value, why]).toEqual([
          id,
          line.id,
          expect.anything(),
          expect.stringMatching(/\.$/),
        ]);
        expect(behaviourMisfit(line.id, line.start!.value)).toBeUndefined();
        if (typeof line.start!.value !== "number") expect(line.words).toContain(line.start!.value);
        if (line.start!.why !== undefined && line.start!.why === preset.wishes[line.id]?.why) {
          expect([id, line.id, line.wished]).toEqual([id, line.id, preset.wishes[line.id]!.value]);
          own += 1;
        }
      }
    }
  expect(own).toBeGreaterThan(300);
});

test("what nothing here would use is not asked, and says why; with a device for it, it is", () => {
  const idle = (board: string, devices: string[], id: BehaviourId) =>
    planOn(board, devices).wishes.find((each) => each.id === id)!.idle;
  const cases = [
    ["marlstreet-pewlark", "close-after-passage", "no photocell and no loop", "oddlume-glance"],
    ["lammerlow-thrussel", "lock-output", "There is no lock.", "brackwater-clasp"],
    ["lammerlow-thrussel", "threshold-sensor-reaction", "Nothing sits on", "lammerlow-sill"],
  ] as const;
  for (const [board, id, why, device] of cases) {
    expect(idle(board, [], id)).toContain(why);
    expect([id, idle(board, [device], id)]).toEqual([id, undefined]);
  }
});

test("what the site decides is shown with its reason, and gives way only where it is overruled", () => {
  let firm = 0;
  for (const id of boardIds()) {
    const bundle = { ...bundleOn(id, []), board: boardOnSite(bundleOn(id, []).job, shippedBoard(id)) };
    const wiring = planWiring(bundle);
    for (const decision of decisionsOf(bundle, wiring)) {
      expect(decision.why).toMatch(/\.$/);
      if (!decision.firm) continue;
      firm += 1;
      const value = typeof decision.value === "number" ? decision.value + 1 : "other";
      const with_ = (kind: "wish" | "overrule") =>
        wishesOf({ ...bundle, job: applyEdit(bundle.job, { kind, behaviour: decision.id, value }) }, wiring)[
          decision.id
        ];
      expect([id, decision.id, with_("wish")]).toEqual([id, decision.id, decision.value]);
      expect([id, decision.id, with_("overrule")]).toEqual([id, decision.id, value]);
    }
  }
  expect(firm).toBeGreaterThan(10);
});

test("what is wished against a firm decision is still told as idle, and what is wired to a relay as used", () => {
  const line = (board: string, devices: string[], id: BehaviourId, wish?: string) =>
    planJob(bundleOn(board, devices, wish === undefined ? {} : { [id]: wish })).wishes.find(
      (each) => each.id === id,
    )!;
  const reaction = "threshold-sensor-reaction";
  expect(line("lammerlow-thrussel", [], reaction, "closing").idle).toContain("Nothing sits on");
  expect(line("lammerlow-thrussel", [], reaction, "closing").wished).toBe("closing");
  const used = planJob(demoBundle("ropewalk", (job) => (job.wishes = {}))).wishes.find(
    ({ id }) => id === "relay-1",
  )!;
  expect([used.decided?.value, used.idle]).toEqual(["lock", undefined]);
});

test("an input that something sits on is decided only where it was found off", () => {
  const decided = (shows: string) => {
    const bundle = bundleOn("lammerlow-thrussel", ["lammerlow-sill"]);
    const menu = bundle.board.panel!.menus.flatMap(({ items }) => items);
    const entry = menu.find(({ choices }) => choices?.some(({ sets }) => sets["threshold-sensor-reaction"]))!;
    bundle.job.found.values = { [entry.id]: shows };
    return decisionsOf(bundle, planWiring(bundle)).map(({ id }) => id);
  };
  expect(decided("off")).toContain("threshold-sensor-reaction");
  expect(decided("on")).not.toContain("threshold-sensor-reaction");
});

test("a pedestrian opening is wished by width or by part of the travel, whichever the board takes", () => {
  const given = (id: string, wishes: Record<string, number>) => {
    const bundle = bundleOn(id, [], wishes);
    bundle.job.survey.leaves = bundle.job.survey.leaves.map((leaf) => ({ ...leaf, travelMm: 4_000 }));
    return wishesOf(bundle, planWiring(bundle));
  };
  expect(given("furzel-slathorn", { "pedestrian-opening": 30 })["pedestrian-opening-mm"]).toBe(1_200);
  expect(given("hexby-hoistrum", { "pedestrian-opening-mm": 1_000 })["pedestrian-opening"]).toBe(25);
  // No further than open.
  expect(given("hexby-hoistrum", { "pedestrian-opening-mm": 6_000 })["pedestrian-opening"]).toBe(100);
});

test("a job's wishes become a preset of one's own, with the reasons that were known", () => {
  const [house] = presets.filter(({ id }) => id === "private-house");
  const { job } = begun(bundleOn("quillmarsh-tandrel", []), house!);
  const mine = presetOf({ ...job, wishes: { ...job.wishes, force: 61 } } as never, {
    id: "mine",
    name: "Our lane",
    revision: 1,
    says: "Like the last one.",
  });
  expect(mine.wishes.force).toEqual({ value: 61, why: "As chosen for “Our lane”." });
  expect(mine.wishes["photocell-reaction"]).toEqual(house!.wishes["photocell-reaction"]);
});
