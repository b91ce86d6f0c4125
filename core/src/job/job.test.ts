import { ProblemsError } from "../finding/index.ts";
import { pinNode, terminalNode } from "../node/index.ts";
import { planOnce, answered, demoBundle, shippedDevices, tandrel } from "../testing/shipped.ts";
import {
  checkLog,
  jobFormat,
  draftInstance,
  draftJob,
  leavesLike,
  logReader,
  parseBundle,
  withSurvey,
  type JobBundle,
  type LogEntry,
} from "./index.ts";
import { planJob } from "../plan/index.ts";

const clone = (bundle: JobBundle) => JSON.parse(JSON.stringify(bundle)) as JobBundle;

function refusal(change: (bundle: JobBundle) => void): string {
  const bundle = clone(answered(demoBundle("netloft"), planOnce(demoBundle("netloft")).sheet));
  change(bundle);
  try {
    parseBundle(bundle);
  } catch (error) {
    if (error instanceof ProblemsError) return error.message;
    throw error;
  }
  return "nothing";
}

describe("a job's bundle", () => {
  test("comes back unchanged from JSON", () => {
    const bundle = answered(demoBundle("sheds"), planJob(demoBundle("sheds")).sheet);
    expect(parseBundle(clone(bundle))).toEqual(bundle);
  });

  test("a fresh draft fits its board", () => {
    const board = tandrel();
    const bundle = {
      format: jobFormat,
      job: draftJob("new", "New", "Someone", board),
      board,
      devices: [],
      log: [],
    };
    expect(parseBundle(bundle).job.survey.leaves).toHaveLength(2);
    expect(planJob(parseBundle(bundle)).controls.findings.every((each) => each.severity === "note")).toBe(
      true,
    );
  });

  test("a new device has an id of its own and cables for its parts; drives take the leaves one after the other", () => {
    const { devices } = demoBundle("netloft");
    const drive = devices.find((device) => device.kind === "drive")!;
    let job = draftJob("new", "New", "Someone", tandrel());
    for (let n = 0; n < 2; n++) job = { ...job, devices: [...job.devices, draftInstance(job, drive)] };
    expect(job.devices.map(({ id, leaf }) => [id, leaf])).toEqual([
      ["drive-1", "overlapping"],
      ["drive-2", "overlapped"],
    ]);
    expect(job.devices[0]?.cables).toEqual({ motor: { lengthM: 5, sizeMm2: 1.5 } });
    const bundle = { format: jobFormat, job, board: tandrel(), devices, log: [] };
    expect(parseBundle(bundle).job).toEqual(job);
  });

  test("a drive's cable is thicker than any other until someone measures", () => {
    const job = draftJob("new", "New", "Someone", tandrel());
    for (const profile of shippedDevices()) {
      const sizes = Object.values(draftInstance(job, profile).cables).map(({ sizeMm2 }) => sizeMm2);
      const usual = profile.kind === "drive" ? 1.5 : 0.75;
      expect([profile.id, sizes]).toEqual([profile.id, sizes.map(() => usual)]);
    }
  });

  test("one leaf in place of two takes the drives with it, and the job still fits", () => {
    const { job } = demoBundle("netloft");
    const single = withSurvey(job, { ...job.survey, leaves: leavesLike(job.survey.leaves[0]!, 1) });
    expect(single.devices.flatMap((device) => device.leaf ?? [])).toEqual(["only", "only"]);
    expect(parseBundle({ ...demoBundle("netloft"), job: single }).job.survey.leaves).toHaveLength(1);
    expect(leavesLike(job.survey.leaves[0]!, 2).map((leaf) => leaf.id)).toEqual([
      "overlapping",
      "overlapped",
    ]);
  });

  type Change = (bundle: JobBundle) => void;
  const cases: [string, Change, RegExp][] = [
    [
      "another format",
      (b) => Object.assign(b, { format: "job" }),
      /bundle: format: expected one of anvilcloud\/job@3, found "job"/,
    ],
    [
      "a profile that contradicts itself",
      (b) => (b.board.dials[0]!.sweep = { from: "5:00", to: "7:00" }),
      /board\.dials\[0\]\.sweep: expected a sweep that runs clockwise/,
    ],
    [
      "a device that contradicts itself",
      (b) => (b.devices[0]!.pins[0]!.part = "nowhere"),
      /devices\[0\]\.pins\[0\]\.part: expected a part of this device/,
    ],
    [
      "a board of another revision",
      (b) => (b.job.board.revision = 3),
      /job\.board: expected the bundle's board, quillmarsh-tandrel revision 2/,
    ],
    [
      "a device that is not in it",
      (b) => (b.job.devices[0]!.device.id = "unknown"),
      /job\.devices\[0\]\.device: expected a device of the catalogue/,
    ],
    [
      "two devices of one id",
      (b) => (b.job.devices[1]!.id = b.job.devices[0]!.id),
      /job\.devices\[1\]\.id: expected an id of its own/,
    ],
    [
      "a cable of no length",
      (b) => (b.job.devices[0]!.cables.motor!.lengthM = 0),
      /job\.devices\[0\]\.cables\.motor\.lengthM: .*found 0/,
    ],
    [
      "a cable that is missing",
      (b) => (b.job.devices[2]!.cables = {}),
      /job\.devices\[2\]\.cables\.sender: expected a cable with length and size/,
    ],
    [
      "a drive for no leaf",
      (b) => (b.job.devices[0]!.leaf = undefined),
      /job\.devices\[0\]\.leaf: expected a leaf of this gate/,
    ],
    [
      "a drive for a leaf that is not there",
      (b) => (b.job.devices[0]!.leaf = "only"),
      /job\.devices\[0\]\.leaf: expected a leaf of this gate \(overlapping, overlapped\), found "only"/,
    ],
    [
      "work begun by a procedure that the board lacks",
      (b) => {
        const { id: _id, ...last } = b.log.at(-1)!;
        b.log.push({
          id: "b1",
          at: last.at,
          by: "",
          kind: "begun",
          procedure: "wash",
          reason: "mud",
        } as never);
      },
      /log\[\d+\]\.procedure: expected a procedure of the board \(.*\), found "wash"/,
    ],
    [
      "a menu entry that showed nothing",
      (b) => (b.job.found.values = { pause: "" }),
      /job\.found\.values\.pause: expected at least 1/,
    ],
    [
      "three leaves",
      (b) => b.job.survey.leaves.push(b.job.survey.leaves[0]!),
      /job\.survey\.leaves: expected at most 2/,
    ],
    [
      "two leaves of one name",
      (b) => (b.job.survey.leaves[1]!.id = "overlapping"),
      /job\.survey\.leaves: expected one leaf "only", or two leaves/,
    ],
    [
      "a negative mass",
      (b) => (b.job.survey.leaves[0]!.massKg = -5),
      /job\.survey\.leaves\[0\]\.massKg: expected at least 5/,
    ],
    [
      "a wish of the wrong type",
      (b) => (b.job.wishes.force = "much"),
      /job\.wishes\.force: expected a number in %/,
    ],
    [
      "a link that is not on the board",
      (b) => (b.job.found.links = { nowhere: "in" }),
      /job\.found\.links\.nowhere: expected a link of the board/,
    ],
    [
      "a dial outside its sweep",
      (b) => (b.job.found.dials = { V1: "6:00" }),
      /job\.found\.dials\.V1: expected a time from 7:00 to 5:00, found "6:00"/,
    ],
    ["an entry twice in the log", (b) => b.log.push(b.log[0]!), /log\[\d+\]\.id: expected an id of its own/],
    [
      "an entry that turns a dial past its end",
      (b) => {
        const e = b.log.find((x) => x.kind === "step" && x.step.startsWith("set:V1"));
        if (e?.kind === "step") e.effects = [{ kind: "dials", to: { V1: "6:00" } }];
      },
      /log\[\d+\]\.effects\[0\]\.dials\.V1: expected a time from/,
    ],
    [
      "more switches noted than any board has",
      (b) =>
        (b.job.found.switches = Object.fromEntries(Array.from({ length: 501 }, (_, at) => [`k${at}`, "x"]))),
      /^bundle: job\.found\.switches: expected at most 500 of them, found 501\. Remove what the board lacks\.$/,
    ],
    [
      "more core colours noted than any device has",
      (b) =>
        (b.job.devices[0]!.cores = Object.fromEntries(
          Array.from({ length: 501 }, (_, at) => [`k${at}`, "BK"]),
        )),
      /^bundle: job\.devices\[0\]\.cores: expected at most 500 pins, found 501\./,
    ],
    [
      "no job at all",
      (b) => Object.assign(b, { job: undefined }),
      /job: expected a value of type object, found nothing/,
    ],
  ];

  test.each(cases)("%s is refused with its place", (_name, change, message) => {
    expect(refusal(change)).toMatch(message);
  });
});

