import { z } from "zod";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { labelsOf } from "../lookup.ts";
import { namesOf } from "../check/names.ts";
import {
  checkCondition,
  checkGesture,
  conditionBecause,
  conditionHolds,
  conditionInstead,
  conditionMust,
  conditionSchema,
  conditionText,
  gestureSchema,
  gestureText,
  heldBy,
  provedMoving,
  provingText,
  reactionMoments,
  touchedBy,
  type Circumstances,
  type Condition,
  type Gesture,
} from "./index.ts";

const board = shippedBoard("quillmarsh-tandrel");
const names = namesOf(board);
const labels = labelsOf(board);

/** Everything so, but for what a case says. */
const nothing: Circumstances = {
  power: () => false,
  reads: () => false,
  learned: () => false,
  mode: () => false,
  pending: () => false,
  behaviour: (_, fits) => fits(undefined),
  control: () => false,
  fitted: () => false,
  leaf: () => false,
  supply: () => false,
  battery: () => false,
  timer: () => false,
  fault: () => false,
};

/** Each kind of condition with circumstances in which it holds, and others, close by, in which it does not. */
const kinds: [Condition, Partial<Circumstances>, Partial<Circumstances>, text: string, must: string][] = [
  [
    { powered: true },
    { power: (on) => on },
    { power: (on) => !on },
    "the board has power",
    "the board must have power",
  ],
  [
    { powered: false },
    { power: (on) => !on },
    { power: (on) => on },
    "there is no power",
    "the board must be without power",
  ],
  [
    { closed: "stop" },
    { reads: (id, as) => id === "stop" && as === "closed" },
    { reads: (id, as) => id === "stop" && as === "open" },
    "Stop reads closed",
    "Stop (P2) must read closed",
  ],
  [
    { open: "beam" },
    { reads: (id, as) => id === "beam" && as === "open" },
    { reads: (id, as) => id === "beam" && as === "closed" },
    "Photocell reads open",
    "Photocell (P3) must read open",
  ],
  [
    { learned: "travel" },
    { learned: (id, yes) => id === "travel" && yes },
    { learned: (_, yes) => !yes },
    "travel is learned",
    "travel must be learned",
  ],
  [
    { unlearned: "travel" },
    { learned: (id, yes) => id === "travel" && !yes },
    { learned: (_, yes) => yes },
    "no travel is learned",
    "travel must be empty",
  ],
  [
    { mode: "learning" },
    { mode: (word) => word === "learning" },
    { mode: (word) => word === "idle" },
    "the board is learning",
    "the board must be learning",
  ],
  [
    { pending: false },
    { pending: (yes) => !yes },
    { pending: (yes) => yes },
    "every control is read",
    "every moved control must be read by its gesture",
  ],
  [
    { behaviour: "force", atLeast: 40 },
    { behaviour: (id, fits) => id === "force" && fits(40) },
    { behaviour: (_, fits) => fits(39.9) },
    "force is at least 40 %",
    "force must be at least 40 %",
  ],
  [
    { behaviour: "photocell-reaction", is: "closing" },
    { behaviour: (_, fits) => fits("closing") },
    { behaviour: (_, fits) => fits("both") },
    "photocell acts is on closing only",
    "photocell acts must be on closing only",
  ],
  [
    { control: "S1", at: "on" },
    { control: (id, at) => id === "S1" && at === "on" },
    { control: (_, at) => at === "off" },
    "S1 stands at on",
    "S1 must stand at on",
  ],
  [
    { leaf: "closed" },
    { leaf: (where) => where === "closed" },
    { leaf: (where) => where === "open" },
    "the leaf is closed",
    "the leaf must be closed",
  ],
  [
    { supply: "battery" },
    { supply: (from) => from === "battery" },
    { supply: (from) => from === "mains" },
    "the board lives on the battery",
    "the board must live on the battery",
  ],
  [
    { battery: "low" },
    { battery: (is) => is === "low" },
    { battery: (is) => is === "good" },
    "the battery is low",
    "the battery must be low",
  ],
  [
    { timer: "pause" },
    { timer: (runs) => runs === "pause" },
    { timer: (runs) => runs === "warning" },
    "the pause runs",
    "the pause must run",
  ],
  [
    { fault: "E1" },
    { fault: (code) => code === "E1" },
    { fault: (code) => code === "E2" },
    "it shows E1",
    "it must show E1",
  ],
  [
    { all: [{ powered: true }, { leaf: "open" }] },
    { power: (on) => on, leaf: (where) => where === "open" },
    { leaf: (where) => where === "open" },
    "the board has power and the leaf is open",
    "the board must have power; the leaf must be open",
  ],
  [
    { any: [{ mode: "learning" }, { leaf: "moving" }] },
    { leaf: (where) => where === "moving" },
    { leaf: (where) => where === "stopped" },
    "the board is learning or the leaf moves",
    "the board must be learning, or the leaf must be moving",
  ],
];

