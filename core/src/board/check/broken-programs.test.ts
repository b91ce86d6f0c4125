import { type Broken, partsOf, pewlark, quernish, refusesEach, tandrel } from "../../testing/broken.ts";

const cases: Broken[] = [
  [
    "a program nothing begins",
    tandrel,
    (b) => (partsOf(b).program("listen").on = []),
    /programs\[1\]\.on: expected what it begins with, found nothing\. Add a trigger/,
  ],
  [
    "a trigger that is two things",
    tandrel,
    (b) => Object.assign(partsOf(b).program("listen").on[0]!, { command: "open" }),
    /programs\[1\]\.on\[0\]: expected one of by, command, power/,
  ],
  [
    "a phase that does two things",
    tandrel,
    (b) => Object.assign(partsOf(b).program("learn").phases[0]!, { forget: "travel" }),
    /programs\[0\]\.phases\[0\]: expected one of mode, run, .* found "mode, forget"/,
  ],
  [
    "a phase that learns what the board does not keep",
    tandrel,
    (b) => partsOf(b).program("learn").phases.push({ learn: "pace" }),
    /programs\[0\]\.phases\[5\]\.learn: expected memory of this board .*found "pace"/,
  ],
  [
    "a phase that waits for nothing",
    tandrel,
    (b) =>
      partsOf(b)
        .program("listen")
        .phases.push({ await: { times: 1 } }),
    /phases\[4\]\.await: expected by, heard or when/,
  ],
  [
    "a cycle within a cycle",
    quernish,
    (b) =>
      partsOf(b)
        .program("learn-half-way")
        .phases[5]!.phases!.push({ cycle: 9, phases: [{ beeps: 1 }] }),
    /phases\[5\]\.phases: expected no cycle within a cycle, found 3\. Write the inner one out/,
  ],
  [
    "a question without its answers",
    quernish,
    (b) => delete partsOf(b).program("learn-half-way").phases[1]!.asks!.yes,
    /phases\[1\]\.asks: expected yes or no, found nothing\. Say by which gesture/,
  ],
  [
    "a refusal that shows a code the board has not",
    pewlark,
    (b) => (partsOf(b).program("learn").refuses[0]!.code = "9"),
    /refuses\[0\]\.code: expected code of this board .*found "9"/,
  ],
  [
    "a reason to break off that is none",
    tandrel,
    (b) => partsOf(b).program("learn").aborts.push({}),
    /aborts\[3\]: expected by or when/,
  ],
  [
    "two gestures for one hold in one state",
    tandrel,
    (b) => (partsOf(b).program("wipe").on[0]!.by = { hold: { key: "TAKE", seconds: 3 } }),
    /commits\[0\]\.by: expected a gesture of its own, for wipe begins with it in the same state, found "hold TAKE for 3 s"/,
  ],
  [
    "a hold that is never reached behind one that acts before it",
    tandrel,
    (b) =>
      (partsOf(b).program("wipe").on[0] = { by: { hold: { key: "MOVE", seconds: 9 } }, acts: "release" }),
    /programs\[2\]\.on\[0\]\.by: expected a hold that can be reached: learn acts after 6 s already/,
  ],
  [
    "a claim nothing causes",
    tandrel,
    (b) => (b.procedures.find(({ id }) => id === "first-cycle")!.steps[0]!.claims = { forget: "travel" }),
    /procedures\[3\]\.steps\[0\]\.claims\.forget: expected something that a program of this board causes, found "travel"/,
  ],
  [
    "a procedure in place of one that is not there",
    "pengrath-drawmel",
    (b) => (b.procedures.find(({ id }) => id === "set-positions")!.instead = "set-positions"),
    /instead: expected other procedure of this board .*found "set-positions"/,
  ],
  [
    "a place with a key that nothing holds",
    tandrel,
    (b) =>
      (b.procedures.find(({ id }) => id === "direction")!.steps[0]!.do = [
        { place: { at: "open", by: "hand", key: "MOVE" } },
      ]),
    /do\.place\.key: expected a key where one is held, and none otherwise, found "MOVE"/,
  ],
];

describe("programs that contradict themselves or their procedures are refused", () => refusesEach(cases));
