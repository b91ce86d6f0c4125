import type { Condition } from "../../board/index.ts";
import { brainDoes, placeOf, works, type Brain } from "../brain/index.ts";
import { binds, edgeOf } from "../plant/index.ts";
import { told } from "../told.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { tickSeconds, twinDoes, twinRuns, type Twin } from "./index.ts";

const driving = boardIds().filter((id) => shippedBoard(id).leaves > 0);

const twin = (id: string, ...conditions: readonly Condition[]): Twin =>
  knowingTwin(usualPlan(id), ...conditions);

const commands = (it: Twin, command: "open" | "close" | "step") =>
  twinDoes(it, (brain) => void brainDoes(brain, { command }));

/** Runs until this holds; the seconds it took, or undefined after the most. */
function until(it: Twin, holds: (brain: Brain) => boolean, most = 120): number | undefined {
  for (let n = 0; n < most / 0.1; n += 1) {
    if (holds(it.brain)) return n * 0.1;
    twinRuns(it, 0.1);
  }
  return undefined;
}

const rests = (brain: Brain) => brain.run === undefined;
const kinds = (it: Twin) => it.brain.events.map(({ kind }) => kind);

describe("a board that knows its travel, on its site", () => {
  test.each(driving)("%s: what stands in the way of its closing is told, and that it turns back", (id) => {
    const it = twin(id);
    commands(it, "open");
    until(it, (brain) => rests(brain) && placeOf(brain) === "open");
    for (const leaf of Object.values(it.plant.leaves)) {
      const way = leaf.body.travel * leaf.body.arm;
      leaf.obstacles.push({ at: way / 2, stops: "closing", stiffness: 5e4, damping: 2_000 });
    }
    commands(it, "close");
    const said = told(it.brain, () => void until(it, ({ run }) => run?.toward === "open"));
    expect(said.join(" ")).toMatch(/^.* pushes against something(; it shows \S+)?\. .* opens?\.$/);
  });

  test("a force dial fully off: it never sets off, and is told as obstructed (trap 1)", () => {
    const it = twin("quillmarsh-tandrel");
    for (const kind of ["positions", "inForce"] as const)
      it.brain[kind] = { ...it.brain[kind], dials: { ...it.brain[kind].dials, V2: "7:30" } };
    commands(it, "open");
    until(it, rests, 20);
    for (const { motion } of Object.values(it.plant.leaves)) expect(motion.at).toBeLessThan(0.001);
    expect(kinds(it)).toContain("obstructed");
  });
});

describe("two leaves on their site", () => {
  test("a hinge of the overlapped leaf that has gone stiff makes it come last: they bind (trap 25)", () => {
    const it = twin("osierbeck-quernish");
    commands(it, "open");
    until(it, rests);
    const { first, second } = it.plant.leaves;
    Object.assign(second!.rated, { freeSpeed: second!.rated.freeSpeed / 3 });
    commands(it, "close");
    until(it, () => binds(it.plant.overlap!, edgeOf(first!), edgeOf(second!)), 90);
    expect(binds(it.plant.overlap!, edgeOf(first!), edgeOf(second!))).toBe(true);
  });
});

test("a beam broken while it closes turns it back by its board's logic, where it truly is", () => {
  const it = twin("quillmarsh-tandrel");
  commands(it, "open");
  until(it, rests);
  commands(it, "close");
  twinRuns(it, 6);
  // The overlapped leaf closes first.
  const { motion } = it.plant.leaves.second!;
  const was = motion.at;
  twinDoes(it, (brain) => works(brain, "beam", true));
  twinRuns(it, 5);
  expect(it.brain.run?.toward).toBe("open");
  expect(was).toBeLessThan(1.2);
  expect(motion.at).toBeGreaterThan(was);
});

test("a run is the same however it is cut into calls, to the last bit", () => {
  const [one, other] = [0, 1].map(() => twin("osierbeck-quernish"));
  for (const it of [one!, other!]) commands(it, "open");
  twinRuns(one!, 12);
  for (let n = 0; n < 12 / tickSeconds; n += 1) twinRuns(other!, tickSeconds);
  const where = (it: Twin) => Object.values(it.plant.leaves).map(({ motion }) => [motion.at, motion.speed]);
  expect(where(one!)).toEqual(where(other!));
  expect(one!.brain.events).toEqual(other!.brain.events);
});