describe("conditions", () => {
  test.each(kinds)("%j holds where it should and nowhere near", (when, holds, fails, text, must) => {
    expect(conditionHolds(when, { ...nothing, ...holds })).toBe(true);
    expect(conditionHolds(when, { ...nothing, ...fails })).toBe(false);
    expect(conditionHolds(when, nothing)).toBe(false);
    expect(conditionText(when, labels)).toBe(text);
    expect(conditionMust(when, labels)).toBe(must);
  });

  test("every kind of the schema is tried here, but for cards, of which this board has none", () => {
    const companions = ["is", "atLeast", "at", "card", "not"];
    const tried = new Set(kinds.flatMap(([when]) => Object.keys(when)));
    const { properties } = z.toJSONSchema(conditionSchema, { io: "input" });
    expect(
      Object.keys(properties ?? {}).filter((key) => !companions.includes(key) && !tried.has(key)),
    ).toEqual([]);
  });

  test("what must not be so holds where it is not", () => {
    const when: Condition = { not: { powered: true } };
    expect(conditionHolds(when, nothing)).toBe(true);
    expect(conditionHolds(when, { ...nothing, power: () => true })).toBe(false);
    expect(conditionText(when, labels)).toBe("it is not so that the board has power");
  });

  test("all keys must hold; none given always holds", () => {
    const both: Condition = { powered: true, mode: "learning" };
    expect(conditionHolds(both, { ...nothing, power: () => true })).toBe(false);
    expect(conditionHolds(both, { ...nothing, power: () => true, mode: () => true })).toBe(true);
    expect(conditionHolds({}, nothing)).toBe(true);
    expect(conditionText({}, labels)).toBe("always");
    expect(conditionText(both, labels)).toBe("the board has power and the board is learning");
  });

  test("why a lamp is lit, and why it stays dark that looks for something else", () => {
    expect(conditionBecause({ unlearned: "travel", powered: true })).toBe("the board has power");
    expect(conditionBecause({ unlearned: "travel" })).toBe("no travel learned yet");
    expect(conditionBecause({ control: "S1", at: "on" })).toBeUndefined();
    expect(conditionInstead([{ mode: "learning" }, { unlearned: "travel" }])).toBe("travel learned");
    expect(conditionInstead([{ mode: "learning" }, { pending: true }])).toBe("every control is read");
    expect(conditionInstead([{ powered: true }])).toBeUndefined();
  });

  test("whatever a condition names that the board lacks is reported at its place", () => {
    const reported = (when: Condition) => {
      const paths: string[] = [];
      checkCondition(when, "when", names, (path) => paths.push(path));
      return paths;
    };
    expect(reported({ closed: "x", open: "stop", learned: "y", unlearned: "z" })).toEqual([
      "when.closed",
      "when.learned",
      "when.unlearned",
    ]);
    expect(reported({ mode: "asleep", card: "none" })).toEqual(["when.mode", "when.card"]);
    expect(reported({ behaviour: "winter-opening", is: 1 })).toEqual(["when.behaviour"]);
    expect(reported({ control: "S1", at: "up" })).toEqual(["when.at"]);
    expect(reported({ control: "V1", at: "9:00" })).toEqual([]);
    expect(reported({ control: "V1", at: "on" })).toEqual(["when.at"]);
    expect(reported({ control: "S99", at: "on" })).toEqual(["when.control"]);
    expect(reported({ is: true })).toEqual(["when"]);
    expect(reported({ control: "S1" })).toEqual(["when"]);
  });
});

