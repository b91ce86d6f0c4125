import { settableBehaviours } from "../board/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { planJob } from "../plan/index.ts";
import { boardIds, bundleOn } from "../testing/shipped.ts";

const testable = "oddlume-vigil";
const untestable = "oddlume-moth";

/** Boards that test their photocells or not, as they are set. */
const settable = boardIds().filter((id) => settableBehaviours(bundleOn(id, []).board).has("photocell-test"));

/** Boards that test at an output of their own, always: no setting decides. */
const always = boardIds().filter((id) => {
  const { board } = bundleOn(id, []);
  const { outputs, inputs } = board;
  return (
    !settableBehaviours(board).has("photocell-test") &&
    inputs.some(({ test }) => outputs.some((output) => output.id === test))
  );
});

/** What the test is set to, and the findings about it with their devices. */
function planned(id: string, devices: string[], wish?: boolean) {
  const { bundle, controls, findings, wiring } = planJob(
    bundleOn(id, devices, wish === undefined ? {} : { "photocell-test": wish }),
  );
  const profileOf = (device: string) => wiring.devices.find((each) => each.id === device)?.profile.id;
  return {
    set: behavioursAt(bundle.board, controls.positions)["photocell-test"],
    found: findings.flatMap(({ code, subjects }) => {
      const device = subjects.find((each) => each.kind === "device")?.id;
      return /^(test-without-wire|wired-but-not-tested)$/.test(code) ? [[code, profileOf(device ?? "")]] : [];
    }),
  };
}

describe("a setting for the test of one input", () => {
  test("is decided by what sits there, whatever another input with a test of its own has on it", () => {
    // The edge of this board is tested by way of its supply: no setting switches that, and none can be asked for it.
    const devices = ["oddlume-vigil", "lumbrick-plushet"];
    const plan = planJob(bundleOn("hexby-hoistrum", devices));
    const on = plan.wiring.placements.flatMap(({ demand, place }) =>
      demand.kind === "contact" && place?.kind === "input" ? [place.input.id] : [],
    );
    expect(on.sort()).toEqual(["beam", "edge"]);
    expect(planned("hexby-hoistrum", devices)).toEqual({ set: true, found: [] });
    expect(planned("hexby-hoistrum", devices, false).found).toEqual([["wired-but-not-tested", testable]]);
  });
});

describe("the test of photocells on every board that has it as a setting", () => {
  test("there are several", () => expect(settable.length).toBeGreaterThan(2));

  test.each(settable)("%s", (id) => {
    expect(planned(id, [])).toEqual({ set: false, found: [] });
    expect(planned(id, [untestable])).toEqual({ set: false, found: [] });
    expect(planned(id, [untestable], true).found).toEqual([["test-without-wire", untestable]]);
    expect(planned(id, [testable])).toEqual({ set: true, found: [] });
    expect(planned(id, [testable], false).found).toEqual([["wired-but-not-tested", testable]]);
  });

  test.each(settable)(
    "%s, with one of each: on would stop the gate, so it is off and the other told",
    (id) => {
      for (const both of [
        [testable, untestable],
        [untestable, testable],
      ]) {
        const left = planned(id, both);
        // Where only one of them finds a place on the tested input, that one decides.
        if (left.set === true) expect(left.found).toEqual([]);
        else expect(left).toEqual({ set: false, found: [["wired-but-not-tested", testable]] });
        expect(planned(id, both, true).found).toEqual(left.set ? [] : [["test-without-wire", untestable]]);
      }
    },
  );
});

test("a board that always tests at its output says which device it cannot test", () => {
  expect(always).not.toEqual([]);
  for (const id of always) {
    expect(planned(id, [untestable]).found).toEqual([["test-without-wire", untestable]]);
    expect(planned(id, ["lammerlow-sill"]).found).toEqual([]);
  }
});
