import { shippedBoard } from "../../testing/shipped.ts";
import { knowingTwin, usualPlan } from "../../testing/twins.ts";
import { brainDoes } from "../brain/index.ts";
import { faceOf } from "../brain/face.ts";
import { putFaults } from "../faults/index.ts";
import { twinDoes, twinRuns, type Twin } from "./index.ts";

/** Commands, and runs until the leaves stand. */
function commanded(it: Twin, command: "open" | "pedestrian"): Twin {
  it.brain.events = [];
  twinDoes(it, (brain) => void brainDoes(brain, { command }));
  twinRuns(it, 0.2);
  for (let n = 0; n < 900 && it.brain.run; n += 1) twinRuns(it, 0.1);
  return it;
}

const wayOf = ({ plant }: Twin) => plant.leaves.first!.motion.at * plant.leaves.first!.body.arm;

describe("a pedestrian opening ends where it is set", () => {
  test.each([25, 40, 70])("%s %% of the way", (part) => {
    const it = commanded(
      knowingTwin(usualPlan("hexby-hoistrum", 1, { "pedestrian-opening": part })),
      "pedestrian",
    );
    const { body } = it.plant.leaves.first!;
    expect(wayOf(it) / (body.travel * body.arm)).toBeCloseTo(part / 100, 1);
  });

  test.each([600, 1_500])("%s mm", (mm) => {
    const it = commanded(
      knowingTwin(usualPlan("furzel-slathorn", 1, { "pedestrian-opening-mm": mm })),
      "pedestrian",
    );
    expect(Math.abs(wayOf(it) * 1_000 - mm)).toBeLessThan(120);
  });
});

describe("a drive with an encoder", () => {
  /** Boards that read an encoder at an input of their own, each with what it shows where nothing comes. */
  const boards = ["hexby-hoistrum", "sorrel-tinkell", "pengrath-drawmel"];

  test.each(boards)("%s stops as no pulses come, and says so; with its cores on it does not", (id) => {
    const plan = usualPlan(id);
    const sound = commanded(knowingTwin(plan), "open");
    expect(sound.brain.events.map(({ kind }) => kind)).not.toContain("fails");
    const cut = knowingTwin(plan);
    const { device } = cut.plant.leaves.first!;
    const encoder = cut.site.wired.devices
      .find(({ id: of }) => of === device)!
      .profile.contacts.find(({ duty }) => duty === "encoder")!;
    putFaults(cut, [{ kind: "core-off", device, pin: encoder.pins[0] }]);
    commanded(cut, "open");
    const code = shippedBoard(id).codes.find(({ tells }) => tells === "no-pulses");
    expect(cut.brain.events).toContainEqual({
      kind: "fails",
      what: "no-pulses",
      leaf: "first",
      ...(code ? { code: code.code } : {}),
    });
    expect(wayOf(cut)).toBeLessThan(wayOf(sound) / 2);
    if (code && !code.lamp) expect(faceOf(cut.brain).display).toBe(code.code);
  });
});
