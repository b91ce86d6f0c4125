import { planJob } from "../../plan/index.ts";
import { bundleOn, planOn } from "../../testing/shipped.ts";

/** Why each contact and supply of a device sits where it does. */
const whyOf = (board: string, devices: string[], id: string) =>
  planOn(board, devices)
    .wiring.placements.filter(({ demand }) => demand.device.id === id)
    .map(({ why }) => why);

describe("why something sits where it does", () => {
  test("an input made for it, its own; a rail with its volts, when it lives, and what it carries", () => {
    expect(whyOf("furzel-slathorn", ["oddlume-glance"], "photocell-1")).toEqual([
      "Device supply: 24 V DC, always on, 74 of 540 mA with it.",
      "Device supply: 24 V DC, always on, 74 of 540 mA with it.",
      "Low beam (P3): made for a photocell contact, its own.",
    ]);
  });

  test("a second one takes an input made for something else before it shares one", () => {
    const [, , contact] = whyOf("furzel-slathorn", ["oddlume-glance", "oddlume-glance"], "photocell-2");
    expect(contact).toBe(
      "High beam (P4): made for a high beam contact, and takes a photocell contact too; Low beam is taken or does not fit, its own.",
    );
  });

  test("a chain says with whom, how, and that no input is left for each", () => {
    const why = whyOf("quillmarsh-tandrel", ["lumbrick-halt", "lumbrick-halt"], "stop-button-2");
    expect(why).toEqual([
      "Stop (P2): made for a stop contact, shared with Halt stop button in series, as no input is left for each.",
    ]);
    const keys = whyOf(
      "marlstreet-pewlark",
      ["tallow-turnkey", "tallow-turnkey", "tallow-turnkey"],
      "key-switch-3",
    );
    expect(keys[0]).toContain("in parallel");
  });

  test("a tested photocell says that the board can test it there", () => {
    const why = whyOf("osierbeck-quernish", ["oddlume-vigil"], "photocell-1");
    expect(why[0]).toBe("Tested 24 V: 24 V DC, always on.");
    expect(why.at(-1)).toBe(
      "Photocell closing (X3): made for a photocell contact, its own; the board can test it there.",
    );
  });

  test("so does a sensor with a line of its own for it; one that cannot be tested, or not there, says nothing", () => {
    const last = (...given: Parameters<typeof whyOf>) => whyOf(...given).at(-1);
    expect(last("lammerlow-thrussel", ["lammerlow-sill"], "sensor-1")).toContain("can test it there");
    // What the one before it is fed from says nothing about this one.
    const pair = ["oddlume-glance", "oddlume-vigil"];
    for (const order of [pair, [...pair].reverse()]) {
      const vigil = `photocell-${order.indexOf("oddlume-vigil") + 1}`;
      const { wiring } = planOn("osierbeck-quernish", order);
      const placed = wiring.placements.filter(({ demand }) => demand.device.id === vigil);
      const fed = placed.some(({ place }) => place?.kind === "rail" && place.rail.id === "tested");
      expect([vigil, placed.at(-1)!.why.includes("can test it there")]).toEqual([vigil, fed]);
      expect(fed).toBe(true);
    }
    expect(last("lammerlow-thrussel", ["oddlume-moth"], "photocell-1")).not.toContain("can test it");
    expect(last("osierbeck-quernish", ["oddlume-moth"], "photocell-1")).not.toContain("can test it");
    expect(last("quillmarsh-tandrel", ["oddlume-vigil"], "photocell-1")).not.toContain("can test it");
  });

  test("a lock behind its converter, a battery at its terminals, a wake pair on its output, a bell by way of a relay", () => {
    expect(whyOf("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"], "lock-1")).toEqual([
      "Turn converter, AC to regulated DC makes 24 V DC for it, which no terminal of the board gives.",
    ]);
    expect(whyOf("osierbeck-quernish", ["quillmarsh-reserve"], "battery-1")).toEqual([
      "The battery goes to H1 and H2.",
    ]);
    expect(whyOf("tessock-umbrick", ["tessock-gate-board"], "gate-board-1").at(-1)).toBe(
      "Wake command: wakes the gate board and gives it the command.",
    );
    expect(whyOf("hexby-hoistrum", ["tallow-clangle"], "bell-1")[0]).toMatch(
      /^Relay A switches it, fed from 24 V DC: no terminal of the board feeds it by itself\.$/,
    );
  });

  test("a rail says in words when it lives", () => {
    for (const [live, words] of [
      ["always", "always on"],
      ["not-closed", "on while not closed"],
      ["awake", "on while awake"],
    ] as const) {
      const given = bundleOn("furzel-slathorn", ["oddlume-glance"]);
      given.board.rails.find(({ id }) => id === "devices")!.live = live;
      expect(planJob(given).wiring.placements[0]!.why).toContain(`24 V DC, ${words},`);
    }
  });

  test("a rail that sleeps under what must live says that none better was left", () => {
    expect(whyOf("marlstreet-pewlark", ["tallow-digits"], "keypad-1")[0]).toContain(
      "no rail that lives as it must was left",
    );
  });
});

test("commands side by side on one open input are no chain, on two boards", () => {
  for (const board of ["quillmarsh-tandrel", "osierbeck-quernish"]) {
    const { wiring } = planOn(board, Array<string>(6).fill("tallow-turnkey"));
    const inputs = wiring.placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input] : []));
    expect(inputs.every(({ contact }) => contact === "open")).toBe(true);
    expect(new Set(inputs).size).toBeLessThan(inputs.length);
    expect(wiring.findings.map(({ code }) => code)).not.toContain("contacts-chained");
  }
});

describe("what would make room", () => {
  const remedies = (board: string, devices: string[], cards?: string[]) =>
    planOn(board, devices, {}, "", undefined, cards)
      .findings.filter((each) => each.code === "device-unplaced" || each.code === "contacts-chained")
      .map((each) => each.values.remedy ?? each.values.room);

  test("a card that is not fitted, with its slot", () => {
    const [first] = remedies("hexby-hoistrum", ["marram-interrupt-loop"], []);
    expect(first).toMatch(/^Room would come with the card .+ in SLOT \d\.$/);
    expect(remedies("hexby-hoistrum", ["marram-interrupt-loop"], ["loop"])).toEqual([]);
  });

  test("a card that fits one slot of two is offered for that one", () => {
    const given = bundleOn("hexby-hoistrum", ["marram-interrupt-loop"], {}, "", undefined, []);
    given.board.slots[1]!.takes = ["radio"];
    const [told] = planJob(given).findings.filter(({ code }) => code === "device-unplaced");
    expect(told?.values.remedy).toMatch(/^Room would come with the card .+ in SLOT 1\.$/);
  });

  test("nothing, where no card of the board would help", () => {
    expect(remedies("copperfold-casspel", ["tallow-turnkey", "marram-shadow-loop"])).toContain(
      "Choose a board with such a terminal, a card that adds one, or another device.",
    );
  });

  test("an input that cannot be shared says who has it", () => {
    const { findings } = planOn("hexby-hoistrum", ["oddlume-glimmet", "oddlume-glimmet", "oddlume-glimmet"]);
    const unplaced = findings.find((each) => each.code === "device-unplaced");
    expect(unplaced?.values.reason).toMatch(
      /^.+ \(S[34]\) is taken by Glimmet .+, and what it looks for cannot be shared\.$/,
    );
  });
});
