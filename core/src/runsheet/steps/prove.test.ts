import { boardIds, bundleOn, planOn, usualDevices } from "../../testing/shipped.ts";
import { saidOf } from "../../testing/ran.ts";

const seen = saidOf;

/** Steps that prove a device, by the moment they prove. */
const proofs = (board: string, devices: string[], device: string) =>
  planOn(board, devices).sheet.filter(
    (step) => step.station === "prove" && step.id.startsWith(`prove:${device}/`),
  );

describe("what guards one direction", () => {
  test("refuses no command to go the other way, and nothing that it lets go on once under way", () => {
    let proved = 0;
    for (const id of boardIds()) {
      const { sheet } = planOn(id, usualDevices(id));
      const steps = sheet.filter((step) => step.station === "prove" && step.trips);
      for (const step of steps.filter(
        (each) => / (opening|closing)$/.test(each.title) && /goes on/.test(seen(each)),
      )) {
        const rest = step.title.replace(/opening$/, "closed").replace(/closing$/, "open");
        const answer = steps.find((each) => each.title === rest)!;
        expect([id, rest, seen(answer)]).toEqual([
          id,
          rest,
          expect.stringMatching(/(opens|closes) all the same/),
        ]);
        proved += 1;
      }
    }
    expect(proved).toBeGreaterThan(8);
  });
});

describe("a stop", () => {
  test.each(["hexby-hoistrum", "tarn-grellock"])(
    "on a wall station of %s is proved as a stop and commands nothing",
    (board) => {
      const steps = proofs(board, ["hexby-triple"], "key-switch-1");
      const stops = steps.filter((step) => step.title.includes("stop button"));
      expect(stops.map(seen)).toEqual([
        expect.stringMatching(/ (does not move|stays open)\.$/),
        expect.stringMatching(/ stops\.$/),
        expect.stringMatching(/ (does not move|stays open)\.$/),
        expect.stringMatching(/ stops\.$/),
      ]);
      expect(
        steps.filter((step) => step.title.endsWith("gives its command")).map((step) => step.says),
      ).toEqual(["Make it act: its upper button is pressed.", "Make it act: its lower button is pressed."]);
    },
  );
});

describe("a first full cycle", () => {
  const cycle = (board: string, devices: string[]) =>
    planOn(board, devices).sheet.find((step) => step.gesture && "command" in step.gesture)?.says ?? "";

  test("is commanded by a device that commands on this site, each by name", () => {
    expect(cycle("osierbeck-quernish", ["lumbrick-halt", "tallow-turnkey"])).toMatch(
      /Command it with Turnkey key switch \(the key is turned\)\.$/,
    );
    expect(cycle("tarn-grellock", ["hexby-triple"])).toMatch(
      /Triple push-button station \(its upper button is pressed\)\.$/,
    );
    expect(cycle("lammerlow-thrussel", ["lammerlow-inside", "lammerlow-outside"])).toMatch(
      /inside .* or .*outside/,
    );
  });

  test("for want of one by a bridge across an input that commands", () => {
    for (const board of ["osierbeck-quernish", "tarn-grellock"]) {
      const [, terminal, common] = /bridge (\S+) to (\S+) for a moment\.$/.exec(
        cycle(board, ["lumbrick-halt"]),
      )!;
      const { board: profile } = bundleOn(board, []);
      const input = profile.inputs.find((each) => each.terminal === terminal)!;
      expect(input.contact).toBe("open");
      expect(profile.commons.find(({ id }) => id === input.common)?.terminals).toContain(common);
    }
  });
});
