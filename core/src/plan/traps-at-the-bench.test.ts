import type { FindingCode } from "../finding/index.ts";
import {
  done,
  exchanged,
  found,
  isWiring,
  jobOn,
  now,
  plan,
  pluggedLive,
  plugsSwapped,
  untilPower,
} from "../testing/found.ts";
import { answered, usualDevices } from "../testing/shipped.ts";
import { planJob } from "./index.ts";

/** A job done to its end on a board whose pairing leaves the jumper on that cuts the panel off. */
function jumperLeft(board: string) {
  const given = jobOn(board, usualDevices(board));
  const { jumpers, procedures } = given.board;
  const [jumper] = jumpers;
  given.board.solar ??= { plus: "B1", minus: "B2", volts: 24 };
  given.board.solar.isolatedBy = jumper!.id;
  const pairing = procedures.find(({ kind }) => kind === "pair")!;
  pairing.steps = [
    {
      ...pairing.steps[0]!,
      id: "jumper",
      do: { set: { control: jumper!.id, to: "on" } },
      says: "Put the shunt on.",
    },
    ...pairing.steps.filter(({ do: gesture }) => !("set" in gesture)),
  ];
  return done(given, () => true);
}

/** A trap that shows at the bench, and on each board what was done to bring it about. */
const traps: [number, FindingCode, [string, () => string[]][]][] = [
  [
    2,
    "protection-open",
    [
      [
        "osierbeck-egret",
        () =>
          now(
            found(done(jobOn("osierbeck-egret", usualDevices("osierbeck-egret")), untilPower), {
              "stop-button-1/a": "off",
            }),
          ),
      ],
      [
        "penhallow-drover",
        () =>
          now(
            found(done(jobOn("penhallow-drover", usualDevices("penhallow-drover")), untilPower), {
              "photocell-1/r-a": "off",
            }),
          ),
      ],
    ],
  ],
  [
    3,
    "link-beside-device",
    ["quillmarsh-duet", "osierbeck-egret"].map((board) => [
      board,
      () => now(done(jobOn(board, ["lathbury-halt"]), (step) => untilPower(step) && !step.link)),
    ]),
  ],
  [
    6,
    "panel-cut-off",
    [
      ["tollard-nightjar", () => now(jumperLeft("tollard-nightjar"))],
      ["marlstreet-plover", () => now(jumperLeft("marlstreet-plover"))],
    ],
  ],
  [
    4,
    "link-missing",
    ["quillmarsh-duet", "osierbeck-egret"].map((board) => [
      board,
      () => {
        const out = jobOn(board, [], (job) => {
          job.found.links = { "link-stop": "out" };
        });
        return now(done(out, (step) => untilPower(step) && !step.link));
      },
    ]),
  ],
  [
    5,
    "source-reversed",
    [
      [
        "osierbeck-egret",
        () => now(exchanged(jobOn("osierbeck-egret", ["quillmarsh-reserve"]), "battery-1", "plus", "minus")),
      ],
      [
        "tollard-nightjar",
        () => now(exchanged(jobOn("tollard-nightjar", ["tollard-sunleaf-24"]), "supply-1", "plus", "minus")),
      ],
    ],
  ],
  [
    18,
    "plugged-while-live",
    [
      ["quillmarsh-duet", () => pluggedLive("quillmarsh-duet", ["brackwater-turn", "brackwater-clasp"])],
      ["penhallow-drover", () => pluggedLive("penhallow-drover", ["brackwater-turn", "brackwater-clasp"])],
    ],
  ],
  [
    20,
    "ac-on-dc",
    [
      ["quillmarsh-duet", () => plan(jobOn("quillmarsh-duet", ["brackwater-clasp"]))],
      ["penhallow-drover", () => plan(jobOn("penhallow-drover", ["brackwater-clasp"]))],
      [
        "quillmarsh-duet as wired",
        () =>
          now(
            found(done(jobOn("quillmarsh-duet", usualDevices("quillmarsh-duet")), isWiring), {
              "photocell-1/r-plus": "K1",
              "photocell-1/r-minus": "K2",
            }),
          ),
      ],
    ],
  ],
  [
    37,
    "drive-on-wrong-output",
    [
      [
        "quillmarsh-duet",
        () =>
          now(
            found(done(jobOn("quillmarsh-duet", ["quillmarsh-heron"]), isWiring), {
              "drive-1/a": "D3",
              "drive-1/b": "D4",
            }),
          ),
      ],
      [
        "marlstreet-plover",
        () =>
          now(
            found(done(jobOn("marlstreet-plover", ["marlstreet-strut"]), isWiring), {
              "drive-1/m1": "O1",
              "drive-1/m2": "O2",
            }),
          ),
      ],
    ],
  ],
  [
    44,
    "plugs-swapped",
    [
      [
        "larkrise-passage",
        () => now(plugsSwapped("larkrise-passage", ["quillmarsh-reserve", "brackwater-latch"], "BT", "LK")),
      ],
      ["osierbeck-egret", () => now(plugsSwapped("osierbeck-egret", ["ostwick-glance"], "E", "X"))],
    ],
  ],
  [
    47,
    "battery-left-connected",
    ["osierbeck-egret", "larkrise-passage"].map((board) => [
      board,
      () => {
        const given = jobOn(board, ["quillmarsh-reserve"]);
        const wired = done(given, (step) => untilPower(step) || step.station === "power-up");
        return now(answered(wired, [{ ...planJob(given).sheet[0]!, id: "off-again" }]));
      },
    ]),
  ],
];

describe.each(traps)("trap %i, %s", (_, code, boards) => {
  test.each(boards)("on %s", (_board, codes) => {
    expect(codes()).toContain(code);
  });
});