describe("a log read entry by entry", () => {
  test("work begun by a procedure of the board is taken, the first as the last", () => {
    const { board } = demoBundle("netloft");
    const ids = board.procedures.map(({ id }) => id);
    expect(ids.length).toBeGreaterThan(1);
    const log = ids.map((procedure, at) => ({
      ...{ id: `b${at}`, at: "2026-11-24T09:00:00.000Z", by: "", kind: "begun" as const },
      ...{ procedure, reason: "the post was moved" },
    }));
    expect(checkLog(log, board, "bundle")).toEqual([]);
  });

  const entry = { at: "2026-11-24T09:00:00.000Z", by: "" } as const;
  const wired = (id: string): LogEntry => ({
    ...entry,
    id,
    kind: "wired",
    moves: [{ pin: pinNode("stop", "a"), to: terminalNode("ZZ9") }],
  });
  const { board, job } = demoBundle("netloft");
  const taken: LogEntry = { ...entry, id: "t1", kind: "board-taken", from: job.board, to: job.board };

  test("holds against the board only what came after the job took its revision", () => {
    const log = [wired("w1"), taken, wired("w2")];
    const told = checkLog(log, board, "bundle").map(({ path }) => path);
    expect(told).toEqual(["log[2].moves[0].to"]);
    const read = logReader(board, "bundle", 1);
    expect(read(log[0])).toEqual(log[0]);
    expect(read(log[1])).toEqual(log[1]);
    expect(() => read(log[2])).toThrow(
      /bundle: log\[2\]\.moves\[0\]\.to: expected a terminal of the board, found "ZZ9"/,
    );
  });

  test("finds an id that stands twice, however far apart, and tells where an entry is none", () => {
    const notes = Array.from({ length: 3_000 }, (_, at): LogEntry => ({
      ...entry,
      id: `n${at}`,
      kind: "note",
      text: "dry",
    }));
    const told = checkLog([...notes, notes[7]!], board, "bundle");
    expect(told).toMatchObject([{ path: "log[3000].id", found: '"n7"' }]);
    const read = logReader(board, "bundle");
    read(notes[0]);
    expect(() => read({ ...entry, id: "x" })).toThrow(/^bundle: log\[1\]\.kind: /);
    expect(() => read("text")).toThrow(/^bundle: log\[2\]: expected/);
  });
});
