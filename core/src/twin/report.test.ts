import { programText, readBoard } from "../board/index.ts";
import { boardIds, shippedBoard } from "../testing/shipped.ts";
import { brainAtRest, brainDoes, settles } from "./brain/index.ts";
import { faceOf, heardBy, keysTogether, runReport, setTripped, told } from "./index.ts";

/** A board that a stranger writes from the reference page: one learn, one key. */
const stranger = `
format: anvilcloud/board@3
id: wick-ferrule
name: Ferrule
maker: Wick Gates
revision: 1
firmware: ["1"]
purpose: sliding-gate
summary: One gate, one key, one program.
source: { from: seen on site }
limits: [stops]
supply: { kind: dc, volts: [24], poles: { plus: A1, minus: A2 } }
blocks:
  - { id: A, label: Feed, purpose: supply, terminals: [+, −] }
  - { id: B, label: Motor, purpose: drive, terminals: [a, b] }
rails:
  - { id: motor, label: Motor, feeds: [drive-only], kind: dc, volts: 24, live: moving, plus: [B1], minus: [B2] }
lamps:
  - { id: busy, label: BUSY, colour: blue, shows: [{ when: { mode: learning }, is: blinking }] }
keys:
  - { id: K, label: K, outside: Moves the gate., does: [{ command: step }] }
memories:
  - { id: travel, label: Travel, holds: travel }
programs:
  - id: learn
    label: Learns both ends
    on: [{ by: { hold: { key: K, seconds: 5 } } }]
    phases:
      - { mode: learning }
      - { run: open, until: stop }
      - { run: closed, until: stop }
      - { learn: travel }
      - { mode: idle }
procedures:
  - id: learn
    kind: learn
    station: travel
    title: Learning
    source: { from: seen on site }
    steps:
      - { id: hold, do: { hold: { key: K, seconds: 5 } }, says: Hold K for 5 s., claims: { mode: learning, moves: [open] } }
      - { id: run, do: { watch: it close }, says: Watch it close., claims: { mode: idle, learn: travel, moves: [closed], leaf: closed } }
`;

describe("a profile that is run", () => {
  test("of every shipped board all procedures end where they claim, and every entry is reached", () => {
    for (const id of boardIds()) {
      const report = runReport(shippedBoard(id));
      expect([id, report.problems, report.right]).toEqual([id, [], report.procedures]);
    }
  });

  test("one written from the reference page runs; what it claims wrongly is told with step and cause", () => {
    const read = (text: string) => runReport(readBoard(text, "x"));
    expect(read(stranger)).toEqual({ right: 1, procedures: 1, problems: [] });
    expect(read(stranger.replace("moves: [closed], leaf: closed", "moves: [open], leaf: open"))).toEqual({
      right: 0,
      procedures: 1,
      problems: [
        "learn, step run: claims moves open; the programs cause closed.",
        "learn, step run: claims leaf open; the programs cause closed.",
      ],
    });
    const short = stranger.replace("      - { run: closed, until: stop }\n", "");
    expect(read(short).problems).toContain(
      "learn, step run: claims learn travel; the programs cause nothing.",
    );
  });

  test("an entry no key leads to is told with its firmware, and a profile without programs runs nothing", () => {
    const board = shippedBoard("hexby-hoistrum");
    board.panel!.opens = board.panel!.opens.filter(({ id }) => id !== "expert");
    expect(runReport(board).problems).toContain(
      "Entry 20 End positions (ends) is reached by no keys in firmware 2.1.",
    );
    expect(runReport({ ...shippedBoard("tessock-umbrick"), programs: [] })).toEqual({
      right: 0,
      procedures: 4,
      problems: [],
    });
  });
});

describe("in words", () => {
  test("what a board does by itself, program by program, with no id left out and nothing undefined", () => {
    for (const id of boardIds()) {
      const board = shippedBoard(id);
      for (const program of board.programs)
        expect([id, programText(board, program).join(" ")]).toEqual([
          id,
          expect.not.stringMatching(/undefined|\[object|nothing\./),
        ]);
    }
    const tandrel = shippedBoard("quillmarsh-tandrel");
    expect(programText(tandrel, tandrel.programs[1]!)).toEqual([
      "Begins with: hold MOVE and TAKE together for 2 s.",
      "The gate's board is listening; waits for: a button of a transmitter, held, 25 s at most; keeps one more in remotes; is done.",
      "Refuses where no travel is learned.",
      "Broken off by: press TAKE.",
    ]);
  });

  test("what happens at a running board, in the order in which it does", () => {
    const brain = brainAtRest(shippedBoard("osierbeck-quernish"), { leaves: 2 });
    expect(told(brain, () => brainDoes(brain, { power: "on" }))).toEqual(["Power is on."]);
    const learn = { hold: { key: "MOVE", seconds: 6 } };
    const tandrel = brainAtRest(shippedBoard("quillmarsh-tandrel"));
    tandrel.power = true;
    expect(told(tandrel, () => brainDoes(tandrel, learn))).toEqual([
      "It refuses (learns the travel), for it is not so that force is at least 40 %.",
    ]);
    const made = () => brainDoes(brain, { command: "open" });
    expect(told(brain, made)).toEqual(["The gate opens."]);
    expect(told(brain, () => settles(brain))).toEqual(["The gate stands open."]);
  });

  test("a code is told as it is seen: on the display, or counted at its lamp in its colour, and the lamp shows it", () => {
    const pewlark = brainAtRest(shippedBoard("marlstreet-pewlark"), { leaves: 2 });
    pewlark.power = true;
    setTripped(pewlark, "halt", true);
    expect(told(pewlark, () => brainDoes(pewlark, { press: { key: "RUN", times: 1 } }))).toEqual([
      "It refuses (learns with the first command), for Halt reads open; STATE gives 3 red flashes.",
    ]);
    expect(faceOf(pewlark)).toMatchObject({
      lamps: { state: "blinking" },
      looks: { state: { other: true, flashes: 3 } },
    });
  });

  test("rooflights move in groups, and are told so", () => {
    const skarlune = brainAtRest(shippedBoard("copperfold-skarlune"), { leaves: 2 });
    skarlune.power = true;
    const calibrate = { hold: { key: "CAL", seconds: 5 } };
    expect(told(skarlune, () => brainDoes(skarlune, calibrate))).toContain("Group 1 opens.");
  });

  test("keys that are wanted together, and what transmitters can send, are read from the programs", () => {
    expect(keysTogether(shippedBoard("pengrath-drawmel"))).toEqual([
      { keys: ["GO", "READ"], label: "GO + READ" },
    ]);
    expect(heardBy(shippedBoard("copperfold-casspel"))).toEqual(["recessed", "press"]);
  });
});
