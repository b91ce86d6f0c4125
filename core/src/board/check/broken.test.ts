import { ProblemsError } from "../../finding/index.ts";
import { shippedBoard } from "../../testing/shipped.ts";
import { parseBoard, type BoardProfile, type MenuItem } from "../index.ts";

const duet = "quillmarsh-duet";
const egret = "osierbeck-egret";
const plover = "marlstreet-plover";
const otter = "fennimore-otter";
const drover = "penhallow-drover";
const trestle = "hexby-trestle";
const weir = "tarn-weir";
const nightjar = "tollard-nightjar";

function refusal(board: BoardProfile): string {
  try {
    parseBoard(board, "x");
  } catch (error) {
    if (error instanceof ProblemsError) return error.message;
    throw error;
  }
  return "nothing";
}

const item = (board: BoardProfile, id: string): MenuItem =>
  board.panel!.menus.flatMap((menu) => menu.items).find((each) => each.id === id)!;

const procedure = (board: BoardProfile, id: string) => board.procedures.find((each) => each.id === id)!;

/** What is broken, on which board, how, and what a person is told: where, what was expected and found, what to do. */
const cases: [string, string, (board: BoardProfile) => void, RegExp][] = [
  // Terminals, links, supply
  [
    "two terminals of one id",
    duet,
    (b) => (b.blocks[0]!.terminals[1]!.number = 1),
    /blocks\[0\]\.terminals\[1\]\.number: expected a terminal number of its own, found "1"\. Rename it/,
  ],
  [
    "two blocks of one id",
    duet,
    (b) => (b.blocks[1]!.id = "M"),
    /blocks\[1\]\.id: expected a block id of its own, found "M"/,
  ],
  [
    "a link to a terminal that does not exist",
    duet,
    (b) => (b.links[0]!.between = ["P1", "P9"]),
    /links\[0\]\.between\[1\]: expected terminal of this board .*found "P9"\. Correct the id/,
  ],
  [
    "a link from a terminal to itself",
    duet,
    (b) => (b.links[0]!.between = ["P1", "P1"]),
    /links\[0\]\.between: expected two different terminals.*A link joins two terminals/,
  ],
  [
    "a link that does not bridge its input",
    duet,
    (b) => (b.inputs[0]!.link = "link-edge"),
    /inputs\[0\]\.link: expected a link from P2 to P1 or P5, found "P4–P5"/,
  ],
  [
    "a supply without one of its poles",
    trestle,
    (b) => delete b.supply.poles.l3,
    /supply\.poles\.l3: expected a terminal, found nothing\. Say where a three-phase supply's l3 goes/,
  ],
  [
    "two voltages and no way to choose",
    egret,
    (b) => delete b.supply.selector,
    /supply: expected a selector, or recognised: true, found \[120,230\]/,
  ],
  [
    "a selector that is not there",
    trestle,
    (b) => (b.supply.selector = "PHASE"),
    /supply\.selector: expected link, jumper or switch of this board .*found "PHASE"/,
  ],
  [
    "a battery on a terminal that is not there",
    plover,
    (b) => (b.battery!.plus = "B9"),
    /battery\.plus: .*found "B9"/,
  ],
  [
    "a panel cut off by a jumper that is not there",
    nightjar,
    (b) => (b.solar!.isolatedBy = "JQ"),
    /solar\.isolatedBy: expected control of this board .*found "JQ"/,
  ],
  // Inputs
  [
    "an input without its common",
    duet,
    (b) => (b.inputs[0]!.common = "earth"),
    /inputs\[0\]\.common: expected common of this board \(protection, commands\), found "earth"/,
  ],
  [
    "two inputs on one terminal",
    duet,
    (b) => (b.inputs[1]!.terminal = "P2"),
    /inputs\[1\]\.terminal: expected a terminal of its own/,
  ],
  [
    "an input on its own common",
    duet,
    (b) => (b.inputs[3]!.terminal = "C1"),
    /inputs\[3\]\.terminal: expected a terminal outside its own common, found "C1"/,
  ],
  [
    "a link on an input that rests open",
    duet,
    (b) => (b.inputs[3]!.link = "link-stop"),
    /inputs\[3\]\.link: expected no link on an input whose contact rests open.*Remove the link, or set contact: closed/,
  ],
  [
    "a protection input that nothing can satisfy while empty",
    otter,
    (b) => delete b.inputs[1]!.off,
    /inputs\[1\]: expected a link, or a setting that switches it off, found "low-beam"\. Say how the board is satisfied/,
  ],
  [
    "an input that guards and does nothing",
    duet,
    (b) => (b.inputs[2]!.reactions = []),
    /inputs\[2\]\.reactions: expected what the leaf does when it trips/,
  ],
  [
    "a resistor input without its ohms",
    otter,
    (b) => delete b.inputs[3]!.ohms,
    /inputs\[3\]\.ohms: expected the end resistor, ohms, found nothing/,
  ],
  [
    "ohms on a plain contact",
    duet,
    (b) => (b.inputs[2]!.ohms = 8200),
    /inputs\[2\]\.ohms: expected no resistor on a plain contact, found 8200/,
  ],
  [
    "an input tested by an output that is not there",
    otter,
    (b) => (b.inputs[1]!.test = "prover"),
    /inputs\[1\]\.test: expected rail or output of this board .*found "prover"/,
  ],
  [
    "an input switched off by a behaviour without a control",
    duet,
    (b) => (b.inputs[2]!.off = { behaviour: "edge-reaction", is: "off" }),
    /inputs\[2\]\.off\.behaviour: expected a behaviour that a control of this board sets, found "edge-reaction"/,
  ],
  // Rails and outputs
  [
    "a rail with two limits",
    duet,
    (b) => (b.rails[0]!.limitMilliamps = 100),
    /rails\[0\]\.limitMilliamps: expected one limit, found "a budget and a limit of its own"\. Keep the budget or the limit/,
  ],
  [
    "a rail without any limit",
    plover,
    (b) => delete b.rails[0]!.limitMilliamps,
    /rails\[0\]: expected a limit of its own, or a budget/,
  ],
  [
    "a rail whose poles meet",
    duet,
    (b) => b.rails[0]!.minus.push("R1"),
    /rails\[0\]\.minus\[2\]: expected a terminal of the other pole, found "R1"/,
  ],
  [
    "a budget that does not exist",
    duet,
    (b) => (b.rails[0]!.budget = "shared"),
    /rails\[0\]\.budget: .*found "shared"/,
  ],
  [
    "an output with a fixed and a chosen task",
    weir,
    (b) => (b.outputs[0]!.task = "courtesy light"),
    /outputs\[0\]: expected a fixed task, or a behaviour that chooses it/,
  ],
  // Controls
  [
    "a dial with its sweep reversed",
    duet,
    (b) => (b.dials[0]!.sweep = { from: "5:00", to: "7:00" }),
    /dials\[0\]\.sweep: .*clockwise through 12.*found "5:00 to 7:00"\. Its ends are swapped/,
  ],
  [
    "a dial delivered outside its sweep",
    duet,
    (b) => (b.dials[0]!.delivered = "6:00"),
    /dials\[0\]\.delivered: expected a time from 7:00 to 5:00, found "6:00"/,
  ],
  [
    "zones with a gap",
    duet,
    (b) => (b.dials[2]!.zones[1]!.from = 0.2),
    /dials\[2\]\.zones\[1\]: expected a zone that begins at 0\.15 and ends after it, found "0\.2 to 1"/,
  ],
  [
    "zones that end early",
    duet,
    (b) => (b.dials[0]!.zones[0]!.to = 0.9),
    /dials\[0\]\.zones: expected zones up to 1, the end of the sweep, found 0\.9/,
  ],
  [
    "a dial that lives by a switch that is not there",
    plover,
    (b) => (b.dials[0]!.live = { control: "K9", at: "on" }),
    /dials\[0\]\.live\.control: expected control of this board .*found "K9"/,
  ],
  [
    "a dial that lives by a position its switch has not",
    plover,
    (b) => (b.dials[0]!.live = { control: "K2", at: "up" }),
    /dials\[0\]\.live\.at: expected a position of K2 \(on, off\), found "up"/,
  ],
  [
    "a behaviour nobody knows",
    duet,
    (b) => (b.settings[0]!.rows[0]!.sets = { closing: true }),
    /settings\[0\]\.rows\[0\]\.sets\.closing: expected a canonical behaviour/,
  ],
  [
    "a value the behaviour cannot take",
    duet,
    (b) => (b.settings[0]!.rows[0]!.sets = { "automatic-closing": 3 }),
    /sets\.automatic-closing: expected true or false, found 3/,
  ],
  [
    "a switch that is not there",
    duet,
    (b) => (b.settings[0]!.of = ["S9"]),
    /settings\[0\]\.of\[0\]: expected switch, slide or jumper of this board .*found "S9"/,
  ],
  [
    "positions for the wrong number of switches",
    duet,
    (b) => (b.settings[2]!.rows[0]!.at = ["on"]),
    /settings\[2\]\.rows\[0\]\.at: expected 2 positions/,
  ],
  [
    "a position a jumper cannot have",
    plover,
    (b) => (b.settings[6]!.rows[0]!.at = ["removed"]),
    /settings\[6\]\.rows\[0\]\.at\[0\]: expected a position of JS \(on, parked\), found "removed"/,
  ],
  [
    "one switch in two settings",
    duet,
    (b) => (b.settings[1]!.of = ["S1"]),
    /settings\.of\[1\]: expected a switch of its own, found "S1"/,
  ],
  [
    "a slide delivered where it cannot stand",
    drover,
    (b) => (b.slides[0]!.delivered = "auto"),
    /slides\[0\]\.delivered: expected one of its positions \(steps, reverse, held\), found "auto"/,
  ],
  [
    "a jumper delivered as it cannot sit",
    drover,
    (b) => (b.jumpers[0]!.delivered = "1-2"),
    /jumpers\[0\]\.delivered: expected one of on, parked on 2 pins, found "1-2"/,
  ],
  [
    "two gestures for one kind of control",
    duet,
    (b) => (b.commits[1]!.for = "dials"),
    /commits\[1\]\.for: expected one commit gesture a kind of control of its own/,
  ],
  [
    "a commit by a key that is not there",
    duet,
    (b) => (b.commits[0]!.by = { hold: { key: "OK", seconds: 3 } }),
    /commits\[0\]\.by\.hold\.key: expected key of this board .*found "OK"/,
  ],
  [
    "a behaviour with no control",
    duet,
    (b) => (b.behaviours = ["opening-speed"]),
    /behaviours\[0\]: expected a behaviour with a control, found "opening-speed"\. Tie it to the switch, dial or menu entry that sets it/,
  ],
  [
    "a behaviour both fixed and set",
    otter,
    (b) => (b.fixed["pre-warning"] = 2),
    /fixed\.pre-warning: expected a behaviour that no control sets/,
  ],
  // The panel
  [
    "a way in to a menu that is not there",
    otter,
    (b) => (b.panel!.opens[0]!.to = "shrt"),
    /panel\.opens\[0\]\.to: expected menu of this board .*found "shrt"/,
  ],
  [
    "an entry that leads nowhere",
    otter,
    (b) => (item(b, "to-run").menu = "runing"),
    /panel\.menus\[2\]\.items\[1\]\.menu: .*found "runing"/,
  ],
  [
    "a menu nothing leads to",
    otter,
    (b) => (item(b, "to-run").menu = "protection"),
    /panel\.menus\[4\]: expected a way in, found "running"\. Let an entry of another menu lead here/,
  ],
  [
    "a menu that cannot be left",
    otter,
    (b) => {
      delete b.panel!.back;
      delete b.panel!.timeoutSeconds;
    },
    /panel\.menus\[1\]: expected a way out: back, a time-out, or a wizard that ends, found "short"/,
  ],
  [
    "an entry that cannot be reached",
    otter,
    (b) => delete b.panel!.next,
    /panel\.menus\[1\]\.items\[1\]: expected a gesture that goes to the next entry, found "auto"/,
  ],
  [
    "an entry that is two things",
    otter,
    (b) => (item(b, "push").does = "soft-reset"),
    /panel\.menus\[1\]\.items\[2\]: expected one of menu, number, choices, does, flips, found "number, does"/,
  ],
  [
    "a number that runs backwards",
    otter,
    (b) => (item(b, "push").number!.from = 20),
    /items\[2\]\.number: expected from under to, found "20 to 10"/,
  ],
  [
    "a number delivered between its steps",
    otter,
    (b) => (item(b, "slow").number!.delivered = 9),
    /number\.delivered: expected a step from 0 to 30 by 2, found 9/,
  ],
  [
    "a choice delivered that is none",
    otter,
    (b) => (item(b, "brake").delivered = "02"),
    /items\[0\]\.delivered: expected choice of this board .*found "02"/,
  ],
  [
    "more characters than the display has",
    otter,
    (b) => (item(b, "brake").shows = "brk"),
    /items\[0\]\.shows: expected at most 2 characters, found "brk"/,
  ],
  ["numbers that nothing raises", otter, (b) => delete b.panel!.more, /panel: expected more and less/],
  [
    "a list to be saved and no way to save it",
    otter,
    (b) => (b.commits = []),
    /panel\.stores: expected a commit for values, found "on save"/,
  ],
  [
    "a pause of no length",
    weir,
    (b) => delete b.panel!.pauseSeconds,
    /panel\.pauseSeconds: expected the pause, seconds/,
  ],
  [
    "a menu of a firmware the profile does not hold for",
    trestle,
    (b) => (b.panel!.opens[0]!.firmware = ["1.7"]),
    /panel\.opens\[0\]\.firmware\[0\]: expected firmware of this board \(1\.8, 2\.1\), found "1\.7"/,
  ],
  [
    "an entry that starts nothing",
    weir,
    (b) => (item(b, "f91").does = "erase"),
    /\.does: expected procedure of this board .*found "erase"/,
  ],
  // Lamps, display, codes
  [
    "a lamp for an input that is not there",
    duet,
    (b) => (b.lamps[1]!.shows[0]!.when = { closed: "loop" }),
    /lamps\[1\]\.shows\[0\]\.when\.closed: .*found "loop"/,
  ],
  [
    "a lamp for something nothing learns",
    duet,
    (b) => (b.lamps[6]!.shows[1]!.when = { unlearned: "force" }),
    /when\.unlearned: expected memory of this board \(travel, remote\), found "force"/,
  ],
  [
    "a mode nothing enters",
    duet,
    (b) => (b.lamps[6]!.shows[0]!.when = { mode: "asleep" }),
    /when\.mode: expected a mode a procedure of this board enters.*Add the effect to the step that enters it/,
  ],
  [
    "a second colour the lamp has not",
    duet,
    (b) => (b.lamps[0]!.shows[0]!.other = true),
    /lamps\[0\]\.shows\[0\]\.other: expected a lamp of two colours/,
  ],
  [
    "flashes of a steady lamp",
    plover,
    (b) => (b.lamps[0]!.shows[5]!.flashes = 2),
    /shows\[5\]\.is: expected blinking, where flashes are counted, found "lit"/,
  ],
  [
    "a text too long for the display",
    trestle,
    (b) => (b.display!.shows[0]!.text = "one|two|three"),
    /display\.shows\[0\]\.text: expected at most 2 lines of 16 characters/,
  ],
  [
    "a code nothing shows",
    duet,
    (b) => b.codes.push({ code: "E1", means: "A fault." }),
    /codes\[0\]: expected a lamp that flashes it, found "E1"\. The board has no display: name the lamp/,
  ],
  [
    "a condition with a value and no behaviour",
    duet,
    (b) => (b.lamps[0]!.shows[0]!.when = { is: true }),
    /when: expected a behaviour beside is or atLeast/,
  ],
  // Procedures
  [
    "a key that is not there",
    duet,
    (b) => (procedure(b, "learn-travel").steps[1]!.do = { hold: { key: "RUN", seconds: 3 } }),
    /procedures\[2\]\.steps\[1\]\.do\.hold\.key: .*found "RUN"/,
  ],
  [
    "a learn that never ends",
    duet,
    (b) => (procedure(b, "learn-travel").steps[2]!.effects = { learn: "travel" }),
    /procedures\[2\]\.steps: expected a step that ends the mode, with effects: \{ mode: idle \}, found "learning"\. .*a learn must end/,
  ],
  [
    "a learn that learns nothing",
    duet,
    (b) => (procedure(b, "learn-travel").steps[2]!.effects = { mode: "idle" }),
    /procedures\[2\]\.steps: expected a step that learns something/,
  ],
  [
    "a procedure that waits for what nothing can cause",
    duet,
    (b) => procedure(b, "learn-travel").needs.push({ mode: "listening", learned: "remote" }),
    /procedures\[2\]\.needs\[6\]: expected something that a procedure of this board can cause before it.*It would wait for ever/,
  ],
  [
    "a reset silent about a memory",
    plover,
    (b) => (procedure(b, "full-reset").keeps = []),
    /keeps: expected every memory of the board among clears and keeps, found "nothing of keypads"/,
  ],
  [
    "a reset that clears and keeps the same",
    plover,
    (b) => procedure(b, "full-reset").keeps.push("travel"),
    /keeps\[1\]: expected a memory it does not clear, found "travel"/,
  ],
  [
    "a reset that forgets nothing",
    otter,
    (b) => (procedure(b, "restore-values").steps[0]!.effects = {}),
    /clears\[0\]: expected a memory that one of its steps forgets, found "values"/,
  ],
  [
    "a memory nobody has",
    plover,
    (b) => (procedure(b, "first-command").steps[2]!.effects.learn = ["travel", "curve"]),
    /effects\.learn: expected memory of this board .*found "curve"/,
  ],
  [
    "a procedure for more leaves than there are",
    otter,
    (b) => (procedure(b, "learn-magnets").leaves = 2),
    /leaves: expected at most 1, as the board drives, found 2/,
  ],
  [
    "a menu entry chosen that is not there",
    otter,
    (b) => (procedure(b, "learn-magnets").steps[1]!.do = { choose: { item: "lern" } }),
    /do\.choose\.item: expected menu entry of this board .*found "lern"/,
  ],
  [
    "a control set to what it cannot stand at",
    nightjar,
    (b) => (procedure(b, "pair").steps[0]!.do = { set: { control: "JP", to: "in" } }),
    /do\.set\.to: expected a position of JP \(on, parked\), found "in"/,
  ],
  [
    "a commit that is not there",
    otter,
    (b) => (procedure(b, "save-values").steps[0]!.effects = { commit: "store" }),
    /effects\.commit: expected commit gesture of this board \(save-list\), found "store"/,
  ],
  // Slots and cards
  [
    "a slot for a card that is not there",
    drover,
    (b) => b.slots[0]!.takes.push("radio-b"),
    /slots\[0\]\.takes\[2\]: expected card of this board .*found "radio-b"/,
  ],
  [
    "a card no slot takes",
    drover,
    (b) => (b.slots[0]!.takes = ["radio-a"]),
    /cards\[1\]\.id: expected a card that some slot takes, found "twin-radio"/,
  ],
  [
    "a card that contradicts itself",
    egret,
    (b) => (b.cards[0]!.adds.inputs[1]!.common = "expand"),
    /cards\[0\]\.adds\.inputs\[1\]\.common: .*found "expand"/,
  ],
  [
    "a card whose block the board has already",
    drover,
    (b) => (b.cards[0]!.adds.blocks[0]!.id = "P"),
    /cards\[0\]\.adds\.blocks\[0\]\.id: expected a block id of its own, found "P"/,
  ],
  // The face and the site
  [
    "lamps over one another",
    duet,
    (b) => (b.lamps[1]!.at = b.lamps[2]!.at),
    /lamps\[1\]\.at: expected a place of its own on the face, found "lamp lamp-stop over lamp lamp-beam"\. Move one of the two/,
  ],
  [
    "terminals that overlap in the drawing",
    duet,
    (b) => (b.blocks[1]!.at = { x: 10, y: 111 }),
    /blocks\[0\]\.at: expected a place of its own on the face, found "block M over block D"/,
  ],
  [
    "a dial off the face",
    duet,
    (b) => (b.dials[0]!.at = { x: 158, y: 90 }),
    /dials\[0\]\.at: .*"dial V1 over the edge of the face"/,
  ],
  [
    "more leaves taken for granted than driven",
    otter,
    (b) => (b.delivered = { leaves: 2 }),
    /delivered\.leaves: expected at most 1, as the board drives, found 2/,
  ],
  [
    "a radio that drives a leaf",
    nightjar,
    (b) => (b.leaves = 1),
    /leaves: expected 0 leaves on a radio, found 1/,
  ],
  [
    "a board that never knows where its travel ends",
    duet,
    (b) => (b.limits = []),
    /limits: expected what ends the travel, found nothing\. Name at least one: stops, switches/,
  ],
];

describe("a profile that contradicts itself is refused with place, found and remedy", () => {
  test.each(cases)("%s", (_name, id, change, message) => {
    const board = shippedBoard(id);
    change(board);
    expect(refusal(board)).toMatch(message);
  });

  test("a line is told of every contradiction at once", () => {
    const board = shippedBoard(duet);
    board.inputs[0]!.common = "earth";
    board.links[1]!.between = ["P1", "P9"];
    expect(refusal(board).split("\n").length).toBeGreaterThanOrEqual(2);
  });
});
