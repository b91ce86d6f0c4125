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
      do: [{ set: { control: jumper!.id, to: "on" } }],
      says: "Put the shunt on.",
    },
    ...pairing.steps.filter(({ do: gestures }) => !gestures.some((each) => "set" in each)),
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
        "osierbeck-quernish",
        () =>
          now(
            found(done(jobOn("osierbeck-quernish", usualDevices("osierbeck-quernish")), untilPower), {
              "stop-button-1/a": "off",
            }),
          ),
      ],
      [
        "pengrath-drawmel",
        () =>
          now(
            found(done(jobOn("pengrath-drawmel", usualDevices("pengrath-drawmel")), untilPower), {
              "photocell-1/r-a": "off",
            }),
          ),
      ],
    ],
  ],
  [
    3,
    "link-beside-device",
    ["quillmarsh-tandrel", "osierbeck-quernish"].map((board) => [
      board,
      () => now(done(jobOn(board, ["lumbrick-halt"]), (step) => untilPower(step) && !step.link)),
    ]),
  ],
  [
    6,
    "panel-cut-off",
    [
      ["tessock-umbrick", () => now(jumperLeft("tessock-umbrick"))],
      ["marlstreet-pewlark", () => now(jumperLeft("marlstreet-pewlark"))],
    ],
  ],
  [
    4,
    "link-missing",
    ["quillmarsh-tandrel", "osierbeck-quernish"].map((board) => [
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
        "osierbeck-quernish",
        () =>
          now(exchanged(jobOn("osierbeck-quernish", ["quillmarsh-reserve"]), "battery-1", "plus", "minus")),
      ],
      [
        "tessock-umbrick",
        () => now(exchanged(jobOn("tessock-umbrick", ["tessock-sunnick-24"]), "supply-1", "plus", "minus")),
      ],
    ],
  ],
  [
    18,
    "plugged-while-live",
    [
      [
        "quillmarsh-tandrel",
        () => pluggedLive("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"]),
      ],
      ["pengrath-drawmel", () => pluggedLive("pengrath-drawmel", ["brackwater-turn", "brackwater-clasp"])],
    ],
  ],
  [
    20,
    "ac-on-dc",
    [
      ["quillmarsh-tandrel", () => plan(jobOn("quillmarsh-tandrel", ["brackwater-clasp"]))],
      ["pengrath-drawmel", () => plan(jobOn("pengrath-drawmel", ["brackwater-clasp"]))],
      [
        "quillmarsh-tandrel as wired",
        () =>
          now(
            found(done(jobOn("quillmarsh-tandrel", usualDevices("quillmarsh-tandrel")), isWiring), {
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
        "quillmarsh-tandrel",
        () =>
          now(
            found(done(jobOn("quillmarsh-tandrel", ["quillmarsh-heron"]), isWiring), {
              "drive-1/a": "D3",
              "drive-1/b": "D4",
            }),
          ),
      ],
      [
        "marlstreet-pewlark",
        () =>
          now(
            found(done(jobOn("marlstreet-pewlark", ["marlstreet-strut"]), isWiring), {
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
        "lammerlow-thrussel",
        () =>
          now(plugsSwapped("lammerlow-thrussel", ["quillmarsh-reserve", "brackwater-haspet"], "BT", "LK")),
      ],
      ["osierbeck-quernish", () => now(plugsSwapped("osierbeck-quernish", ["oddlume-glance"], "E", "X"))],
    ],
  ],
  [
    47,
    "battery-left-connected",
    ["osierbeck-quernish", "lammerlow-thrussel"].map((board) => [
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
