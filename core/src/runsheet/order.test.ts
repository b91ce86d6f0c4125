import type { BoardProfile } from "../board/index.ts";
import { planJob } from "../plan/index.ts";
import { planOnce, boardIds, bundleOn, planOn, shippedBoard, usualDevices } from "../testing/shipped.ts";
import type { Job } from "../job/index.ts";
import { ranOf, textsOf } from "../testing/ran.ts";
import type { Step } from "./index.ts";

/** The steps of a sheet from power on, each by the procedure or the kind of step it belongs to, repeats once. */
function order(sheet: readonly Step[]): string[] {
  const live = sheet.slice(sheet.findIndex(({ station }) => station === "power-up"));
  const kinds = live.map(({ id }) => {
    const [kind = "", name = ""] = id.split(":");
    return kind === "do" ? name : kind === "prove" && !name.includes("/") ? id : kind;
  });
  return kinds.filter(
    (kind, at) => kind !== kinds[at - 1] && !["rail", "volts", "battery", "force"].includes(kind),
  );
}

const planOf = (board: string, change: (job: Job) => void = () => {}, wishes: Job["wishes"] = {}) => {
  const bundle = bundleOn(board, usualDevices(board), wishes);
  change(bundle.job);
  return planOnce(bundle);
};
const sheetOn = (...[board, change, wishes]: Parameters<typeof planOf>) =>
  planOf(board, change, wishes).sheet;

describe("the order of the run sheet", () => {
  // By the manner of each board: where values are set by dials, lists or menus, how the travel is learned, what is paired.
  test.each([
    ["copperfold-casspel", "power-up sense learn-stops first-cycle pair try"],
    ["copperfold-skarlune", "power-up sense calibrate first-cycle pair try"],
    ["dunnick-wendrel", "power-up sense direction first-call first-cycle"],
    ["furzel-slathorn", "power-up sense set commit direction learn-magnets first-cycle pair-step try"],
    ["hexby-hoistrum", "power-up sense set direction encoder-ends first-command first-cycle"],
    ["lammerlow-thrussel", "power-up set-up set first-cycle sense"],
    ["marlstreet-pewlark", "power-up sense direction first-command pair try"],
    ["osierbeck-quernish", "power-up sense set direction learn-half-way first-cycle pair-step try"],
    ["pengrath-drawmel", "power-up sense commit direction learn-stops first-cycle"],
    ["quillmarsh-tandrel", "power-up sense commit direction learn-travel first-cycle pair-remote"],
    ["sorrel-tinkell", "power-up sense set commit calibrate first-cycle"],
    ["tarn-grellock", "power-up sense set direction set-ends first-cycle"],
    ["tessock-umbrick", "power-up pair"],
  ])("on %s: %s, then everything is proved", (board, wanted) => {
    const kinds = order(sheetOn(board));
    const proving = kinds.findIndex((kind) => kind.startsWith("prove"));
    expect(kinds.slice(0, proving).join(" ")).toBe(wanted);
    expect(kinds.at(-1)).toBe("hand-over");
  });

  test("a door whose menu is short until it was set up: its values after the set-up, its sensors proved after it", () => {
    const sheet = sheetOn("lammerlow-thrussel", () => {}, { "low-energy": true, "opening-speed": 40 });
    expect(order(sheet)).toEqual([
      "power-up",
      "set",
      "set-up",
      "set",
      "first-cycle",
      "sense",
      "prove",
      "prove:release",
      "prove:closes-by-itself",
      "hand-over",
    ]);
    const [type, speed] = ["set:low-energy:", "set:v-open:"].map((id) =>
      sheet.find((step) => step.id.startsWith(id)),
    );
    expect([type?.station, speed?.station]).toEqual(["power-up", "travel"]);
    expect(speed?.needs).toEqual([{ learned: "travel" }]);
  });

  test("the retrofit is fitted behind the isolation and before the first core", () => {
    const ids = sheetOn("sorrel-tinkell").map(({ id }) => id);
    const fitted = ids.findIndex((id) => id.startsWith("do:strip"));
    expect(fitted).toBe(ids.findLastIndex((id) => id.startsWith("isolate:")) + 1);
    expect(ids.findIndex((id) => id.startsWith("wire:"))).toBeGreaterThan(fitted);
    const belt = sheetOn("sorrel-tinkell").find(({ id }) => id === "do:strip:belt")!;
    expect(belt.readings).toEqual([{ quantity: "how far the belt gives", unit: "mm", least: 8, most: 14 }]);
  });

  test("protections are read before anything moves, or after where the job says so; an older job keeps its sheet", () => {
    const stationsOf = (proof: Job["proof"]) => {
      const sheet = sheetOn("pengrath-drawmel", (job) => (proof ? (job.proof = proof) : delete job.proof));
      return [...new Set(sheet.filter(({ id }) => id.startsWith("sense:")).map(({ station }) => station))];
    };
    expect(stationsOf("before")).toEqual(["power-up"]);
    expect(stationsOf("after")).toEqual(["prove"]);
    expect(stationsOf(undefined)).toEqual([]);
  });

  test.each([
    ["copperfold-casspel", "set-ends", "learn-stops"],
    ["copperfold-skarlune", "by-sensor", "calibrate"],
    ["furzel-slathorn", "learn-half-way", "learn-magnets"],
    ["pengrath-drawmel", "set-positions", "learn-stops"],
    ["sorrel-tinkell", "set-up", "calibrate"],
    ["tarn-grellock", "learn-cams", "set-ends"],
  ])("%s: %s chosen on the job replaces %s", (board, chosen, instead) => {
    const names = (job: (job: Job) => void) => order(sheetOn(board, job));
    expect(names(() => {})).toEqual(expect.arrayContaining([instead]));
    expect(names(() => {})).not.toContain(chosen);
    const taken = names((job) => (job.chosen = [chosen]));
    expect(taken).toContain(chosen);
    expect(taken).not.toContain(instead);
  });

  test("what is optional is done where the job chose it, beside what is always done", () => {
    expect(order(sheetOn("marlstreet-pewlark"))).not.toContain("pair-keypad");
    const chosen = order(sheetOn("marlstreet-pewlark", (job) => (job.chosen = ["pair-keypad"])));
    expect(chosen).toEqual(expect.arrayContaining(["pair", "pair-keypad"]));
  });
});

