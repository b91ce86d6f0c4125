import { ProblemsError } from "../finding/index.ts";
import { duet, duetText } from "../testing/shipped.ts";
import { checkBoard, lampOfInput, parseBoard, readBoard, terminalsOf, type BoardProfile } from "./index.ts";

function problemsOf(read: () => unknown): string {
  try {
    read();
  } catch (error) {
    if (error instanceof ProblemsError) return error.message;
    throw error;
  }
  return "nothing";
}

type Change = (board: BoardProfile) => void;

describe("the shipped board", () => {
  test("contradicts itself nowhere", () => {
    expect(checkBoard(duet(), "duet")).toEqual([]);
  });

  test("names each terminal by plug and number, once", () => {
    const ids = terminalsOf(duet()).map((terminal) => terminal.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain("P1");
    expect(ids).toContain("C1");
  });

  test("has a lamp for each protection input", () => {
    const board = duet();
    for (const id of ["stop", "beam", "edge"]) expect(lampOfInput(board, id)?.label).toBe(id.toUpperCase());
  });
});

describe("a profile that contradicts itself is refused with place and remedy", () => {
  const cases: [string, Change, RegExp][] = [
    [
      "two terminals of one id",
      (b) => (b.blocks[0]!.terminals[1]!.number = 1),
      /blocks\[0\]\.terminals\[1\]\.number: expected a terminal number of its own, found "1"\. Rename it/,
    ],
    [
      "two blocks of one id",
      (b) => (b.blocks[1]!.id = "M"),
      /blocks\[1\]\.id: expected a block id of its own, found "M"/,
    ],
    [
      "a dial with its sweep reversed",
      (b) => (b.dials[0]!.sweep = { from: "5:00", to: "7:00" }),
      /dials\[0\]\.sweep: .*clockwise through 12.*found "5:00 to 7:00"\. Its ends are swapped/,
    ],
    [
      "a link to a terminal that does not exist",
      (b) => (b.links[0]!.between = ["P1", "P9"]),
      /links\[0\]\.between\[1\]: expected terminal of this board .*found "P9"/,
    ],
    [
      "a link from a terminal to itself",
      (b) => (b.links[0]!.between = ["P1", "P1"]),
      /links\[0\]\.between: expected two different terminals/,
    ],
    [
      "a link that does not bridge its input",
      (b) => (b.inputs[0]!.link = "link-edge"),
      /inputs\[0\]\.link: expected a link from P2 to P1 or P5, found "P4–P5"/,
    ],
    [
      "an input without its common",
      (b) => (b.inputs[0]!.common = "earth"),
      /inputs\[0\]\.common: .*found "earth"/,
    ],
    [
      "two inputs on one terminal",
      (b) => (b.inputs[1]!.terminal = "P2"),
      /inputs\[1\]\.terminal: expected a terminal of its own/,
    ],
    [
      "a link on an input that rests open",
      (b) => {
        b.inputs[3]!.link = "link-stop";
      },
      /inputs\[3\]\.link: expected no link on an input whose contact rests open/,
    ],
    [
      "a rail with two limits",
      (b) => (b.rails[0]!.limitMilliamps = 100),
      /rails\[0\]\.limitMilliamps: expected one limit/,
    ],
    [
      "a rail whose poles meet",
      (b) => b.rails[0]!.minus.push("R1"),
      /rails\[0\]\.minus\[2\]: expected a terminal of the other pole, found "R1"/,
    ],
    [
      "a budget that does not exist",
      (b) => (b.rails[0]!.budget = "shared"),
      /rails\[0\]\.budget: .*found "shared"/,
    ],
    [
      "zones with a gap",
      (b) => (b.dials[2]!.zones[1]!.from = 0.2),
      /dials\[2\]\.zones\[1\]: expected a zone that begins at 0\.15 and ends after it, found "0\.2 to 1"/,
    ],
    [
      "zones that end early",
      (b) => (b.dials[0]!.zones[0]!.to = 0.9),
      /dials\[0\]\.zones: expected zones up to 1, the end of the sweep, found 0\.9/,
    ],
    [
      "a behaviour nobody knows",
      (b) => (b.settings[0]!.rows[0]!.sets = { closing: true }),
      /settings\[0\]\.rows\[0\]\.sets\.closing: expected a behaviour/,
    ],
    [
      "a value the behaviour cannot take",
      (b) => (b.settings[0]!.rows[0]!.sets = { "automatic-closing": 3 }),
      /sets\.automatic-closing: expected true or false, found 3/,
    ],
    [
      "a switch that is not there",
      (b) => (b.settings[0]!.switches = ["S9"]),
      /settings\[0\]\.switches\[0\]: .*found "S9"/,
    ],
    [
      "positions for the wrong number of switches",
      (b) => (b.settings[2]!.rows[0]!.at = ["on"]),
      /settings\[2\]\.rows\[0\]\.at: expected 2 positions/,
    ],
    [
      "a key that is not there",
      (b) => (b.commits[0]!.hold.key = "OK"),
      /commits\[0\]\.hold\.key: .*found "OK"/,
    ],
    [
      "a lamp for an input that is not there",
      (b) => (b.lamps[1]!.shows[0]!.when = { closed: "loop" }),
      /lamps\[1\]\.shows\[0\]\.when\.closed: .*found "loop"/,
    ],
    [
      "a lamp for something nothing learns",
      (b) => (b.lamps[6]!.shows[1]!.when = { unlearned: "force" }),
      /when\.unlearned: expected something a procedure of this board learns/,
    ],
    [
      "a mode nothing enters",
      (b) => (b.lamps[6]!.shows[0]!.when = { mode: "asleep" }),
      /when\.mode: expected a mode a procedure of this board enters/,
    ],
  ];

  test.each(cases)("%s", (_name, change, message) => {
    const board = duet();
    change(board);
    expect(problemsOf(() => parseBoard(board, "x"))).toMatch(message);
  });
});

describe("reading YAML", () => {
  test("says line and column of what is wrong", () => {
    const text = duetText().replace("kind: ac", "kind: alternating");
    expect(problemsOf(() => readBoard(text, "duet.yaml"))).toMatch(
      /duet\.yaml:\d+:\d+: rails\[2\]\.kind: expected one of dc, ac, found "alternating"/,
    );
    const line = text.split("\n").findIndex((each) => each.includes("alternating")) + 1;
    expect(problemsOf(() => readBoard(text, "duet.yaml"))).toContain(`duet.yaml:${line}:`);
  });

  test.each([
    ["no YAML", "a: [1", /well-formed YAML/],
    ["another document", "42", /document: expected/],
    ["nothing", "", /document: expected/],
    ["unknown keys", duetText() + "\nrelays: []\n", /found "relays"\. Remove or rename/],
    ["a file too large", "#".repeat(1_000_001), /at most 1000000 characters/],
    [
      "aliases without end",
      "a: &a [1,1]\nb: &b [*a,*a,*a,*a]\nc: &c [*b,*b,*b,*b,*b]\nd: [*c,*c,*c,*c,*c,*c,*c]\n",
      /few aliases/,
    ],
  ])("%s is refused", (_name, text, message) => {
    expect(problemsOf(() => readBoard(text, "x.yaml"))).toMatch(message);
  });
});
