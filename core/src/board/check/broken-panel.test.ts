import {
  type Broken,
  drawmel,
  grellock,
  hoistrum,
  partsOf,
  pewlark,
  quernish,
  refusesEach,
  slathorn,
  tandrel,
  umbrick,
} from "../../testing/broken.ts";

const cases: Broken[] = [
  // The panel
  [
    "a way in to a menu that is not there",
    slathorn,
    (b) => (b.panel!.opens[0]!.to = "shrt"),
    /panel\.opens\[0\]\.to: expected menu of this board .*found "shrt"/,
  ],
  [
    "an entry that leads nowhere",
    slathorn,
    (b) => (partsOf(b).item("to-run").menu = "runing"),
    /panel\.menus\[2\]\.items\[1\]\.menu: .*found "runing"/,
  ],
  [
    "a menu nothing leads to",
    slathorn,
    (b) => (partsOf(b).item("to-run").menu = "protection"),
    /panel\.menus\[4\]: expected a way in, found "running"\. Let an entry of another menu lead here/,
  ],
  [
    "a menu that cannot be left",
    slathorn,
    (b) => {
      delete b.panel!.back;
      delete b.panel!.timeoutSeconds;
    },
    /panel\.menus\[1\]: expected a way out: back, a time-out, or a wizard that ends, found "short"/,
  ],
  [
    "an entry that cannot be reached",
    slathorn,
    (b) => delete b.panel!.next,
    /panel\.menus\[1\]\.items\[1\]: expected a gesture that goes to the next entry, found "auto"/,
  ],
  [
    "an entry that is two things",
    slathorn,
    (b) => (partsOf(b).item("push").does = "soft-reset"),
    /panel\.menus\[1\]\.items\[2\]: expected one of menu, number, choices, does, flips, found "number, does"/,
  ],
  [
    "a number that runs backwards",
    slathorn,
    (b) => (partsOf(b).item("push").number!.from = 20),
    /items\[2\]\.number: expected from under to, found "20 to 10"/,
  ],
  [
    "a number delivered between its steps",
    slathorn,
    (b) => (partsOf(b).item("slow").number!.delivered = 9),
    /number\.delivered: expected a step from 0 to 30 by 2, found 9/,
  ],
  [
    "a choice delivered that is none",
    slathorn,
    (b) => (partsOf(b).item("brake").delivered = "02"),
    /items\[0\]\.delivered: expected choice of this board .*found "02"/,
  ],
  [
    "more characters than the display has",
    slathorn,
    (b) => (partsOf(b).item("brake").shows = "brk"),
    /items\[0\]\.shows: expected at most 2 characters, found "brk"/,
  ],
  ["numbers that nothing raises", slathorn, (b) => delete b.panel!.more, /panel: expected more and less/],
  [
    "a list to be saved and no way to save it",
    slathorn,
    (b) => (b.commits = []),
    /panel\.stores: expected a commit for values, found "on save"/,
  ],
  [
    "a pause of no length",
    grellock,
    (b) => delete b.panel!.pauseSeconds,
    /panel\.pauseSeconds: expected the pause, seconds/,
  ],
  [
    "a menu of a firmware the profile does not hold for",
    hoistrum,
    (b) => (b.panel!.opens[0]!.firmware = ["1.7"]),
    /panel\.opens\[0\]\.firmware\[0\]: expected firmware of this board \(1\.8, 2\.1\), found "1\.7"/,
  ],
  [
    "an entry that starts nothing",
    grellock,
    (b) => (partsOf(b).item("f91").does = "erase"),
    /\.does: expected program of this board .*found "erase"/,
  ],
  // Lamps, display, codes
  [
    "a lamp for an input that is not there",
    tandrel,
    (b) => (b.lamps[1]!.shows[0]!.when = { closed: "loop" }),
    /lamps\[1\]\.shows\[0\]\.when\.closed: .*found "loop"/,
  ],
  [
    "a lamp for something nothing learns",
    tandrel,
    (b) => (b.lamps[6]!.shows[1]!.when = { unlearned: "force" }),
    /when\.unlearned: expected memory of this board \(travel, remote\), found "force"/,
  ],
  [
    "a mode nothing enters",
    tandrel,
    (b) => (b.lamps[6]!.shows[0]!.when = { mode: "asleep" }),
    /when\.mode: expected a mode a procedure of this board enters.*Add the effect to the step that enters it/,
  ],
  [
    "a second colour the lamp has not",
    tandrel,
    (b) => (b.lamps[0]!.shows[0]!.other = true),
    /lamps\[0\]\.shows\[0\]\.other: expected a lamp of two colours/,
  ],
  [
    "flashes of a steady lamp",
    pewlark,
    (b) => (b.lamps[0]!.shows[5]!.flashes = 2),
    /shows\[5\]\.is: expected blinking, where flashes are counted, found "lit"/,
  ],
  [
    "a text too long for the display",
    hoistrum,
    (b) => (b.display!.shows[0]!.text = "one|two|three"),
    /display\.shows\[0\]\.text: expected at most 2 lines of 16 characters/,
  ],
  [
    "a code nothing shows",
    tandrel,
    (b) => b.codes.push({ code: "E1", means: "A fault." }),
    /codes\[0\]: expected a lamp that flashes it, found "E1"\. The board has no display: name the lamp/,
  ],
  [
    "a code whose flashes cannot be counted",
    pewlark,
    (b) => (b.codes[0]!.code = "E2"),
    /codes\[0\]\.code: expected how many flashes the lamp gives, 1 to 99, found "E2"/,
  ],
  [
    "a code in a second colour its lamp has not",
    pewlark,
    (b) => (b.lamps[0]!.other = undefined),
    /codes\[1\]\.other: expected a lamp of two colours, found "state"/,
  ],
  [
    "a condition with a value and no behaviour",
    tandrel,
    (b) => (b.lamps[0]!.shows[0]!.when = { is: true }),
    /when: expected a behaviour beside is or atLeast/,
  ],
  // Procedures
  [
    "a key that is not there",
    tandrel,
    (b) => (partsOf(b).procedure("learn-travel").steps[1]!.do = [{ hold: { key: "RUN", seconds: 3 } }]),
    /procedures\[2\]\.steps\[1\]\.do\.hold\.key: .*found "RUN"/,
  ],
  [
    "a learn that never ends",
    tandrel,
    (b) => (partsOf(b).procedure("learn-travel").steps[2]!.claims = { learn: "travel" }),
    /procedures\[2\]\.steps: expected a step that ends the mode, with claims: \{ mode: idle \}, found "learning"\. .*a learn must end/,
  ],
  [
    "a learn that learns nothing",
    tandrel,
    (b) => (partsOf(b).procedure("learn-travel").steps[2]!.claims = { mode: "idle" }),
    /procedures\[2\]\.steps: expected a step that learns something/,
  ],
  [
    "a procedure that waits for what nothing can cause",
    tandrel,
    (b) => partsOf(b).procedure("learn-travel").needs.push({ mode: "listening", learned: "remote" }),
    /procedures\[2\]\.needs\[6\]: expected something that a procedure of this board can cause before it.*It would wait for ever/,
  ],
  [
    "a reset silent about a memory",
    pewlark,
    (b) => (partsOf(b).procedure("full-reset").keeps = []),
    /keeps: expected every memory of the board among clears and keeps, found "nothing of keypads"/,
  ],
  [
    "a reset that clears and keeps the same",
    pewlark,
    (b) => partsOf(b).procedure("full-reset").keeps.push("travel"),
    /keeps\[1\]: expected a memory it does not clear, found "travel"/,
  ],
  [
    "a reset that forgets nothing",
    slathorn,
    (b) => (partsOf(b).procedure("restore-values").steps[0]!.claims = {}),
    /clears\[0\]: expected a memory that one of its steps forgets, found "values"/,
  ],
  [
    "a memory nobody has",
    pewlark,
    (b) => (partsOf(b).procedure("first-command").steps[2]!.claims.learn = ["travel", "curve"]),
    /claims\.learn: expected memory of this board .*found "curve"/,
  ],
  [
    "a procedure for more leaves than there are",
    slathorn,
    (b) => (partsOf(b).procedure("learn-magnets").leaves = 2),
    /leaves: expected at most 1, as the board drives, found 2/,
  ],
  [
    "a menu entry chosen that is not there",
    slathorn,
    (b) => (partsOf(b).procedure("learn-magnets").steps[1]!.do = [{ choose: { item: "lern" } }]),
    /do\.choose\.item: expected menu entry of this board .*found "lern"/,
  ],
  [
    "a control set to what it cannot stand at",
    umbrick,
    (b) => (partsOf(b).procedure("pair").steps[0]!.do = [{ set: { control: "JP", to: "in" } }]),
    /do\.set\.to: expected a position of JP \(on, parked\), found "in"/,
  ],
  [
    "a commit that is not there",
    slathorn,
    (b) => (partsOf(b).procedure("save-values").steps[0]!.claims = { commit: "store" }),
    /claims\.commit: expected commit gesture of this board \(save-list\), found "store"/,
  ],
  // Slots and cards
  [
    "a slot for a card that is not there",
    drawmel,
    (b) => b.slots[0]!.takes.push("radio-b"),
    /slots\[0\]\.takes\[2\]: expected card of this board .*found "radio-b"/,
  ],
  [
    "a card no slot takes",
    drawmel,
    (b) => (b.slots[0]!.takes = ["radio-a"]),
    /cards\[1\]\.id: expected a card that some slot takes, found "twin-radio"/,
  ],
  [
    "a card that contradicts itself",
    quernish,
    (b) => (b.cards[0]!.adds.inputs[1]!.common = "expand"),
    /cards\[0\]\.adds\.inputs\[1\]\.common: .*found "expand"/,
  ],
  [
    "a card whose block the board has already",
    drawmel,
    (b) => (b.cards[0]!.adds.blocks[0]!.id = "P"),
    /cards\[0\]\.adds\.blocks\[0\]\.id: expected a block id of its own, found "P"/,
  ],
  // The face and the site
  [
    "lamps over one another",
    tandrel,
    (b) => (b.lamps[1]!.at = b.lamps[2]!.at),
    /lamps\[1\]\.at: expected a place of its own on the face, found "lamp lamp-stop over lamp lamp-beam"\. Move one of the two/,
  ],
  [
    "terminals that overlap in the drawing",
    tandrel,
    (b) => (b.blocks[1]!.at = { x: 10, y: 113 }),
    /blocks\[0\]\.at: expected a place of its own on the face, found "block M over block D"/,
  ],
  [
    "a dial off the face",
    tandrel,
    (b) => (b.dials[0]!.at = { x: 165, y: 60 }),
    /dials\[0\]\.at: .*"dial V1 over the edge of the face"/,
  ],
  [
    "more leaves taken for granted than driven",
    slathorn,
    (b) => (b.delivered = { leaves: 2 }),
    /delivered\.leaves: expected at most 1, as the board drives, found 2/,
  ],
  [
    "a radio that drives a leaf",
    umbrick,
    (b) => (b.leaves = 1),
    /leaves: expected 0 leaves on a radio, found 1/,
  ],
  [
    "a board that never knows where its travel ends",
    tandrel,
    (b) => (b.limits = []),
    /limits: expected what ends the travel, found nothing\. Name at least one: stops, switches/,
  ],
];

describe("menus, lamps, procedures, cards and faces that contradict themselves are refused", () => {
  refusesEach(cases);
});
