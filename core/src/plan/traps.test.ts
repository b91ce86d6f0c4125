import type { FindingCode } from "../finding/index.ts";
import { done, jobOn, now, plan, untilSet } from "../testing/found.ts";
import { boardIds, usualDevices } from "../testing/shipped.ts";

describe.each(boardIds())("%s, planned and wired as planned", (board) => {
  test("has none of the traps", () => {
    const given = jobOn(board, usualDevices(board));
    given.job.found.firmware = given.board.firmware[0]!;
    given.job.found.noted = true;
    expect(plan(given).filter((code) => code !== "value-rounded" && code !== "keys-move-outside")).toEqual(
      [],
    );
    expect(now(done(given, untilSet))).toEqual([]);
  });
});

/** A trap that the plan finds, and on each board the job that has it. */
const traps: [number, FindingCode, [string, () => string[]][]][] = [
  [
    8,
    "alignment-jumper-on",
    ["quillmarsh-tandrel", "marlstreet-pewlark"].map((board) => [
      board,
      () =>
        plan(
          jobOn(board, ["oddlume-vigil"], (job) => {
            job.devices[0]!.jumpersOn = ["aim"];
          }),
        ),
    ]),
  ],
  [
    19,
    "converter-too-small",
    ["quillmarsh-tandrel", "pengrath-drawmel"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-turn", "brackwater-shoot"])),
    ]),
  ],
  [
    19,
    "converter-asks-too-much",
    ["quillmarsh-tandrel", "tarn-grellock"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-plain", "brackwater-shoot", "brackwater-shoot"])),
    ]),
  ],
  [
    19,
    "voltage-over",
    ["quillmarsh-tandrel", "pengrath-drawmel"].map((board) => [
      board,
      () => plan(jobOn(board, ["brackwater-plain", "brackwater-clasp"])),
    ]),
  ],
  [
    28,
    "radio-card-missing",
    [
      [
        "osierbeck-quernish",
        () =>
          plan(
            jobOn("osierbeck-quernish", ["lumbrick-farwisp"], (job) => {
              job.cards = [];
            }),
          ),
      ],
      [
        "pengrath-drawmel",
        () =>
          plan(
            jobOn("pengrath-drawmel", ["tallow-fob"], (job) => {
              job.cards = [];
            }),
          ),
      ],
    ],
  ],
  [
    29,
    "rail-overloaded",
    ["quillmarsh-tandrel", "osierbeck-quernish"].map((board) => [
      board,
      () =>
        plan(
          jobOn(
            board,
            Array.from({ length: 20 }, () => "oddlume-vigil"),
          ),
        ),
    ]),
  ],
  [
    31,
    "rail-sleeps",
    ["marlstreet-pewlark", "tessock-umbrick"].map((board) => [
      board,
      () => plan(jobOn(board, ["marram-hoop"])),
    ]),
  ],
  [
    35,
    "clearance-short",
    [
      [
        "marlstreet-pewlark",
        () =>
          plan(
            jobOn("marlstreet-pewlark", ["marlstreet-strut"], (job) => {
              job.devices[0]!.clearanceMm = 40;
            }),
          ),
      ],
      [
        "lammerlow-thrussel",
        () =>
          plan(
            jobOn("lammerlow-thrussel", ["sorrel-runner"], (job) => {
              job.devices[0]!.clearanceMm = 80;
            }),
          ),
      ],
    ],
  ],
  [
    38,
    "test-without-wire",
    ["osierbeck-quernish", "furzel-slathorn"].map((board) => [
      board,
      () => plan(jobOn(board, ["oddlume-moth"], undefined, { "photocell-test": true })),
    ]),
  ],
  [
    38,
    "wired-but-not-tested",
    ["osierbeck-quernish", "furzel-slathorn"].map((board) => [
      board,
      () => plan(jobOn(board, ["oddlume-vigil"], undefined, { "photocell-test": false })),
    ]),
  ],
  [
    39,
    "open-contact-on-closed-input",
    ["quillmarsh-tandrel", "osierbeck-quernish"].map((board) => [
      board,
      () => plan(jobOn(board, ["lumbrick-bell-push"])),
    ]),
  ],
  [
    42,
    "source-of-another-voltage",
    [
      ["osierbeck-quernish", () => plan(jobOn("osierbeck-quernish", ["marlstreet-cell"]))],
      ["lammerlow-thrussel", () => plan(jobOn("lammerlow-thrussel", ["marlstreet-cell"]))],
      ["tessock-umbrick", () => plan(jobOn("tessock-umbrick", ["tessock-sunnick-24", "marlstreet-cell"]))],
    ],
  ],
];

describe.each(traps)("trap %i, %s", (_, code, boards) => {
  test.each(boards)("on %s", (_board, codes) => {
    expect(codes()).toContain(code);
  });
});
