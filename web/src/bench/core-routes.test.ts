import { layoutOf, planJob, sizes, terminalIn, terminalsOf, type Core, type Point } from "@anvilcloud/core";
import { largeJob } from "../../../bench/large-job.ts";
import { largeBoards, widened } from "../../../core/src/testing/many.ts";
import { corePoint } from "./geometry.ts";
import { pathOf, wiringOf } from "./core-routes.ts";
import { jobOn, netloft } from "../testing/bench.tsx";

interface Segment {
  core: string;
  a: Point;
  b: Point;
}

const segmentsOf = (routes: ReturnType<typeof wiringOf>["routes"]): Segment[] =>
  routes.flatMap(({ core, points }) =>
    points.slice(1).map((b, at) => ({ core: core.id, a: points[at]!, b })),
  );

/** Bridges from clamp to clamp of those that are drawn. */
const bridges = (cores: readonly Core[], routes: ReturnType<typeof wiringOf>["routes"]) =>
  cores.filter(({ id, from }) => from.kind === "terminal" && routes.some(({ core }) => core.id === id));

/** True when two segments run along one another for any length. */
function runTogether(one: Segment, other: Segment): boolean {
  for (const [along, across] of [
    ["x", "y"],
    ["y", "x"],
  ] as const) {
    const lies = ({ a, b }: Segment) =>
      Math.abs(a[across] - b[across]) < 1e-6 && Math.abs(a[along] - b[along]) > 1e-6;
    if (!lies(one) || !lies(other) || Math.abs(one.a[across] - other.a[across]) > 0.6) continue;
    const overlap =
      Math.min(Math.max(one.a[along], one.b[along]), Math.max(other.a[along], other.b[along])) -
      Math.max(Math.min(one.a[along], one.b[along]), Math.min(other.a[along], other.b[along]));
    if (overlap > 1e-6) return true;
  }
  return false;
}

const eye = ["oddlume-glance", "oddlume-vigil", "lumbrick-halt", "tallow-turnkey"];
const jobs = [
  netloft(),
  jobOn("osierbeck-quernish", [
    "marlstreet-strut",
    "marlstreet-strut",
    "lumbrick-plushet",
    "oddlume-winkard",
    ...eye,
  ]),
  jobOn("furzel-slathorn", ["furzel-rack", "oddlume-winkard", ...eye]),
  jobOn("hexby-hoistrum", ["hexby-shaft", "hexby-triple", "tallow-clangle", ...eye]),
  jobOn("lammerlow-thrussel", ["sorrel-runner", "lammerlow-inside", "lammerlow-outside", "lammerlow-sill"]),
];

test.each(jobs.map((job) => [job.board.name, job] as const))(
  "on %s no core runs along another, and every one leaves its own clamp",
  (_, job) => {
    const { bundle, wiring } = planJob(job);
    const { routes } = wiringOf(bundle.board, wiring.cores);
    expect(routes.length).toBeGreaterThan(10);
    const segments = segmentsOf(routes);
    segments.forEach((one, at) => {
      for (const other of segments.slice(at + 1))
        if (one.core !== other.core)
          expect([one.core, other.core, runTogether(one, other)]).toEqual([one.core, other.core, false]);
    });
    for (const { core, points } of routes)
      expect(Math.abs(points[0]!.x - corePoint(bundle.board, terminalIn(core.to)!)!.x)).toBeLessThan(3);
  },
);

test("a path turns its corners and ends where it should", () => {
  const path = pathOf([
    { x: 0, y: 0 },
    { x: 0, y: 5 },
    { x: 8, y: 5 },
    { x: 8, y: 9 },
  ]);
  expect(path).toBe("M0 0 L0 4.2 Q0 5 0.8 5 L7.2 5 Q8 5 8 5.8 L8 9");
});

const [quernish, hoistrum] = largeBoards();
const largeJobs = (
  [
    [quernish!, []],
    [hoistrum!, ["A", "B", "C"]],
  ] as const
).map(([board, letters]) => [board.name, letters.length, widened(board, letters)] as const);

test.each(largeJobs)(
  "forty devices on %s with %d times more clamps: no core or cable crosses a plate, none leaves the room between two",
  (_, __, board) => {
    const { plates } = layoutOf(board);
    const { wiring } = planJob(largeJob(board, 40));
    const { routes, sheaths, tags } = wiringOf(board, wiring.cores);
    expect(plates.length > 1).toBe(terminalsOf(board).length > 60);
    const out = [
      ...routes.flatMap(({ core, points }) =>
        points.slice(1, core.from.kind === "terminal" ? -1 : undefined),
      ),
      ...sheaths.flatMap(({ along, on }) => [...along, ...on]),
      ...tags.map(({ at }) => at),
    ];
    expect(out.filter(({ y }) => plates.some((face) => y >= face.y && y <= face.y + face.height))).toEqual(
      [],
    );
    const gaps = plates.slice(1).map((face, at) => [plates[at]!.y + plates[at]!.height, face.y] as const);
    const middles = tags.flatMap(({ at, upper }) =>
      gaps.flatMap(([top, bottom]) =>
        at.y > top && at.y < bottom ? [upper ? bottom - at.y : at.y - top] : [],
      ),
    );
    expect(Math.max(0, ...middles)).toBeLessThanOrEqual(sizes.channel / 2);
    // Every core of a tag is drawn, by itself or into its cable, and cables of an edge lie apart.
    expect(new Set(routes.map(({ core }) => core.id))).toEqual(
      new Set([...tags.flatMap((tag) => tag.cores), ...bridges(wiring.cores, routes)].map(({ id }) => id)),
    );
    const together = sheaths.flatMap((one, at) =>
      sheaths
        .slice(at + 1)
        .filter(
          (other) =>
            Math.abs(one.along[0]!.y - other.along[0]!.y) < 1 &&
            one.along[0]!.x <= other.along[1]!.x &&
            other.along[0]!.x <= one.along[1]!.x,
        ),
    );
    expect(together).toEqual([]);
  },
);
