import { boardIds, shippedBoard } from "../testing/shipped.ts";
import { memoriesIn, menuValues, type BoardProfile, type Procedure } from "./index.ts";

const boards = boardIds().map(shippedBoard);

type Has = (board: BoardProfile) => boolean;

const learns =
  (manner: Procedure["manner"]): Has =>
  (board) =>
    board.procedures.some((each) => each.kind === "learn" && each.manner === manner);
const pairs =
  (manner: Procedure["manner"]): Has =>
  (board) =>
    [...board.procedures, ...board.cards.flatMap((card) => card.adds.procedures)].some(
      (each) => each.kind === "pair" && each.manner === manner,
    );
const sets =
  (...ids: string[]): Has =>
  (board) => {
    const all = [
      ...board.dials.flatMap((dial) => dial.zones),
      ...board.settings.flatMap((setting) => setting.rows),
      ...menuValues(board).flatMap(({ item }) => [
        ...(item.choices ?? []),
        ...(item.number ? [item.number] : []),
      ]),
    ];
    return ids.every((id) => all.some((part) => Object.hasOwn(part.sets, id)));
  };
const card =
  (kind: string): Has =>
  (board) =>
    board.cards.some((each) => each.kind === kind);
const takes =
  (...duties: string[]): Has =>
  (board) => {
    const inputs = [...board.inputs, ...board.cards.flatMap((each) => each.adds.inputs)];
    return duties.every((duty) => inputs.some((input) => input.takes[0] === duty));
  };
const memory =
  (holds: string): Has =>
  (board) =>
    board.memories.some((each) => each.holds === holds);
const characters =
  (count: number, lines: number): Has =>
  ({ display }) =>
    display?.characters === count && display.lines === lines;
const keyLabels =
  (...labels: string[]): Has =>
  (board) =>
    labels.every((label) => board.keys.some((key) => key.label === label));
const oneLeafOnOutput2: Has = (board) =>
  board.rails.some((rail) => rail.id.endsWith("2") && rail.feeds.includes("drive-only"));
const inverted: Has = (board) =>
  board.lamps.some((lamp) =>
    lamp.shows.some(
      (row) =>
        (row.is === "dark" &&
          board.inputs.find((each) => each.id === row.when.closed)?.takes[0]?.startsWith("limit")) ||
        (row.is === "lit" &&
          board.inputs.find((each) => each.id === row.when.closed)?.takes[0]?.startsWith("limit")),
    ),
  );
const sharedLimit: Has = (board) =>
  board.budgets.some((budget) => {
    const kinds = board.rails.filter((rail) => rail.budget === budget.id).map((rail) => rail.kind);
    return kinds.includes("dc") && kinds.includes("ac");
  });
const lookAlikes: Has = (board) =>
  (board.panel?.menus ?? []).some((menu) =>
    menu.items.some((a) =>
      menu.items.some(
        (b) =>
          a !== b &&
          a.shows.length === b.shows.length &&
          [...a.shows].filter((character, at) => character !== b.shows[at]).length === 1,
      ),
    ),
  );

/** Traits that stand on two boards or more of different purpose. */
const widespread: [string, Has][] = [
  ["dials read as clock time", (b) => b.dials.length > 0],
  [
    "a dial of two functions with a threshold",
    (b) => b.dials.some((d) => new Set(d.zones.flatMap((z) => Object.keys(z.sets))).size > 1),
  ],
  ["DIP banks", (b) => b.dips.length > 0],
  ["jumpers, some parked", (b) => b.jumpers.some((each) => each.pins === 2)],
  [
    "several links on one terminal",
    (b) => b.links.some((a) => b.links.some((c) => a !== c && a.between[0] === c.between[0])),
  ],
  [
    "commit gestures, one for dials and one for switches",
    (b) => ["dials", "switches"].every((kind) => b.commits.some((c) => c.for === kind)),
  ],
  ["a list that must be saved", (b) => b.panel?.stores === "on save"],
  ["a display of two characters", characters(2, 1)],
  [
    "outside the menu the keys move the leaf",
    (b) => b.keys.some((key) => key.kind !== "wall" && key.outside !== undefined),
  ],
  [
    "a short and a longer menu by different holds",
    (b) =>
      new Set(b.panel?.opens.flatMap((e) => ("hold" in e.by[0]! ? [e.by[0].hold.seconds] : [])) ?? []).size >
        1 || (b.panel?.opens.length ?? 0) > 2,
  ],
  ["branches with look-alike neighbours", lookAlikes],
  ["inverted limit lamps", inverted],
  [
    "lamps lit red on a new board",
    (b) =>
      b.lamps.some(
        (l) => l.colour === "red" && l.shows.some((row) => row.when.unlearned && row.is === "lit"),
      ),
  ],
  ["an encoder", (b) => b.limits.includes("encoder")],
  ["learn (a): seeks the stops", learns("seeks-stops")],
  ["learn (b): wizard from half-way", learns("wizard-half-way")],
  ["learn (c): sensors on the drive", learns("sensor-limits")],
  ["learn (d): positions set by hand", learns("set-positions")],
  ["learn (e): ends of an encoder", learns("encoder-ends")],
  ["learn (f): pedestrian set-up", learns("pedestrian-set-up")],
  ["learn (g): calibration after a wizard", learns("wizard-calibration")],
  ["learn (h): the first command", learns("first-command")],
  ["the only leaf on output 2", oneLeafOnOutput2],
  ["two leaves taken for granted", (b) => b.delivered?.leaves === 2],
  ["normally closed, bridged when unused", (b) => b.inputs.some((i) => i.link)],
  ["inputs switched off by a menu", (b) => b.inputs.some((i) => i.off)],
  ["a resistive edge", (b) => b.inputs.some((i) => i.ohms === 8200)],
  ["a tested photocell", (b) => b.inputs.some((i) => i.test)],
  ["an AC lock terminal", (b) => b.rails.some((r) => r.kind === "ac" && r.feeds.includes("lock"))],
  ["one budget for DC and AC", sharedLimit],
  [
    "a switched rail",
    (b) => b.rails.some((r) => r.live !== "always" && !r.feeds.some((f) => f.startsWith("drive"))),
  ],
  ["a radio card", card("radio")],
  ["capacities of memory", (b) => b.memories.some((m) => m.capacity !== undefined)],
  ["a fault history", memory("faults")],
  ["a learned speed cleared by both limits", (b) => b.procedures.some((p) => p.manner === "by-limits")],
  ["a battery with a low-battery choice", (b) => b.battery !== undefined && sets("battery-low-action")(b)],
  ["a mains-failure choice", sets("mains-failure-action")],
  ["pairing by menu with a function", pairs("by-menu")],
  ["pairing by a key and a recessed button with a window", pairs("key-and-recessed-button")],
];

