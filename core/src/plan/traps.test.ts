import type { FindingCode } from "../finding/index.ts";
import { done, jobOn, now, plan, untilSet } from "../testing/found.ts";
import { boardIds, usualDevices } from "../testing/shipped.ts";

describe.each(boardIds())("%s, planned and wired as planned", (board) => {
  test("has none of the traps", () => {
    const given = jobOn(board, usualDevices(board));
    given.job.found.firmware = given.board.firmware[0]!;
    expect(plan(given).filter((code) => code !== "value-rounded")).toEqual([]);
    expect(now(done(given, untilSet))).toEqual([]);
  });
});

/** A trap that the plan finds, and on each board the job that has it. */
const traps: [number, FindingCode, [string, () => string[]][]][] = [
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
];

describe.each(traps)("trap %i, %s", (_, code, boards) => {
  test.each(boards)("on %s", (_board, codes) => {
    expect(codes()).toContain(code);
  });
});
