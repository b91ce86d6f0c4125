import type { JobBundle } from "../../job/index.ts";
import { planJob } from "../../plan/index.ts";
import { stateNow } from "../../state/index.ts";
import { bundleOn } from "../../testing/shipped.ts";
import { changesOf, findPanel, guideKeys, type KeyGuide } from "../index.ts";

/** A job whose firmware is noted, with these values wished of its board, its travel learned. */
function wishing(id: string, wishes: JobBundle["job"]["wishes"], firmware?: string) {
  const bundle = bundleOn(id, []);
  bundle.job.wishes = wishes;
  bundle.job.found.firmware = firmware ?? bundle.board.firmware[0]!;
  const planned = planJob(bundle);
  const learned = bundle.board.memories.map((memory) => memory.id);
  const state = { ...stateNow(planned), learned };
  return { planned, state, changes: changesOf(planned, state) };
}

const keysOf = (guide: KeyGuide) => (guide.kind === "keys" ? guide : undefined)!;

test("values that stand as planned need no keys; those that do not are set with their names, and from what they stood at", () => {
  const none = wishing("osierbeck-quernish", {});
  expect(none.changes).toEqual([]);
  const { planned, state, changes } = wishing("osierbeck-quernish", {
    "opening-speed": 60,
    "closing-speed": 40,
  });
  const guide = keysOf(guideKeys(planned, state, changes));
  expect(guide.changes.map(({ name, from, to }) => [name, from, to])).toEqual([
    ["SPd1 Opening speed", "65", "60"],
    ["SPd2 Closing speed", "65", "40"],
  ]);
  expect(guide.unreached).toEqual([]);
  expect(guide.line).toMatch(/^Hold SET for 8 s/);
  expect(guide.steps.at(-1)!.shows).toEqual([]);
});

test("the board needs its power for its keys, and gets it: a bench without power tells the same keys", () => {
  for (const id of ["osierbeck-quernish", "lammerlow-thrussel", "hexby-hoistrum"]) {
    const { planned, state, changes } = wishing(id, {
      "opening-speed": 60,
      "automatic-closing-time": 20,
      "first-pause": 20,
    });
    expect([id, changes.length > 0]).toEqual([id, true]);
    for (const way of planned.bundle.board.panel!.opens) way.when = { ...way.when, powered: true };
    const told = [true, false].map((powered) => guideKeys(planned, { ...state, powered }, changes));
    expect([id, told[1]]).toEqual([id, told[0]]);
    expect([id, keysOf(told[0]!).unreached]).toEqual([id, []]);
  }
});

test("no keys are told of a firmware nobody noted, or that the profile does not hold for", () => {
  const known = bundleOn("hexby-hoistrum", []).board.firmware;
  for (const found of ["", "9.9"]) {
    const bundle = bundleOn("hexby-hoistrum", []);
    bundle.job.found.firmware = found;
    const planned = planJob(bundle);
    const guide = guideKeys(planned, stateNow(planned), [{ item: "n01", to: "20" }]);
    expect(guide).toEqual({ kind: "firmware", found, known });
  }
});

test("what an app sets is a list, with what it stands at", () => {
  const { planned, state } = wishing("dunnick-wendrel", {});
  const guide = guideKeys(planned, state, [{ item: "brisk", to: "3" }]);
  expect(guide).toEqual({
    kind: "app",
    app: expect.any(String),
    values: [{ item: "brisk", to: "3", name: "Brisk (how briskly it sets off)", from: expect.any(String) }],
  });
});

test("a screen the board has nowhere is answered with the most like it; one it has leads on from there", () => {
  const { planned, state, changes } = wishing("osierbeck-quernish", { "opening-speed": 60 });
  expect(findPanel(planned, state, { shown: ["SPd7"] })).toEqual({
    kind: "nowhere",
    nearest: expect.arrayContaining(["SPd1", "SPd2"]),
  });
  const found = findPanel(planned, state, { shown: ["spd2"] });
  expect(found.kind).toBe("known");
  const at = found.kind === "known" ? found.at : undefined;
  const on = keysOf(guideKeys(planned, state, changes, at));
  expect(on.steps.length).toBeLessThan(keysOf(guideKeys(planned, state, changes)).steps.length);
  expect(on.line).not.toMatch(/Hold SET for 8 s/);
});
