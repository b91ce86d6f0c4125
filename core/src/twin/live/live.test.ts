import { usualPlan } from "../../testing/twins.ts";
import { plays, type Run } from "../run/index.ts";
import { fillFrame, frameLayout, readFrame, Session } from "./index.ts";

const start = { seed: 3, spread: 0.1, from: "done" } as const;

/** Once all is done, its leaf closed. */
const aheadOf = ({ ahead }: ReturnType<typeof usualPlan>) => ({ ...ahead, leaf: "closed" as const });

/** The same run played from what was kept of it. */
function played(plan: ReturnType<typeof usualPlan>, run: Run) {
  const playing = plays(plan, aheadOf(plan), run);
  for (;;) {
    const step = playing.next();
    if (step.done) return step.value;
  }
}

/** Opens by remote, is stopped by a key, held, pressed, has someone in its way and a fault; time in pieces of so many seconds. */
function worked(plan: ReturnType<typeof usualPlan>, piece: number): Session {
  const session = new Session(plan, aheadOf(plan), start);
  const passes = (seconds: number) => {
    for (let left = seconds; left > 1e-9; left -= piece) session.runs(Math.min(piece, left));
  };
  const key = plan.bundle.board.keys[0]!.id;
  passes(1.5);
  session.does({ do: { command: "open" } });
  passes(3.3);
  session.key(key, "down");
  passes(0.2);
  session.key(key, "up");
  passes(2);
  session.does({ comes: { is: "person", goes: "in", stands: { at: 0, seconds: 6 } } });
  session.key(key, "down");
  passes(2.5);
  session.key(key, "up");
  session.does({ faults: [{ kind: "dry-hinge", leaf: "first", wear: 5 }] });
  session.does({ do: { command: "close" } });
  passes(20);
  return session;
}

test.each(["osierbeck-quernish", "hexby-hoistrum", "quillmarsh-tandrel", "sorrel-tinkell"])(
  "%s: what is done on a live bench is kept, and played again comes to the same end, however time was cut in pieces",
  (id) => {
    const plan = usualPlan(id);
    const fine = worked(plan, 0.015);
    const coarse = worked(plan, 1);
    expect(coarse.come()).toEqual(fine.come());
    expect(fine.come().events.length).toBeGreaterThan(3);
    expect(played(plan, fine.run())).toEqual(fine.come());
  },
);

describe("hands at the keys", () => {
  const plan = usualPlan("osierbeck-quernish");
  const at = () => new Session(plan, aheadOf(plan), start);
  const done = (session: Session) => session.run().script.flatMap((each) => (each.do ? [each.do] : []));

  test("a short touch is a press, a long one a hold, of the length it had", () => {
    const session = at();
    session.key("LEAF", "down");
    session.runs(0.2);
    session.key("LEAF", "up");
    session.runs(1);
    session.key("SET", "down");
    expect(session.busy).toBe(true);
    session.runs(3.5);
    session.key("SET", "up");
    session.runs(1);
    expect(session.busy).toBe(false);
    expect(done(session)).toEqual([
      { press: { key: "LEAF", times: 1 } },
      { hold: { key: "SET", seconds: expect.closeTo(3.5) } },
    ]);
  });
});

describe("a frame", () => {
  test("says of every leaf, lamp, input, lock and passer-by what the twin has", () => {
    const plan = usualPlan("osierbeck-quernish");
    const session = new Session(plan, aheadOf(plan), start);
    const { twin } = session.course;
    const layout = frameLayout(twin);
    const numbers = new Float64Array(layout.length);
    const frame = () => {
      fillFrame(twin, layout, numbers, session.held);
      return readFrame(layout, numbers);
    };
    session.runs(1);
    const rest = frame();
    expect(rest).toMatchObject({ seconds: 1, powered: true, held: undefined, movers: [] });
    expect(rest.leaves.first).toMatchObject({ part: 0, speed: 0, newtons: 0, amps: 0 });
    session.does({ do: { command: "open" } });
    session.does({ comes: { is: "vehicle", goes: "out" } });
    session.runs(6);
    const moves = frame();
    expect(moves.leaves.first!.part).toBeGreaterThan(0.02);
    expect(moves.leaves.first!.speed).toBeGreaterThan(0);
    expect(moves.leaves.first!.newtons).toBeGreaterThan(0);
    expect(moves.leaves.first!.amps).toBeGreaterThan(0);
    expect(moves.movers).toEqual([{ is: "vehicle", from: expect.any(Number), to: expect.any(Number) }]);
    expect(moves.lamps).toEqual(session.come().ends.lamps);
    session.key("SET", "down");
    expect(frame().held).toBe(0);
    session.runs(2.5);
    expect(frame().held).toBeCloseTo(2.5);
    session.key("SET", "up");
    expect(frame().held).toBeUndefined();
    session.does({ works: { input: "stop", worked: true } });
    session.runs(0.1);
    expect(frame().tripped).toContain("stop");
  });
});
