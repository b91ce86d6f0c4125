import { boardIds, shippedBoard, shippedDevices } from "../testing/shipped.ts";
import { placeOf, Session } from "../twin/index.ts";
import { planJob, practiceBundle } from "./index.ts";

const moving = boardIds().filter((id) => shippedBoard(id).leaves > 0);

test.each(moving)(
  "%s has a bench to practise on: sensed, guarded, without danger, and it opens and closes",
  (id) => {
    const bundle = practiceBundle(shippedBoard(id), shippedDevices());
    const plan = planJob(bundle);
    const guards = plan.wiring.placements.filter(
      ({ demand, place }) =>
        demand.kind === "contact" && place?.kind === "input" && place.input.guards.length > 0,
    );
    expect([id, guards.length > 1, plan.dangers]).toEqual([id, true, []]);
    const session = new Session(plan, { ...plan.ahead, powered: true }, { seed: 1, spread: 0, from: "done" });
    const { brain } = session.course.twin;
    session.runs(1);
    session.does({ do: { command: "open" } });
    for (let n = 0; n < 900 && (brain.run || n < 10); n += 1) session.runs(0.1);
    const opened = placeOf(brain);
    brain.pause = undefined;
    session.does({ do: { command: "close" } });
    for (let n = 0; n < 900 && (brain.run || n < 10); n += 1) session.runs(0.1);
    const wrong = session
      .come()
      .events.filter(({ event: { kind } }) => /^(fails|obstructed|refused|held-off)$/.test(kind));
    expect([id, opened, placeOf(brain), wrong]).toEqual([id, "open", "closed", []]);
  },
);
