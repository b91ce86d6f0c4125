import { refusal, shippedBoard } from "../../testing/shipped.ts";
import {
  type Broken,
  drawmel,
  grellock,
  hoistrum,
  pewlark,
  quernish,
  refusesEach,
  slathorn,
  tandrel,
  umbrick,
} from "../../testing/broken.ts";
import { parseBoard } from "../index.ts";

const cases: Broken[] = [
  // Terminals, links, supply
  [
    "two terminals of one id",
    tandrel,
    (b) => (b.blocks[0]!.terminals[1]!.number = 1),
    /blocks\[0\]\.terminals\[1\]\.number: expected a terminal number of its own, found "1"\. Rename it/,
  ],
  [
    "two blocks of one id",
    tandrel,
    (b) => (b.blocks[1]!.id = "M"),
    /blocks\[1\]\.id: expected a block id of its own, found "M"/,
  ],
  [
    "a link to a terminal that does not exist",
    tandrel,
    (b) => (b.links[0]!.between = ["P1", "P9"]),
    /links\[0\]\.between\[1\]: expected terminal of this board .*found "P9"\. Correct the id/,
  ],
  [
    "a link from a terminal to itself",
    tandrel,
    (b) => (b.links[0]!.between = ["P1", "P1"]),
    /links\[0\]\.between: expected two different terminals.*A link joins two terminals/,
  ],
  [
    "a link that does not bridge its input",
    tandrel,
    (b) => (b.inputs[0]!.link = "link-edge"),
    /inputs\[0\]\.link: expected a link from P2 to P1 or P5, found "P4–P5"/,
  ],
  [
    "a supply without one of its poles",
    hoistrum,
    (b) => delete b.supply.poles.l3,
    /supply\.poles\.l3: expected a terminal, found nothing\. Say where a three-phase supply's l3 goes/,
  ],
  [
    "two voltages and no way to choose",
    quernish,
    (b) => delete b.supply.selector,
    /supply: expected a selector, or recognised: true, found \[120,230\]/,
  ],
  [
    "a selector that is not there",
    hoistrum,
    (b) => (b.supply.selector = "PHASE"),
    /supply\.selector: expected link, jumper or switch of this board .*found "PHASE"/,
  ],
  [
    "a battery on a terminal that is not there",
    pewlark,
    (b) => (b.battery!.plus = "B9"),
    /battery\.plus: .*found "B9"/,
  ],
  [
    "a panel cut off by a jumper that is not there",
    umbrick,
    (b) => (b.solar!.isolatedBy = "JQ"),
    /solar\.isolatedBy: expected jumper of this board .*found "JQ"/,
  ],
  [
    "a panel cut off by a switch",
    umbrick,
    (b) => (b.solar!.isolatedBy = "T1"),
    /solar\.isolatedBy: expected jumper of this board .*found "T1"/,
  ],
  [
    "a relay that switches nothing",
    hoistrum,
    (b) => (b.outputs[0]!.terminals = ["RA1"]),
    /outputs\[0\]\.terminals: expected a relay's common and the contact that works.*Name them in that order/,
  ],
  // Inputs
  [
    "an input without its common",
    tandrel,
    (b) => (b.inputs[0]!.common = "earth"),
    /inputs\[0\]\.common: expected common of this board \(protection, commands\), found "earth"/,
  ],
  [
    "two inputs on one terminal",
    tandrel,
    (b) => (b.inputs[1]!.terminal = "P2"),
    /inputs\[1\]\.terminal: expected a terminal of its own/,
  ],
  [
    "an input on its own common",
    tandrel,
    (b) => (b.inputs[3]!.terminal = "C1"),
    /inputs\[3\]\.terminal: expected a terminal outside its own common, found "C1"/,
  ],
  [
    "a link on an input that looks for an end resistor and cannot be set otherwise",
    "tarn-grellock",
    (b) => {
      const edge = b.inputs.find((input) => input.ohms !== undefined)!;
      b.links.push({ id: "link-edge", between: ["S1", edge.terminal], delivered: "in" });
      edge.link = "link-edge";
    },
    /inputs\[\d+\]\.link: expected no link on an input that looks for an end resistor, found "link-edge"\. Say by which setting/,
  ],
  [
    "an input switched off by the setting of another, without a link",
    "lammerlow-thrussel",
    (b) => delete b.inputs.find((input) => input.id === "side-2")!.link,
    /inputs\[\d+\]\.link: expected a link, for the setting that switches it off is shared.*side-sensor-reaction switches side as well/,
  ],
  [
    "a panel of another voltage than the supply on the same terminals",
    "tessock-umbrick",
    (b) => (b.solar!.volts = 48),
    /solar\.volts: expected volts of the supply on the same terminals \(12, 24\), found 48/,
  ],
  [
    "a link on an input that rests open",
    tandrel,
    (b) => (b.inputs[3]!.link = "link-stop"),
    /inputs\[3\]\.link: expected no link on an input whose contact rests open.*Remove the link, or set contact: closed/,
  ],
  [
    "a protection input that nothing can satisfy while empty",
    slathorn,
    (b) => delete b.inputs[1]!.off,
    /inputs\[1\]: expected a link, or a setting that switches it off, found "low-beam"\. Say how the board is satisfied/,
  ],
  [
    "an input that guards and does nothing",
    tandrel,
    (b) => (b.inputs[2]!.reactions = []),
    /inputs\[2\]\.reactions: expected what the leaf does when it trips/,
  ],
  [
    "a use of an input that no setting chooses",
    "hexby-hoistrum",
    (b) => (b.inputs.find(({ id }) => id === "i2")!.chosenBy!.rows[1]!.is = "smoke"),
    /chosenBy\.rows\[1\]\.is: expected a word that a control of this board sets for input-2-use \(pedestrian, fire\), found "smoke"/,
  ],
  [
    "an input that guards closing alone and refuses to open",
    tandrel,
    (b) => (b.inputs[1]!.reactions.at(-1)!.closed = "refuse"),
    /inputs\[1\]\.reactions\[\d\]\.closed: expected ignore or slow, as opening is ignored, found "refuse"/,
  ],
  [
    "an input that guards opening alone and refuses to close",
    "lammerlow-thrussel",
    (b) =>
      Object.assign(b.inputs.find(({ reactions: [row] }) => row?.closing === "ignore")!.reactions[0]!, {
        open: "refuse",
      }),
    /reactions\[0\]\.open: expected ignore or slow, as closing is ignored, found "refuse"/,
  ],
  [
    "an input on a terminal of the mains",
    tandrel,
    (b) => (b.inputs[0]!.terminal = b.supply.poles.live!),
    /inputs\[0\]\.terminal: expected a terminal of its own, as M1 is live of the supply, found "M1"/,
  ],
  [
    "an input on a rail's pole",
    slathorn,
    (b) => (b.inputs[0]!.terminal = b.rails.find((rail) => rail.kind === "dc")!.plus[0]!),
    /inputs\[0\]\.terminal: expected a terminal of its own, as \w+ is plus of /,
  ],
  [
    "a rail's plus on the supply's minus",
    "tessock-umbrick",
    (b) => (b.rails[0]!.plus = [b.supply.poles.minus!]),
    /rails\[0\]\.plus\[0\]: expected a terminal of its own, as S2 is minus of the supply/,
  ],
  [
    "one terminal in two commons",
    tandrel,
    (b) => b.commons.push({ id: "other", terminals: [b.commons[0]!.terminals[0]!] }),
    /commons\[\d\]\.terminals\[0\]: expected a terminal of its own, as P1 is common /,
  ],
  [
    "the minus of an a.c. rail on that of another",
    grellock,
    (b) =>
      (b.rails.filter((rail) => rail.kind === "ac")[1]!.minus = b.rails.filter(
        (rail) => rail.kind === "ac",
      )[0]!.minus),
    /rails\[\d\]\.minus\[0\]: expected a terminal of its own/,
  ],
  [
    "more than the whole force",
    tandrel,
    (b) => (b.dials[1]!.zones.at(-1)!.sets = { force: { from: 10, to: 140 } }),
    /sets\.force: expected at most 100 %, found 140/,
  ],
  [
    "a resistor input without its ohms",
    slathorn,
    (b) => delete b.inputs[3]!.ohms,
    /inputs\[3\]\.ohms: expected the end resistor, ohms, found nothing/,
  ],
  [
    "ohms on a plain contact",
    tandrel,
    (b) => (b.inputs[2]!.ohms = 8200),
    /inputs\[2\]\.ohms: expected no resistor on a plain contact, found 8200/,
  ],
  [
    "an input tested by an output that is not there",
    slathorn,
    (b) => (b.inputs[1]!.test = "prover"),
    /inputs\[1\]\.test: expected rail or output of this board .*found "prover"/,
  ],
  [
    "an input switched off by a behaviour without a control",
    tandrel,
    (b) => (b.inputs[2]!.off = { behaviour: "edge-reaction", is: "off" }),
    /inputs\[2\]\.off\.behaviour: expected a behaviour that a control of this board sets, found "edge-reaction"/,
  ],
  // Rails and outputs
  [
    "a rail with two limits",
    tandrel,
    (b) => (b.rails[0]!.limitMilliamps = 100),
    /rails\[0\]\.limitMilliamps: expected one limit, found "a budget and a limit of its own"\. Keep the budget or the limit/,
  ],
  [
    "a rail without any limit",
    pewlark,
    (b) => delete b.rails[0]!.limitMilliamps,
    /rails\[0\]: expected a limit of its own, or a budget/,
  ],
  [
    "a rail whose poles meet",
    tandrel,
    (b) => b.rails[0]!.minus.push("R1"),
    /rails\[0\]\.minus\[2\]: expected a terminal of the other pole, found "R1"/,
  ],
  [
    "a budget that does not exist",
    tandrel,
    (b) => (b.rails[0]!.budget = "shared"),
    /rails\[0\]\.budget: .*found "shared"/,
  ],
  [
    "an output with a fixed and a chosen task",
    grellock,
    (b) => (b.outputs[0]!.task = "courtesy light"),
    /outputs\[0\]: expected a fixed task, or a behaviour that chooses it/,
  ],
  // Controls
  [
    "a dial with its sweep reversed",
    tandrel,
    (b) => (b.dials[0]!.sweep = { from: "5:00", to: "7:00" }),
    /dials\[0\]\.sweep: .*clockwise through 12.*found "5:00 to 7:00"\. Its ends are swapped/,
  ],
  [
    "a dial delivered outside its sweep",
    tandrel,
    (b) => (b.dials[0]!.delivered = "6:00"),
    /dials\[0\]\.delivered: expected a time from 7:00 to 5:00, found "6:00"/,
  ],
  [
    "zones with a gap",
    tandrel,
    (b) => (b.dials[2]!.zones[1]!.from = 0.2),
    /dials\[2\]\.zones\[1\]: expected a zone that begins at 0\.15 and ends after it, found "0\.2 to 1"/,
  ],
  [
    "zones that end early",
    tandrel,
    (b) => (b.dials[0]!.zones[0]!.to = 0.9),
    /dials\[0\]\.zones: expected zones up to 1, the end of the sweep, found 0\.9/,
  ],
  [
    "a dial that lives by a switch that is not there",
    pewlark,
    (b) => (b.dials[0]!.live = { control: "K9", at: "on" }),
    /dials\[0\]\.live\.control: expected control of this board .*found "K9"/,
  ],
  [
    "a dial that lives by a position its switch has not",
    pewlark,
    (b) => (b.dials[0]!.live = { control: "K2", at: "up" }),
    /dials\[0\]\.live\.at: expected a position of K2 \(on, off\), found "up"/,
  ],
  [
    "a behaviour nobody knows",
    tandrel,
    (b) => (b.settings[0]!.rows[0]!.sets = { closing: true }),
    /settings\[0\]\.rows\[0\]\.sets\.closing: expected a canonical behaviour/,
  ],
  [
    "a value the behaviour cannot take",
    tandrel,
    (b) => (b.settings[0]!.rows[0]!.sets = { "automatic-closing": 3 }),
    /sets\.automatic-closing: expected true or false, found 3/,
  ],
  [
    "a switch that is not there",
    tandrel,
    (b) => (b.settings[0]!.of = ["S9"]),
    /settings\[0\]\.of\[0\]: expected switch, slide or jumper of this board .*found "S9"/,
  ],
  [
    "positions for the wrong number of switches",
    tandrel,
    (b) => (b.settings[2]!.rows[0]!.at = ["on"]),
    /settings\[2\]\.rows\[0\]\.at: expected 2 positions/,
  ],
  [
    "a position a jumper cannot have",
    pewlark,
    (b) => (b.settings[6]!.rows[0]!.at = ["removed"]),
    /settings\[6\]\.rows\[0\]\.at\[0\]: expected a position of JS \(on, parked\), found "removed"/,
  ],
  [
    "one switch in two settings",
    tandrel,
    (b) => (b.settings[1]!.of = ["S1"]),
    /settings\.of\[1\]: expected a switch of its own, found "S1"/,
  ],
  [
    "a slide delivered where it cannot stand",
    drawmel,
    (b) => (b.slides[0]!.delivered = "auto"),
    /slides\[0\]\.delivered: expected one of its positions \(steps, reverse, held\), found "auto"/,
  ],
  [
    "a jumper delivered as it cannot sit",
    drawmel,
    (b) => (b.jumpers[0]!.delivered = "1-2"),
    /jumpers\[0\]\.delivered: expected one of on, parked on 2 pins, found "1-2"/,
  ],
  [
    "two gestures for one kind of control",
    tandrel,
    (b) => (b.commits[1]!.for = "dials"),
    /commits\[1\]\.for: expected one commit gesture a kind of control of its own/,
  ],
  [
    "a commit by a key that is not there",
    tandrel,
    (b) => (b.commits[0]!.by = { hold: { key: "OK", seconds: 3 } }),
    /commits\[0\]\.by\.hold\.key: expected key of this board .*found "OK"/,
  ],
  [
    "a behaviour with no control",
    tandrel,
    (b) => (b.behaviours = ["opening-speed"]),
    /behaviours\[0\]: expected a behaviour with a control, found "opening-speed"\. Tie it to the switch, dial or menu entry that sets it/,
  ],
  [
    "a behaviour both fixed and set",
    slathorn,
    (b) => (b.fixed["pre-warning"] = 2),
    /fixed\.pre-warning: expected a behaviour that no control sets/,
  ],
];

describe("terminals, inputs, rails and controls that contradict themselves are refused", () => {
  refusesEach(cases);

  test("every contradiction is told at once", () => {
    const board = shippedBoard(tandrel);
    board.inputs[0]!.common = "earth";
    board.links[1]!.between = ["P1", "P9"];
    expect(refusal(() => parseBoard(board, "x")).split("\n").length).toBeGreaterThanOrEqual(2);
  });
});
