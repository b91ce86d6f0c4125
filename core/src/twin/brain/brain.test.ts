import type { End } from "../../board/index.ts";
import { boardIds, shippedBoard } from "../../testing/shipped.ts";
import { knowingBrain } from "../../testing/twins.ts";
import { arrange, make } from "../runner/index.ts";
import {
  askOf,
  brainAtRest,
  brainDoes,
  keyDown,
  keyUp,
  faceOf,
  placeOf,
  settles,
  waits,
  type Brain,
} from "./index.ts";

const drivers = boardIds().filter((id) => shippedBoard(id).leaves > 0);
const step = (brain: Brain) => brainDoes(brain, { command: "step" });
const toward = ({ run }: Brain) => run?.toward;

describe("the step command, by the logic in force", () => {
  const logics = (id: string, is: string) =>
    shippedBoard(id)
      .settings.flatMap(({ rows }) => rows)
      .some(({ sets }) => sets["command-logic"] === is);
  const having = (is: string) => drivers.filter((id) => logics(id, is));
  const logic = (is: string) => ({ behaviour: "command-logic" as const, is });

  test.each(having("open-stop-close-stop"))("%s opens, stops, closes, stops", (id) => {
    const brain = knowingBrain(id, logic("open-stop-close-stop"));
    const seen: (End | undefined)[] = [];
    for (let n = 0; n < 4; n += 1) {
      step(brain);
      seen.push(toward(brain));
      waits(brain, 3);
    }
    expect(seen).toEqual(["open", undefined, "closed", undefined]);
  });

  test.each(having("open-close"))("%s opens and closes, turning in mid-travel", (id) => {
    const brain = knowingBrain(id, logic("open-close"));
    const seen: (End | undefined)[] = [];
    for (let n = 0; n < 3; n += 1) {
      step(brain);
      seen.push(toward(brain));
      waits(brain, 3);
    }
    expect(seen).toEqual(["open", "closed", "open"]);
  });

  test.each(having("open-only"))("%s only opens", (id) => {
    const brain = knowingBrain(id, logic("open-only"));
    step(brain);
    waits(brain, 3);
    step(brain);
    expect(toward(brain)).toBe("open");
    settles(brain);
    step(brain);
    expect([placeOf(brain), toward(brain)]).toEqual(["open", undefined]);
  });
});

test("a command the other way stops the leaf or turns it, as the board has it", () => {
  for (const id of drivers) {
    const { "opposite-command": how } = shippedBoard(id).fixed;
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "open" });
    waits(brain, 3);
    brainDoes(brain, { command: "close" });
    expect([id, toward(brain)]).toEqual([id, how === "stops" ? undefined : "closed"]);
  }
});

test("a stop stands between the ends; the next step goes back from where the leaf was going", () => {
  for (const id of drivers) {
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "open" });
    waits(brain, 3);
    brainDoes(brain, { command: "stop" });
    expect([id, placeOf(brain), toward(brain)]).toEqual([id, "between", undefined]);
    expect(askOf(brain).leaf("stopped")).toBe(true);
    brainDoes(brain, { command: "close" });
    settles(brain);
    expect(askOf(brain).leaf("closed")).toBe(true);
  }
});

test("where it closes by itself it does so after its pause and not before, and else never", () => {
  for (const id of drivers) {
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "open" });
    waits(brain, 12);
    expect([id, placeOf(brain)]).toEqual([id, "open"]);
    const { pause } = brain;
    waits(brain, (pause ?? 600) - 0.5);
    expect([id, placeOf(brain), toward(brain)]).toEqual([id, "open", undefined]);
    waits(brain, 1);
    expect([id, toward(brain)]).toEqual([id, pause === undefined ? undefined : "closed"]);
  }
});

test("a board that has more than one pause waits its first by day", () => {
  const brain = knowingBrain("lammerlow-thrussel");
  brainDoes(brain, { command: "open" });
  while (placeOf(brain) !== "open") waits(brain, 0.5);
  expect(brain.pause).toBeGreaterThanOrEqual(1.5);
  expect(brain.pause).toBeLessThanOrEqual(2);
});

