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
  untilSet,
} from "../testing/found.ts";
import { answered, boardIds, usualDevices } from "../testing/shipped.ts";
import { planJob } from "./index.ts";

const usual = (board: string) => usualDevices(board);

describe.each(boardIds())("%s, planned and wired as planned", (board) => {
  test("has none of the traps", () => {
    const given = jobOn(board, usual(board));
    expect(plan(given).filter((code) => code !== "value-rounded")).toEqual([]);
    expect(now(done(given, untilSet))).toEqual([]);
  });
});

/** A trap, and on each board how it is set up and where it is told. */
const traps: [number, FindingCode, [string, () => string[]][]][] = [
  [
    2,
    "protection-open",
    [
      [
        "osierbeck-egret",
        () =>
          now(
            found(done(jobOn("osierbeck-egret", usual("osierbeck-egret")), untilPower), {
              "stop-button-1/a": "off",
            }),
          ),
      ],
      [
        "penhallow-drover",
        () =>
          now(
            found(done(jobOn("penhallow-drover", usual("penhallow-drover")), untilPower), {
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
    8,
    "alignment-jumper-on",
    ["quillmarsh-duet", "marlstreet-plover"].map((board) => [
      board,
      () =>
        plan(
          jobOn(board, ["ostwick-moth"], (job) => {
            job.devices[0]!.jumpersOn = ["align"];
          }),
        ),
    ]),
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
    19,
    "converter-too-small",
    ["quillmarsh-duet", "penhallow-drover"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-turn", "brackwater-grip"])),
    ]),
  ],
  [
    19,
    "converter-asks-too-much",
    ["quillmarsh-duet", "tarn-weir"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-plain", "brackwater-grip", "brackwater-grip"])),
    ]),
  ],
  [
    19,
    "voltage-over",
    ["quillmarsh-duet", "penhallow-drover"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-plain", "brackwater-clasp"])),
    ]),
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
            found(done(jobOn("quillmarsh-duet", usual("quillmarsh-duet")), isWiring), {
              "photocell-1/r-plus": "K1",
              "photocell-1/r-minus": "K2",
            }),
          ),
      ],
    ],
  ],
  [
    28,
    "radio-card-missing",
    [
      [
        "osierbeck-egret",
        () =>
          plan(
            jobOn("osierbeck-egret", ["lathbury-aether"], (job) => {
              job.cards = [];
            }),
          ),
      ],
      [
        "penhallow-drover",
        () =>
          plan(
            jobOn("penhallow-drover", ["tallow-fob"], (job) => {
              job.cards = [];
            }),
          ),
      ],
    ],
  ],
  [
    29,
    "rail-overloaded",
    ["quillmarsh-duet", "osierbeck-egret"].map((board) => [
      board,
      () =>
        plan(
          jobOn(
            board,
            Array.from({ length: 20 }, () => "ostwick-vigil"),
          ),
        ),
    ]),
  ],
  [
    31,
    "rail-sleeps",
    ["marlstreet-plover", "tollard-nightjar"].map((board) => [
      board,
      () => plan(jobOn(board, ["marram-hoop"])),
    ]),
  ],
  [
    35,
    "clearance-short",
    [
      [
        "marlstreet-plover",
        () =>
          plan(
            jobOn("marlstreet-plover", ["marlstreet-strut"], (job) => {
              job.devices[0]!.clearanceMm = 40;
            }),
          ),
      ],
      [
        "larkrise-passage",
        () =>
          plan(
            jobOn("larkrise-passage", ["sorrel-runner"], (job) => {
              job.devices[0]!.clearanceMm = 80;
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
    38,
    "test-without-wire",
    ["osierbeck-egret", "fennimore-otter"].map((board) => [
      board,
      () => plan(jobOn(board, ["ostwick-moth"], undefined, { "photocell-test": true })),
    ]),
  ],
  [
    38,
    "wired-but-not-tested",
    ["osierbeck-egret", "fennimore-otter"].map((board) => [
      board,
      () => plan(jobOn(board, ["ostwick-vigil"], undefined, { "photocell-test": false })),
    ]),
  ],
  [
    39,
    "open-contact-on-closed-input",
    ["quillmarsh-duet", "osierbeck-egret"].map((board) => [
      board,
      () => plan(jobOn(board, ["lathbury-bell-push"])),
    ]),
  ],
  [
    42,
    "source-of-another-voltage",
    [
      ["osierbeck-egret", () => plan(jobOn("osierbeck-egret", ["marlstreet-cell"]))],
      ["larkrise-passage", () => plan(jobOn("larkrise-passage", ["marlstreet-cell"]))],
      ["tollard-nightjar", () => plan(jobOn("tollard-nightjar", ["tollard-sunleaf-24", "marlstreet-cell"]))],
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
  test.each(boards)("on %s", (_board, told) => {
    expect(told()).toContain(code);
  });
});
