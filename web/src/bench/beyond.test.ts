import { layoutOf, planJob, type Core } from "@anvilcloud/core";
import { largeJob } from "../../../bench/large-job.ts";
import { largeBoards, widened } from "../../../core/src/testing/many.ts";
import { around } from "./geometry.ts";
import { beyondOf } from "./beyond.ts";
import { wiringOf } from "./core-routes.ts";
import { jobOn, netloft } from "../testing/bench.tsx";

const usual = { eye: "oddlume-glance", halt: "lumbrick-halt" };
const [quernish, hoistrum] = largeBoards();
const jobs = [
  netloft(),
  jobOn("furzel-slathorn", [usual.halt, usual.halt, usual.halt, usual.halt, usual.eye]),
  jobOn("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp", usual.halt, usual.halt]),
  largeJob(quernish!, 40),
  largeJob(widened(hoistrum!, ["A", "B", "C"]), 40),
];

describe.each(jobs.map((job) => [job.board.name, job] as const))("what meets outside on %s", (_, job) => {
  const { bundle, wiring } = planJob(job);
  const { tags, beyond } = wiringOf(bundle.board, wiring.cores);
  const outside = wiring.cores.filter(({ to }) => to.kind === "joint" || to.kind === "pin");

  test("every core of it is drawn once, to one connector or one device", () => {
    expect(outside.length).toBeGreaterThan(0);
    const ids = (cores: readonly Core[]) => cores.map(({ id }) => id).sort();
    expect(ids(beyond.lines.map(({ core }) => core))).toEqual(ids(outside));
    const joints = outside.flatMap(({ to }) => (to.kind === "joint" ? [to.joint] : []));
    expect(beyond.marks.flatMap(({ joint }) => joint ?? []).sort()).toEqual([...new Set(joints)].sort());
  });

  test("no core of it crosses a plate: it stays at one edge, in the row beyond the tags", () => {
    const { plates } = layoutOf(bundle.board);
    for (const { from, to } of beyond.lines) {
      expect(Math.abs(from.y - to.y)).toBeLessThanOrEqual(around.outerRow + 1);
      for (const { y } of [from, to])
        expect(plates.some((plate) => y >= plate.y && y <= plate.y + plate.height)).toBe(false);
    }
  });

  test("a core on its way along the row bows over what stands between", () => {
    for (const { from, to, bow } of beyond.lines.filter((line) => line.from.y === line.to.y)) {
      const [left, right] = [from.x, to.x].sort((a, b) => a - b) as [number, number];
      const between = beyond.marks.some(
        ({ at }) => Math.abs(at.y - from.y) < 2 && at.x > left + 1 && at.x < right - 1,
      );
      // At its middle a curve of two equal handles has gone three quarters of their way.
      if (between) expect(0.75 * Math.abs(bow)).toBeGreaterThan(around.tag);
    }
  });

  test("no mark lies over another", () => {
    const all = [...tags, ...beyond.marks];
    all.forEach((one, at) => {
      for (const other of all.slice(at + 1))
        expect(Math.hypot(one.at.x - other.at.x, one.at.y - other.at.y)).toBeGreaterThan(2 * around.tag);
    });
  });
});

test("a device between two connectors, which has no tag of its own, stands once between them", () => {
  const { bundle, wiring } = planJob(jobs[1]!);
  const { tags, beyond } = wiringOf(bundle.board, wiring.cores);
  const tagged = new Set(tags.map(({ device }) => device));
  const between = beyond.marks.flatMap(({ device }) => (device === undefined ? [] : [device]));
  expect(between.length).toBeGreaterThan(1);
  expect(new Set(between).size).toBe(between.length);
  for (const device of between) {
    expect(tagged.has(device)).toBe(false);
    expect(beyond.lines.filter(({ core }) => core.device === device).length).toBe(2);
  }
});

test("what hangs on nothing that is drawn is not drawn", () => {
  const { wiring } = planJob(jobs[0]!);
  expect(beyondOf(wiring.cores, [])).toEqual({ marks: [], lines: [] });
});