/** Traits that stand on one board at least. */
const present: [string, Has][] = [
  ["a dial live only while its switch is on", (b) => b.dials.some((d) => d.live)],
  [
    "off and at once at different places of a timer",
    (b) =>
      b.dials.some(
        (d) =>
          d.zones.some((z) => z.reads === "at once") &&
          d.zones.some((z) => z.sets["automatic-closing"] === false),
      ),
  ],
  ["a stepped dial", (b) => b.dials.some((d) => d.zones.length >= 4)],
  ["slide switches with named positions", (b) => b.slides.some((s) => s.positions.length > 2)],
  [
    "one switch that means different things on a gate and on a door",
    (b) => b.settings.some((s) => s.use === "gate") && b.settings.some((s) => s.use === "door"),
  ],
  ["a selector for the voltage or the phases", (b) => b.supply.selector !== undefined],
  [
    "a default flag that flips by itself",
    (b) => b.panel?.menus.some((m) => m.items.some((i) => i.flips)) ?? false,
  ],
  ["four characters", characters(4, 1)],
  ["one line of text", (b) => b.display?.kind === "text" && b.display.lines === 1],
  ["several lines", (b) => (b.display?.lines ?? 1) > 1],
  ["no display", (b) => !b.display],
  [
    "three keys in a column",
    (b) =>
      b.keys.length === 3 && new Set(b.keys.map((k) => k.at?.x)).size === 1 && b.keys[0]?.at !== undefined,
  ],
  ["turn and press", (b) => b.keys.some((k) => k.kind === "turn-and-press")],
  ["arrows", keyLabels("↑", "↓", "←", "→")],
  ["plus, minus and a function key", keyLabels("+", "−", "ƒ")],
  [
    "wall keys only",
    (b) => b.keys.filter((k) => k.kind !== "recessed").every((k) => k.kind === "wall") && b.keys.length > 1,
  ],
  ["a first-time wizard", (b) => b.panel?.menus.some((m) => m.kind === "wizard") ?? false],
  ["a way in by firmware", (b) => b.panel?.opens.some((e) => e.firmware) ?? false],
  ["functions chosen by number", (b) => b.panel?.menus.some((m) => m.kind === "by-number") ?? false],
  ["a time-out", (b) => b.panel?.timeoutSeconds !== undefined],
  ["values stored only after a pause", (b) => b.panel?.stores === "after a pause"],
  ["values that run fast", (b) => b.panel?.fast !== undefined],
  ["a lamp of two colours", (b) => b.lamps.some((l) => l.other)],
  ["flash counts", (b) => b.lamps.some((l) => l.shows.some((row) => row.flashes))],
  [
    "a display that names the reaction in force",
    (b) => b.display?.shows.some((row) => row.when.open) ?? false,
  ],
  ["limit switches to the board", (b) => b.limits.includes("switches")],
  ["limits in series with the motor", (b) => b.limits.includes("series")],
  ["both limits on one core", (b) => b.limits.includes("one-core")],
  ["magnets", (b) => b.limits.includes("magnets")],
  ["stops only", (b) => b.limits.length === 1 && b.limits[0] === "stops"],
  ["delays both ways", sets("leaf-delay-opening", "leaf-delay-closing")],
  ["leaves that meet", sets("leaves-meet")],
  ["a second drive by radio", (b) => b.cards.some((c) => c.adds.memories.some((m) => m.id === "twin"))],
  ["low and high beam", (b) => takes("high-beam")(b) && takes("photocell")(b)],
  ["an optical edge", (b) => b.inputs.some((i) => i.senses === "pulse")],
  ["a device woken while it is needed", (b) => b.inputs.some((i) => i.wake)],
  ["exit, interrupt and shadow loops", takes("exit-loop", "interrupt-loop", "shadow-loop")],
  ["a choice on a loop fault", sets("loop-fault-action")],
  ["a programme selector", takes("selector")],
  [
    "inner and outer activation, threshold, opening side",
    takes("activation-inside", "activation-outside", "threshold-sensor", "side-sensor"),
  ],
  [
    "a stop ignored while opening",
    (b) => sets("stop-ignored-opening")(b) && b.inputs.some((i) => i.ignored.includes("opening")),
  ],
  ["relays with a chosen task", (b) => b.outputs.some((o) => o.kind === "relay" && o.setBy)],
  ["a traffic light", (b) => b.rails.some((r) => r.feeds.includes("traffic"))],
  ["a brake", (b) => b.rails.some((r) => r.feeds.includes("brake"))],
  [
    "a cycle count in coarse steps",
    (b) => b.memories.some((m) => m.holds === "cycles" && (m.countsIn ?? 1) >= 1000),
  ],
  ["a rail asleep between cycles", (b) => b.rails.some((r) => r.live === "awake")],
  ["a loop detector card", card("loop-detector")],
  [
    "an expansion with protection inputs by direction",
    (b) =>
      b.cards.some(
        (c) =>
          c.kind === "expansion" &&
          ["opening", "closing"].every((way) =>
            c.adds.inputs.some((i) => i.guards.length === 1 && i.guards[0] === way),
          ),
      ),
  ],
  ["a wireless edge", card("wireless-edge")],
  ["a full reset by switches", (b) => b.procedures.some((p) => p.manner === "by-switches")],
  [
    "a soft reset that keeps everything",
    (b) => b.procedures.some((p) => p.kind === "reset" && p.clears.length === 0),
  ],
  [
    "erasing one remote or all",
    (b) =>
      b.procedures.filter((p) => p.kind === "reset" && p.clears.length === 1 && p.clears[0] === "remotes")
        .length > 1,
  ],
  ["defaults restored", (b) => b.procedures.some((p) => p.steps.some((s) => s.effects.restores))],
  ["12 or 24 V recognised", (b) => b.supply.recognised && b.supply.volts.includes(12)],
  ["solar in place of the transformer", (b) => b.supply.kind === "solar"],
  ["a jumper that isolates charging", (b) => b.solar?.isolatedBy !== undefined],
  ["a learn key with a second meaning for a gateway", (b) => b.memories.some((m) => m.id === "gateway")],
  ["pairing by beeps", pairs("beeps")],
  [
    "two plugs of one shape",
    (b) => b.blocks.some((x) => x.plug && b.blocks.some((y) => x !== y && x.plug === y.plug)),
  ],
  ["a self-test of photocells", (b) => b.procedures.some((p) => p.kind === "self-test")],
  ["what happens on mains failure", (b) => b.procedures.some((p) => p.kind === "mains-failure")],
  ["what happens on a low battery", (b) => b.procedures.some((p) => p.kind === "battery-low")],
];