test("without power nothing answers, and what ran is over once power goes", () => {
  for (const id of drivers) {
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "open" });
    waits(brain, 3);
    brainDoes(brain, { power: "off" });
    brain.events = [];
    for (const what of ["open", "close", "step"] as const) brainDoes(brain, { command: what });
    waits(brain, 60);
    expect([id, brain.events, toward(brain)]).toEqual([id, [], undefined]);
  }
});

test("screens follow one another once there is power, and keys pressed while it stores are lost", () => {
  const hoistrum = brainAtRest(shippedBoard("hexby-hoistrum"));
  brainDoes(hoistrum, { power: "on" });
  const screens = [hoistrum.boot?.screen];
  waits(hoistrum, 2.5);
  screens.push(hoistrum.boot?.screen);
  waits(hoistrum, 1);
  expect([...screens, hoistrum.boot]).toEqual([0, 1, undefined]);
  const tinkell = knowingBrain("sorrel-tinkell");
  tinkell.storing = 2;
  brainDoes(tinkell, { hold: { key: "KNOB", seconds: 7 } });
  expect(tinkell.panel.path).toEqual([]);
  waits(tinkell, 2);
  brainDoes(tinkell, { hold: { key: "KNOB", seconds: 7 } });
  expect(tinkell.panel.path).toHaveLength(1);
});

test("a leaf that is stopped as it sets off has not left its end; a little later it has", () => {
  for (const id of drivers) {
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "open" });
    brainDoes(brain, { command: "stop" });
    expect([id, placeOf(brain)]).toEqual([id, "closed"]);
    brainDoes(brain, { command: "open" });
    waits(brain, 0.1);
    brainDoes(brain, { command: "stop" });
    expect([id, placeOf(brain)]).toEqual([id, "between"]);
  }
});

test("a pedestrian command opens a closed leaf part of the way; given again it is a step", () => {
  for (const id of drivers) {
    const brain = knowingBrain(id);
    brainDoes(brain, { command: "pedestrian" });
    waits(brain, 7);
    expect([id, placeOf(brain), toward(brain)]).toEqual([id, "between", undefined]);
    brainDoes(brain, { command: "pedestrian" });
    expect([id, toward(brain) !== undefined]).toEqual([
      id,
      shippedBoard(id).fixed["command-logic"] !== "open-only",
    ]);
  }
});

test("both ends taken where the leaf stands are no travel", () => {
  const hoistrum = brainAtRest(shippedBoard("hexby-hoistrum"));
  hoistrum.power = true;
  make(hoistrum, { choose: { item: "ends" } });
  for (let n = 0; n < 2; n += 1) brainDoes(hoistrum, { press: { key: "KNOB", times: 1 } });
  expect([hoistrum.mode, hoistrum.held.ends ?? 0]).toEqual(["idle", 0]);
});

test("travel learned anew empties what was learned with it, until that is learned again", () => {
  const held = { behaviour: "command-logic", is: "hold-to-run" } as const;
  const drawmel = knowingBrain("pengrath-drawmel", held);
  expect([drawmel.held.force, drawmel.held.speed]).toEqual([1, 1]);
  brainDoes(drawmel, { press: { key: "READ", times: 1 } });
  brainDoes(drawmel, { place: { at: "open", by: "hand" } });
  brainDoes(drawmel, { press: { key: "READ", times: 1 } });
  expect(drawmel.held).toMatchObject({ travel: 1, force: 0, speed: 0 });
  arrange(drawmel, [{ behaviour: "command-logic", is: "open-close" }]);
  brainDoes(drawmel, { command: "full cycle" });
  brainDoes(drawmel, { command: "full cycle" });
  expect(drawmel.held).toMatchObject({ travel: 1, force: 1, speed: 1 });
});

test("a full memory takes no further remote", () => {
  for (const [id, keys, sends] of [
    ["tessock-umbrick", { hold: { key: "ADD", seconds: 4 } }, { sends: "press", times: 2 }],
    ["quillmarsh-tandrel", { together: { keys: ["MOVE", "TAKE"], seconds: 2 } }, { sends: "hold", times: 1 }],
  ] as const) {
    const brain = knowingBrain(id);
    const { id: memory, capacity } = brain.board.memories.find(({ holds }) => holds === "remotes")!;
    const pair = () => {
      brainDoes(brain, keys as never);
      brainDoes(brain, { remote: { ...sends, says: "the button" } });
    };
    brain.held[memory] = capacity! - 1;
    pair();
    expect([id, brain.held[memory]]).toEqual([id, capacity]);
    pair();
    expect([id, brain.held[memory]]).toEqual([id, capacity]);
  }
});