test("what comes when mains or battery fail is asked where there is something to see: a battery, or a spring", () => {
  const asked = (board: string, ...more: string[]) =>
    order(
      planOn(board, [...usualDevices(board).filter((id) => id !== "quillmarsh-reserve"), ...more]).sheet,
    ).filter((kind) => ["mains-lost", "low-battery", "battery-low"].includes(kind));
  expect(asked("copperfold-skarlune")).toEqual([]);
  expect(asked("copperfold-skarlune", "quillmarsh-reserve")).toEqual(["low-battery", "mains-lost"]);
  expect(asked("marlstreet-pewlark")).toEqual(["battery-low", "mains-lost"]);
  expect(asked("tarn-grellock")).toEqual(["mains-lost"]);
  expect(asked("hexby-hoistrum")).toEqual([]);
});

describe("what should be seen", () => {
  test("movements and beeps are those of the installation that runs, with this job's wires", () => {
    const quernish = planOn("osierbeck-quernish", usualDevices("osierbeck-quernish"));
    expect(ranOf(quernish, "do:direction:leaf-2").moves).toEqual([
      expect.stringMatching(/^The overlapped leaf opens for 2 s and stands \d+ % open\.$/),
    ]);
    expect(textsOf(ranOf(planOf("copperfold-casspel"), "do:pair:recessed"))).toEqual([
      "The board beeps twice.",
    ]);
  });

  test("of a step that the board would refuse as it is planned no movement is told", () => {
    const learned = (force: number) =>
      ranOf(
        planOf("quillmarsh-tandrel", () => {}, { force }),
        "do:learn-travel:start",
      ).moves;
    expect(learned(60)).toEqual(["The gate begins to close and goes on in the next step."]);
    expect(learned(0)).toEqual([]);
  });

  test.each(boardIds().filter((id) => shippedBoard(id).leaves > 1))(
    "%s: of one leaf no sentence says each leaf, and nothing is done twice",
    (board) => {
      const one = sheetOn(board, (job) => {
        job.survey.leaves = [{ ...job.survey.leaves[0]!, id: "only" }];
        job.devices = job.devices.flatMap((device) =>
          device.leaf === "overlapped" ? [] : [device.leaf ? { ...device, leaf: "only" as const } : device],
        );
      });
      const said = one.flatMap(({ title, says, caution = "", ifNot = "", alsoSee = [] }) => [
        ...[title, says, caution, ifNot],
        ...alsoSee,
      ]);
      expect(
        said.filter((text) =>
          /each leaf|every leaf|both leaves|the leaves|the drives|overlapp|leaf 2/i.test(text),
        ),
      ).toEqual([]);
      expect(said.filter((text) => /[{|}]/.test(text))).toEqual([]);
      const ids = one.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
    },
  );

  test("a board without programs claims: what its steps change is told so, and still counts", () => {
    const bundle = bundleOn("quillmarsh-tandrel", usualDevices("quillmarsh-tandrel"));
    const told: BoardProfile = { ...bundle.board, programs: [] };
    const { sheet } = planJob({ ...bundle, board: told });
    const run = sheet.find(({ id }) => id === "do:learn-travel:run")!;
    expect(run.claimed).toBe(true);
    expect(run.effects).toContainEqual({ kind: "learn", what: "travel" });
    expect(run.effects).toContainEqual({ kind: "leaf", at: "closed" });
    expect(planJob(bundle).sheet.some(({ claimed }) => claimed)).toBe(false);
  });
});
