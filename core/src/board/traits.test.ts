import { boardIds, shippedBoard } from "../testing/shipped.ts";
import { menuValues, type BoardProfile, type Procedure } from "./index.ts";

const boards = boardIds().map(shippedBoard);

type Has = (board: BoardProfile) => boolean;

/** A trait, what has it, and the boards that do: those and no others. */
type Trait = [name: string, has: Has, boards: string];

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
/** Of a switch that opens on its limit, a lamp that is lit while it is closed; of a sensor that closes, one that goes dark. */
const inverted: Has = (board) =>
  board.lamps.some((lamp) =>
    lamp.shows.some(({ when, is }) => {
      const input = board.inputs.find(({ id }) => id === when.closed);
      if (!input?.takes[0]?.startsWith("limit")) return false;
      return is === (input.contact === "closed" ? "lit" : "dark");
    }),
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

/** Traits that stand on boards of different purpose. */
const widespread: Trait[] = [
  ["dials read as clock time", (b) => b.dials.length > 0, "drawmel pewlark skarlune tandrel wendrel"],
  [
    "a dial of two functions with a threshold",
    (b) => b.dials.some((d) => new Set(d.zones.map((z) => Object.keys(z.sets).sort().join())).size > 1),
    "drawmel tandrel",
  ],
  ["DIP banks", (b) => b.dips.length > 0, "pewlark skarlune tandrel"],
  [
    "jumpers, some parked",
    (b) => b.jumpers.some((each) => each.pins === 2),
    "drawmel pewlark tandrel tinkell umbrick",
  ],
  [
    "several links on one terminal",
    (b) => b.links.some((a) => b.links.some((c) => a !== c && a.between[0] === c.between[0])),
    "drawmel grellock pewlark quernish skarlune tandrel thrussel tinkell wendrel",
  ],
  [
    "commit gestures, one for dials and one for switches",
    (b) => ["dials", "switches"].every((kind) => b.commits.some((c) => c.for === kind)),
    "drawmel tandrel",
  ],
  ["a list that must be saved", (b) => b.panel?.stores === "on save", "slathorn tinkell"],
  ["a display of two characters", characters(2, 1), "grellock slathorn"],
  [
    "outside the menu the keys move the leaf",
    (b) => b.keys.some((key) => key.kind !== "wall" && key.outside !== undefined),
    "drawmel grellock pewlark quernish skarlune slathorn tandrel tinkell wendrel",
  ],
  [
    "a short and a longer menu, each with its own way in",
    (b) =>
      new Set(b.panel?.opens.filter(({ when }) => !when.learned && !when.unlearned).map(({ to }) => to))
        .size > 1,
    "grellock hoistrum",
  ],
  ["branches with look-alike neighbours", lookAlikes, "grellock hoistrum quernish slathorn thrussel"],
  ["inverted limit lamps", inverted, "drawmel pewlark"],
  [
    "lamps lit red on a new board",
    (b) =>
      b.lamps.some(
        (l) => l.colour === "red" && l.shows.some((row) => row.when.unlearned && row.is === "lit"),
      ),
    "drawmel skarlune tandrel thrussel",
  ],
  ["an encoder", (b) => b.limits.includes("encoder"), "drawmel grellock hoistrum thrussel tinkell wendrel"],
  ["learn (a): seeks the stops", learns("seeks-stops"), "casspel drawmel tandrel thrussel"],
  ["learn (b): wizard from half-way", learns("wizard-half-way"), "quernish slathorn"],
  ["learn (c): sensors on the drive", learns("sensor-limits"), "grellock skarlune slathorn"],
  ["learn (d): positions set by hand", learns("set-positions"), "casspel drawmel"],
  ["learn (e): ends of an encoder", learns("encoder-ends"), "grellock hoistrum"],
  ["learn (f): pedestrian set-up", learns("pedestrian-set-up"), "skarlune tinkell"],
  ["learn (g): calibration after a wizard", learns("wizard-calibration"), "skarlune tinkell"],
  ["learn (h): the first command", learns("first-command"), "hoistrum pewlark wendrel"],
  ["the only leaf on output 2", oneLeafOnOutput2, "pewlark skarlune"],
  ["two leaves taken for granted", (b) => b.delivered?.leaves === 2, "pewlark quernish skarlune"],
  [
    "normally closed, bridged when unused",
    (b) => b.inputs.some((i) => i.link),
    "casspel drawmel grellock hoistrum pewlark quernish skarlune tandrel thrussel tinkell wendrel",
  ],
  [
    "inputs switched off by a menu",
    (b) => b.inputs.some((i) => i.off),
    "grellock hoistrum slathorn thrussel tinkell",
  ],
  ["a resistive edge", (b) => b.inputs.some((i) => i.ohms === 8200), "grellock hoistrum slathorn"],
  ["a tested photocell", (b) => b.inputs.some((i) => i.test), "hoistrum quernish slathorn thrussel"],
  [
    "an AC lock terminal",
    (b) => b.rails.some((r) => r.kind === "ac" && r.feeds.includes("lock")),
    "drawmel grellock slathorn tandrel tinkell",
  ],
  ["one budget for DC and AC", sharedLimit, "drawmel grellock"],
  [
    "a switched rail",
    (b) => b.rails.some((r) => r.live !== "always" && !r.feeds.some((f) => f.startsWith("drive"))),
    "drawmel grellock hoistrum pewlark quernish slathorn tandrel thrussel tinkell umbrick",
  ],
  ["a radio card", card("radio"), "drawmel grellock hoistrum"],
  [
    "capacities of memory",
    (b) => b.memories.some((m) => m.capacity !== undefined),
    "casspel grellock hoistrum pewlark quernish skarlune slathorn tandrel thrussel umbrick",
  ],
  ["a fault history", memory("faults"), "grellock hoistrum quernish thrussel"],
  [
    "a learned speed cleared by both limits",
    (b) => b.procedures.some((p) => p.manner === "by-limits"),
    "drawmel quernish",
  ],
  [
    "a battery with a low-battery choice",
    (b) => b.battery !== undefined && sets("battery-low-action")(b),
    "pewlark skarlune thrussel",
  ],
  ["a mains-failure choice", sets("mains-failure-action"), "grellock pewlark quernish thrussel wendrel"],
  ["pairing by menu with a function", pairs("by-menu"), "grellock hoistrum quernish slathorn"],
  [
    "pairing by a key and a recessed button with a window",
    pairs("key-and-recessed-button"),
    "casspel pewlark",
  ],
];

/** Traits that stand on one board or more. */
const present: Trait[] = [
  ["a dial live only while its switch is on", (b) => b.dials.some((d) => d.live), "pewlark skarlune wendrel"],
  [
    "off and at once at different places of a timer",
    (b) =>
      b.dials.some(
        (d) =>
          d.zones.some((z) => z.reads === "at once") &&
          d.zones.some((z) => z.sets["automatic-closing"] === false),
      ),
    "drawmel",
  ],
  ["a stepped dial", (b) => b.dials.some((d) => d.zones.length >= 4), "drawmel"],
  [
    "slide switches with named positions",
    (b) => b.slides.some((s) => s.positions.length > 2),
    "drawmel pewlark umbrick wendrel",
  ],
  [
    "one switch that means different things on a gate and on a door",
    (b) => b.settings.some((s) => s.use === "gate") && b.settings.some((s) => s.use === "door"),
    "drawmel",
  ],
  ["a selector for the voltage or the phases", (b) => b.supply.selector !== undefined, "hoistrum quernish"],
  [
    "a default flag that flips by itself",
    (b) => b.panel?.menus.some((m) => m.items.some((i) => i.flips)) ?? false,
    "slathorn",
  ],
  ["four characters", characters(4, 1), "quernish"],
  ["one line of text", (b) => b.display?.kind === "text" && b.display.lines === 1, "tinkell"],
  ["several lines", (b) => (b.display?.lines ?? 1) > 1, "hoistrum thrussel"],
  ["no display", (b) => !b.display, "casspel drawmel pewlark skarlune tandrel umbrick wendrel"],
  [
    "three keys in a column",
    (b) =>
      b.keys.length === 3 && new Set(b.keys.map((k) => k.at?.x)).size === 1 && b.keys[0]?.at !== undefined,
    "slathorn",
  ],
  ["turn and press", (b) => b.keys.some((k) => k.kind === "turn-and-press"), "hoistrum tinkell"],
  ["arrows", keyLabels("↑", "↓", "←", "→"), "thrussel"],
  ["plus, minus and a function key", keyLabels("+", "−", "ƒ"), "slathorn"],
  [
    "wall keys only",
    (b) => b.keys.filter((k) => k.kind !== "recessed").every((k) => k.kind === "wall") && b.keys.length > 1,
    "casspel",
  ],
  [
    "a first-time wizard",
    (b) => b.panel?.menus.some((m) => m.kind === "wizard") ?? false,
    "quernish slathorn tinkell",
  ],
  ["a way in by firmware", (b) => b.panel?.opens.some((e) => e.firmware) ?? false, "hoistrum"],
  [
    "functions chosen by number",
    (b) => b.panel?.menus.some((m) => m.kind === "by-number") ?? false,
    "grellock",
  ],
  [
    "a time-out",
    (b) => b.panel?.timeoutSeconds !== undefined,
    "grellock hoistrum quernish slathorn thrussel tinkell",
  ],
  ["values stored only after a pause", (b) => b.panel?.stores === "after a pause", "grellock"],
  ["values that run fast", (b) => b.panel?.fast !== undefined, "grellock hoistrum quernish"],
  ["a lamp of two colours", (b) => b.lamps.some((l) => l.other), "casspel pewlark skarlune umbrick wendrel"],
  ["flash counts", (b) => b.lamps.some((l) => l.shows.some((row) => row.flashes)), "casspel pewlark"],
  [
    "a display that names the reaction in force",
    (b) => b.display?.shows.some((row) => row.when.open) ?? false,
    "grellock hoistrum quernish slathorn thrussel tinkell",
  ],
  ["limit switches to the board", (b) => b.limits.includes("switches"), "drawmel pewlark quernish slathorn"],
  ["limits in series with the motor", (b) => b.limits.includes("series"), "grellock quernish"],
  ["both limits on one core", (b) => b.limits.includes("one-core"), "grellock quernish"],
  ["magnets", (b) => b.limits.includes("magnets"), "grellock skarlune slathorn"],
  ["stops only", (b) => b.limits.length === 1 && b.limits[0] === "stops", "casspel tandrel"],
  ["delays both ways", sets("leaf-delay-opening", "leaf-delay-closing"), "quernish"],
  ["leaves that meet", sets("leaves-meet"), "quernish tandrel"],
  [
    "a second drive by radio",
    (b) => b.cards.some((c) => c.adds.memories.some((m) => m.id === "twin")),
    "drawmel",
  ],
  ["low and high beam", (b) => takes("high-beam")(b) && takes("photocell")(b), "slathorn"],
  ["an optical edge", (b) => b.inputs.some((i) => i.senses === "pulse"), "hoistrum"],
  ["a device woken while it is needed", (b) => b.inputs.some((i) => i.wake), "pewlark"],
  ["exit, interrupt and shadow loops", takes("exit-loop", "interrupt-loop", "shadow-loop"), "grellock"],
  ["a choice on a loop fault", sets("loop-fault-action"), "hoistrum"],
  ["a programme selector", takes("selector"), "thrussel tinkell wendrel"],
  [
    "inner and outer activation, threshold, opening side",
    takes("activation-inside", "activation-outside", "threshold-sensor", "side-sensor"),
    "thrussel tinkell wendrel",
  ],
  [
    "a stop ignored while opening",
    (b) => sets("stop-ignored-opening")(b) && b.inputs.some((i) => i.ignored.includes("opening")),
    "thrussel",
  ],
  [
    "relays with a chosen task",
    (b) => b.outputs.some((o) => o.kind === "relay" && o.setBy),
    "drawmel grellock hoistrum quernish",
  ],
  ["a traffic light", (b) => b.rails.some((r) => r.feeds.includes("traffic")), "grellock hoistrum"],
  ["a brake", (b) => b.rails.some((r) => r.feeds.includes("brake")), "grellock hoistrum"],
  [
    "a cycle count in coarse steps",
    (b) => b.memories.some((m) => m.holds === "cycles" && (m.countsIn ?? 1) >= 1000),
    "slathorn",
  ],
  ["a rail asleep between cycles", (b) => b.rails.some((r) => r.live === "awake"), "pewlark umbrick"],
  ["a loop detector card", card("loop-detector"), "grellock hoistrum"],
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
    "quernish",
  ],
  ["a wireless edge", card("wireless-edge"), "grellock quernish"],
  ["a full reset by switches", (b) => b.procedures.some((p) => p.manner === "by-switches"), "pewlark"],
  [
    "a soft reset that keeps everything",
    (b) => b.procedures.some((p) => p.kind === "reset" && p.clears.length === 0),
    "slathorn",
  ],
  [
    "erasing one remote or all",
    (b) =>
      b.procedures.filter((p) => p.kind === "reset" && p.clears.length === 1 && p.clears[0] === "remotes")
        .length > 1,
    "grellock",
  ],
  [
    "defaults restored",
    (b) => b.procedures.some((p) => p.steps.some((s) => s.claims.restores)),
    "hoistrum slathorn thrussel",
  ],
  ["12 or 24 V recognised", (b) => b.supply.recognised && b.supply.volts.includes(12), "pewlark umbrick"],
  ["solar in place of the transformer", (b) => b.supply.kind === "solar", "umbrick"],
  ["a jumper that isolates charging", (b) => b.solar?.isolatedBy !== undefined, "umbrick"],
  [
    "a learn key with a second meaning for a gateway",
    (b) => b.memories.some((m) => m.id === "gateway"),
    "skarlune",
  ],
  ["pairing by beeps", pairs("beeps"), "grellock quernish"],
  [
    "two plugs of one shape",
    (b) => b.blocks.some((x) => x.plug && b.blocks.some((y) => x !== y && x.plug === y.plug)),
    "pewlark quernish thrussel tinkell",
  ],
  [
    "a self-test of photocells",
    (b) => b.procedures.some((p) => p.kind === "self-test"),
    "hoistrum quernish slathorn thrussel",
  ],
  [
    "what happens on mains failure",
    (b) => b.procedures.some((p) => p.kind === "mains-failure"),
    "drawmel grellock pewlark quernish skarlune thrussel tinkell wendrel",
  ],
  [
    "what happens on a low battery",
    (b) => b.procedures.some((p) => p.kind === "battery-low"),
    "drawmel pewlark quernish skarlune thrussel tinkell umbrick wendrel",
  ],
  [
    "values set in an app alone",
    (b) => b.panel?.menus.some(({ kind }) => kind === "app") ?? false,
    "wendrel",
  ],
  ["screens after power comes", (b) => b.boots.length > 0, "hoistrum quernish slathorn"],
  ["storing takes a while", (b) => b.panel?.storing !== undefined, "tinkell"],
  [
    "a menu that is shorter while new",
    (b) => b.panel?.menus.some(({ id }) => id === "new-door") ?? false,
    "thrussel",
  ],
  [
    "a travel learned in a second way, as the job chooses",
    (b) => b.procedures.some(({ kind, instead }) => kind === "learn" && instead !== undefined),
    "casspel drawmel grellock skarlune slathorn tinkell",
  ],
];

const nameOf = ({ id }: BoardProfile) => id.split("-").at(-1)!;

test.each([...widespread, ...present])("%s: on these boards and no others", (_trait, has, names) => {
  expect(boards.filter(has).map(nameOf).sort()).toEqual(names.split(" "));
});

test.each(widespread)("%s: on boards of different purpose", (_trait, has) => {
  expect(new Set(boards.filter(has).map(({ purpose }) => purpose)).size).toBeGreaterThan(1);
});

test("boards for every purpose, and several for what is installed most", () => {
  const count = (purpose: BoardProfile["purpose"]) =>
    boards.filter((board) => board.purpose === purpose).length;
  for (const purpose of ["swing-gate", "sliding-gate", "pedestrian-door"] as const)
    expect(count(purpose)).toBeGreaterThanOrEqual(2);
  for (const purpose of ["industrial-door", "rolling-grille", "rooflight", "window", "radio"] as const)
    expect(count(purpose)).toBeGreaterThanOrEqual(1);
});