test.each(widespread)("%s: on two boards of different purpose", (_trait, has) => {
  const purposes = boards.filter(has).map((board) => board.purpose);
  expect(new Set(purposes).size).toBeGreaterThanOrEqual(2);
});

test.each(present)("%s: on some board, and not on all", (_trait, has) => {
  const having = boards.filter(has);
  expect(having.length).toBeGreaterThanOrEqual(1);
  expect(having.length).toBeLessThan(boards.length);
});

test("boards for every purpose, and several for what is installed most", () => {
  const count = (purpose: BoardProfile["purpose"]) =>
    boards.filter((board) => board.purpose === purpose).length;
  for (const purpose of ["swing-gate", "sliding-gate", "pedestrian-door"] as const)
    expect(count(purpose)).toBeGreaterThanOrEqual(2);
  for (const purpose of ["industrial-door", "rolling-grille", "rooflight", "window", "radio"] as const)
    expect(count(purpose)).toBeGreaterThanOrEqual(1);
});

test("every procedure says where it is known from, and every reset what it clears", () => {
  for (const board of boards)
    for (const procedure of board.procedures) {
      expect(procedure.source.from).toBeTruthy();
      const forgotten = procedure.steps.flatMap((step) => memoriesIn(step.effects.forget));
      if (procedure.kind === "reset")
        expect([...new Set(forgotten)].sort()).toEqual([...procedure.clears].sort());
    }
});