/** Each kind of gesture with its words, what it holds, and what it is done with. */
const gestures: [Gesture, string, held: unknown, touched: string[]][] = [
  [{ hold: { key: "TAKE", seconds: 3 } }, "hold TAKE for 3 s", { what: "TAKE", seconds: 3 }, ["key TAKE"]],
  [{ press: { key: "MOVE", times: 2 } }, "press MOVE twice", undefined, ["key MOVE"]],
  [{ press: { key: "MOVE", times: 4 } }, "press MOVE 4 times", undefined, ["key MOVE"]],
  [
    { together: { keys: ["TAKE", "MOVE"], seconds: 5 } },
    "hold TAKE and MOVE together for 5 s",
    { what: "TAKE and MOVE", seconds: 5 },
    ["key TAKE", "key MOVE"],
  ],
  [{ turn: { key: "TAKE", to: "left", clicks: 1 } }, "turn TAKE to the left", undefined, ["key TAKE"]],
  [
    { turn: { key: "TAKE", to: "right", clicks: 3 } },
    "turn TAKE to the right by 3 clicks",
    undefined,
    ["key TAKE"],
  ],
  [{ choose: { item: "auto", as: "on" } }, "choose auto and set it to on", undefined, ["display"]],
  [{ choose: { item: "auto" } }, "choose auto", undefined, ["display"]],
  [{ set: { control: "S1", to: "on" } }, "set S1 to on", undefined, ["control S1"]],
  [
    { trip: { input: "stop", seconds: 10 } },
    "hold stop by hand for 10 s",
    { what: "stop", seconds: 10 },
    ["input stop"],
  ],
  [{ trip: { input: "stop" } }, "hold stop by hand", undefined, ["input stop"]],
  [{ power: "off" }, "switch the supply off", undefined, []],
  [{ wait: 2.5 }, "wait 2.5 s", undefined, []],
  [{ place: { at: "middle", by: "hand" } }, "bring it half-way by hand", undefined, []],
  [
    { place: { at: "open", by: "held-key", key: "MOVE" } },
    "bring it fully open, holding MOVE",
    undefined,
    ["key MOVE"],
  ],
  [{ fails: "mains" }, "let the mains fail", undefined, []],
  [{ returns: "battery" }, "let the battery be charged", undefined, []],
  [{ watch: { says: "the leaf" } }, "watch the leaf", undefined, []],
  [{ remote: { sends: "press", times: 1, says: "press 1" } }, "at the transmitter: press 1", undefined, []],
];

describe("gestures", () => {
  test("keys and inputs are called by what is printed beside them", () => {
    const { keys, inputs } = shippedBoard("furzel-slathorn");
    const called = (id: string) => [...keys, ...inputs].find((each) => each.id === id)!.label;
    const hold: Gesture = { together: { keys: ["PLUS", "OK"], seconds: 4 } };
    expect(gestureText(hold, called)).toBe("hold + and ƒ together for 4 s");
    expect(heldBy(hold, called)).toEqual({ what: "+ and ƒ", seconds: 4 });
    const byHand: Gesture = { trip: { input: "sensor-open", seconds: 9 } };
    expect(gestureText(byHand, called)).toBe("hold Sensor open by hand for 9 s");
  });

  test.each(gestures)(
    "%j has its words, what is held, and what it is done with",
    (gesture, text, held, touched) => {
      expect(gestureText(gestureSchema.parse(gesture))).toBe(text);
      expect(heldBy(gesture)).toEqual(held);
      expect(
        touchedBy(gesture).map((part) => ("id" in part ? `${part.kind} ${part.id}` : part.kind)),
      ).toEqual(touched);
    },
  );

  test("what a gesture names that the board lacks is reported at its place", () => {
    const reported = (gesture: Gesture) => {
      const paths: string[] = [];
      checkGesture(gesture, "do", names, (path) => paths.push(path));
      return paths;
    };
    expect(reported({ hold: { key: "X", seconds: 3 } })).toEqual(["do.hold.key"]);
    expect(reported({ press: { key: "X", times: 1 } })).toEqual(["do.press.key"]);
    expect(reported({ turn: { key: "X", to: "left", clicks: 1 } })).toEqual(["do.turn.key"]);
    expect(reported({ together: { keys: ["TAKE", "X"], seconds: 1 } })).toEqual(["do.together.keys[1]"]);
    expect(reported({ trip: { input: "x" } })).toEqual(["do.trip.input"]);
    expect(reported({ set: { control: "x", to: "on" } })).toEqual(["do.set.control"]);
    expect(reported({ set: { control: "S1", to: "x" } })).toEqual(["do.set.to"]);
    expect(reported({ choose: { item: "x" } })).toEqual(["do.choose.item"]);
    expect(reported({ hold: { key: "TAKE", seconds: 3 } })).toEqual([]);
    const slathorn = namesOf(shippedBoard("furzel-slathorn"));
    const paths: string[] = [];
    checkGesture({ choose: { item: "push", as: "99" } }, "do", slathorn, (path) => paths.push(path));
    expect(paths).toEqual(["do.choose.as"]);
  });

  test("every gesture and condition of every shipped board has words of its own", () => {
    for (const id of boardIds())
      for (const { steps, needs } of shippedBoard(id).procedures) {
        for (const each of steps.flatMap((step) => step.do))
          expect(gestureText(each)).not.toContain("undefined");
        for (const need of needs) expect(conditionMust(need, labels)).not.toBe("");
      }
  });
});

describe("reactions", () => {
  test("are proved with the leaf at rest and moving; only then is it tripped with an object", () => {
    expect(reactionMoments).toEqual(["closed", "opening", "open", "closing"]);
    expect(reactionMoments.filter(provedMoving)).toEqual(["opening", "closing"]);
    expect(provingText("closing", "grille")).toBe("While the grille closes, trip it");
  });
});