test("an input is tested before the movements its profile says, and before no others", () => {
  const tested = (id: string, command: "open" | "close", ...conditions: Parameters<typeof arrange>[1]) => {
    const brain = knowingBrain(id, { leaf: command === "open" ? "closed" : "open" }, ...conditions);
    brainDoes(brain, { command });
    return brain.events.flatMap((event) => (event.kind === "tests" ? [event.input] : []));
  };
  const sensor = { behaviour: "threshold-sensor-reaction", is: "closing" } as const;
  expect(tested("lammerlow-thrussel", "open", sensor)).toEqual([]);
  expect(tested("lammerlow-thrussel", "close", sensor)).toEqual(["threshold"]);
  const switched = { behaviour: "photocell-test", is: true } as const;
  expect(tested("osierbeck-quernish", "open", switched)).toEqual(["photocell"]);
  expect(tested("osierbeck-quernish", "close", switched)).toEqual(["photocell"]);
  expect(tested("osierbeck-quernish", "open")).toEqual([]);
});

test("limit inputs follow the leaf where it finds its ends by them, each its own leaf's", () => {
  const lit = (brain: Brain) =>
    Object.entries(faceOf(brain).lamps).flatMap(([id, is]) =>
      id.startsWith("l") && is === "lit" ? [id] : [],
    );
  const quernish = knowingBrain("osierbeck-quernish");
  expect(lit(quernish)).toEqual(["lim-1", "lim-2"]);
  brainDoes(quernish, { press: { key: "LEAF", times: 1 } });
  brainDoes(quernish, { hold: { key: "UP", seconds: 2 } });
  expect(lit(quernish)).toEqual(["lim-2"]);
  // On this board the lamp is lit of the end the leaf does not stand on; by the encoder both are.
  const pewlark = knowingBrain("marlstreet-pewlark");
  expect(lit(pewlark)).toEqual(["lim-a"]);
  expect(lit(knowingBrain("pengrath-drawmel", { behaviour: "limit-sensing", is: "switches" }))).toEqual([
    "live",
    "l-open",
  ]);
  expect(lit(knowingBrain("pengrath-drawmel"))).toEqual(["live", "l-open", "l-shut"]);
});

test("a pause without a key stores a value and closes the menus however finely time passes, but not while a key is held", () => {
  const grellock = knowingBrain("tarn-grellock");
  brainDoes(grellock, { hold: { key: "NEXT", seconds: 3 } });
  brainDoes(grellock, { press: { key: "PICK", times: 1 } });
  brainDoes(grellock, { hold: { key: "RISE", seconds: 6 } });
  const editing = grellock.panel.editing;
  expect(editing).not.toBeUndefined();
  for (let tick = 0; tick < 99; tick += 1) waits(grellock, 0.05);
  expect(grellock.panel.editing).toBe(editing);
  for (let tick = 0; tick < 3; tick += 1) waits(grellock, 0.05);
  expect([grellock.panel.editing, grellock.positions.values.f1]).toEqual([undefined, editing]);
  keyDown(grellock, "NEXT");
  waits(grellock, 40);
  expect(grellock.panel.path).toHaveLength(1);
  keyUp(grellock);
  waits(grellock, 21);
  expect(grellock.panel.path).toEqual([]);
});

test("a board that chatters is not watched for twenty minutes: what happens at it is counted", () => {
  const brain = brainAtRest(shippedBoard("quillmarsh-tandrel"));
  const run = {
    toward: "open",
    to: "open",
    leaves: ["first"],
    because: "command",
    left: Infinity,
    since: 0,
  } as const;
  let watched = 0;
  const chatters = () => {
    watched += 1;
    for (let n = 0; n < 40; n += 1) brain.events.push({ kind: "stops", at: "closed" });
  };
  Object.assign(brain, { power: true, run: { ...run, there: [] }, world: { runs: chatters } });
  settles(brain);
  expect(watched).toBeGreaterThan(10);
  expect(brain.events.length).toBeLessThan(2_200);
});
