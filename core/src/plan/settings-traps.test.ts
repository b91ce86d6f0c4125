import { displayPositions, menuValues } from "../board/index.ts";
import type { FindingCode } from "../finding/index.ts";
import { applyEdit, type JobBundle, type LogEntry } from "../job/index.ts";
import { done, jobOn, now, plan, untilSet } from "../testing/found.ts";
import { usualDevices } from "../testing/shipped.ts";
import { planJob } from "./plan.ts";

const stamp = (id: string) => ({ id, at: "2026-12-01T09:00:00.000Z", by: "Ivet Carrandine" });

const noted = (board: string, wishes: JobBundle["job"]["wishes"] = {}) =>
  jobOn(board, usualDevices(board), (job) => void (job.found.noted = true), wishes);

const withLog = (bundle: JobBundle, ...log: LogEntry[]): JobBundle => ({
  ...bundle,
  log: [...bundle.log, ...log],
});

/** A value beside one that is to be changed, found changed as well. */
function neighbourChanged(board: string, wishes: JobBundle["job"]["wishes"]): string[] {
  const given = noted(board, wishes);
  const planned = planJob(given);
  const changes = new Set(planned.controls.controls.filter(({ change }) => change).map(({ id }) => id));
  const values = menuValues(planned.bundle.board);
  const at = values.findIndex(
    ({ item, menu }, n) =>
      !changes.has(item.id) && changes.has(values[n - 1]?.item.id ?? "") && values[n - 1]!.menu === menu,
  );
  const { item, delivered } = values[at]!;
  const other = displayPositions(item).find((shows) => shows !== delivered)!;
  return now(
    withLog(given, { ...stamp("slip"), kind: "settings", as: "left", values: { [item.id]: other } }),
  );
}

/** One leaf on a board for two that somebody left set for a pair. */
function pairLeft(board: string): string[] {
  const given = noted(board);
  given.job.survey.leaves = [{ ...given.job.survey.leaves[0]!, id: "only" }];
  given.job = applyEdit(given.job, { kind: "overrule", behaviour: "leaf-count", value: 2 });
  for (const device of given.job.devices) if (device.leaf) device.leaf = "only";
  return now(done(given, untilSet));
}

const unsaved = (board: string, wishes: JobBundle["job"]["wishes"]) =>
  now(done(noted(board, wishes), (step) => !step.id.startsWith("commit:")));

const power = (on: boolean): LogEntry => ({
  ...stamp(`power-${on}`),
  kind: "step",
  step: `power-${on}`,
  station: "power-up",
  title: "Power",
  outcome: "seen",
  effects: [{ kind: "power", on }],
});

const begun = (procedure: string): LogEntry => ({
  ...stamp("begun"),
  kind: "begun",
  procedure,
  reason: "It crawls.",
});

const powerCycled = (board: string, procedure: string) =>
  now(
    withLog(
      done(noted(board), () => true),
      begun(procedure),
      power(false),
      power(true),
    ),
  );

/** Each trap, and on boards of different manner the job that has it. */
const traps: [number, FindingCode, [string, () => string[]][]][] = [
  [
    9,
    "neighbour-changed",
    [
      ["osierbeck-quernish", () => neighbourChanged("osierbeck-quernish", { "opening-speed": 90 })],
      ["hexby-hoistrum", () => neighbourChanged("hexby-hoistrum", { "pre-warning-closing": 4 })],
    ],
  ],
  [
    12,
    "leaf-count-wrong",
    [
      ["osierbeck-quernish", () => pairLeft("osierbeck-quernish")],
      ["quillmarsh-tandrel", () => pairLeft("quillmarsh-tandrel")],
    ],
  ],
  [
    16,
    "list-not-saved",
    [
      ["furzel-slathorn", () => unsaved("furzel-slathorn", { force: 80 })],
      ["sorrel-tinkell", () => unsaved("sorrel-tinkell", { "opening-speed": 90 })],
    ],
  ],
  [
    21,
    "moved-before-noted",
    (["quillmarsh-tandrel", "osierbeck-quernish"] as const).map((board) => [
      board,
      () => now(done(jobOn(board, usualDevices(board), undefined, { "pre-warning": 3 }), untilSet)),
    ]),
  ],
  [
    23,
    "power-cycled-for-corruption",
    [
      ["osierbeck-quernish", () => powerCycled("osierbeck-quernish", "clear-speed")],
      [
        "tarn-grellock",
        () =>
          powerCycled(
            "tarn-grellock",
            planJob(noted("tarn-grellock")).bundle.board.procedures.find(({ clears }) => clears.length)!.id,
          ),
      ],
    ],
  ],
  [
    43,
    "keys-move-outside",
    [
      ["osierbeck-quernish", () => plan(noted("osierbeck-quernish", { "opening-speed": 90 }))],
      ["furzel-slathorn", () => plan(noted("furzel-slathorn", { force: 80 }))],
    ],
  ],
  [
    49,
    "procedure-of-another-firmware",
    (["hexby-hoistrum", "quillmarsh-tandrel"] as const).map((board) => [
      board,
      () => now(withLog(noted(board), begun("of-another-generation"))),
    ]),
  ],
];

describe.each(traps)("trap %i, %s", (_, code, boards) => {
  test.each(boards)("on %s", (_board, codes) => {
    expect(codes()).toContain(code);
  });
});

test("none of them is told where it was done right", () => {
  const told = new Set<FindingCode>(
    traps.map(([, code]) => code).filter((code) => code !== "keys-move-outside"),
  );
  for (const board of ["osierbeck-quernish", "furzel-slathorn", "quillmarsh-tandrel", "hexby-hoistrum"]) {
    const codes = now(done(noted(board, { "opening-speed": 90, force: 80, "pre-warning": 3 }), () => true));
    expect([board, codes.filter((code) => told.has(code as FindingCode))]).toEqual([board, []]);
  }
});
