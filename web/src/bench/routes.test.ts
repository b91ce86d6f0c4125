import { planJob, terminalIn, type Point } from "@anvilcloud/core";
import { corePoint } from "./geometry.ts";
import { pathOf, wiringOf } from "./routes.ts";
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
