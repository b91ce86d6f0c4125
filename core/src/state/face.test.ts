import { demoBundle } from "../testing/shipped.ts";
import { foundPositions, planControls } from "../controls/index.ts";
import { planWiring } from "../wiring/index.ts";
import { faceAt } from "../twin/index.ts";
import { lampReason, readingsOf } from "./face.ts";
import { wishesOf } from "../plan/wishes/index.ts";
import { conditionHolds } from "../board/index.ts";
import { applyEffect, stateAsFound, type BenchState, type Planned } from "./index.ts";
import { contact } from "../testing/keys.ts";
import { circumstancesOf } from "./index.ts";

const bundle = demoBundle("slip");
const wiring = planWiring(bundle);
const planned: Planned = {
  bundle,
  wiring,
  controls: planControls(
    bundle.board,
    wishesOf(bundle, wiring),
    foundPositions(bundle.board, bundle.job.found),
  ),
};
const asFound = stateAsFound(bundle);
const wired: BenchState = {
  ...asFound,
  powered: true,
  landed: planned.wiring.cores.map((core) => core.id),
  links: Object.fromEntries(planned.wiring.links.map((link) => [link.id, link.planned])),
};
const lamp = (id: string) => bundle.board.lamps.find((each) => each.id === id)!;
const lampsOf = (state: BenchState) => faceAt(planned, state).lamps;
const reason = (state: BenchState, id: string) => {
  const readings = readingsOf(planned, state);
  const ask = circumstancesOf(planned, state, readings);
  return lampReason(planned, { ...state, ask, readings }, lamp(id));
};

describe("what the board shows", () => {
  test("without power every lamp is dark, whatever the circuit says", () => {
    expect(new Set(Object.values(lampsOf({ ...wired, powered: false })))).toEqual(new Set(["dark"]));
    expect(reason({ ...wired, powered: false }, "lamp-stop")).toBe("no power");
  });

  test("a new board straight out of its box, links in: protection lamps lit, TRAVEL lit, nothing unread", () => {
    const lamps = lampsOf({ ...asFound, powered: true });
    expect(lamps).toMatchObject({
      "lamp-stop": "lit",
      "lamp-beam": "lit",
      "lamp-edge": "lit",
      travel: "lit",
      unread: "dark",
    });
    expect(reason({ ...asFound, powered: true }, "lamp-beam")).toBe("P3 closed through link P1–P3");
  });

  test("a lamp's reason names the device in its loop, the link, or the open input", () => {
    expect(reason(wired, "lamp-stop")).toBe("P2 closed through Stop, boathouse");
    expect(reason(wired, "lamp-edge")).toBe("P4 closed through link P4–P5");
    expect(reason({ ...wired, tripped: [contact("stop/pressed")] }, "lamp-stop")).toBe("P2 reads open");
    expect(reason(wired, "travel")).toBe("no travel learned yet");
    expect(reason(applyEffect(wired, { kind: "learn", what: "travel" }), "travel")).toBe("travel learned");
    expect(reason(applyEffect(wired, { kind: "mode", mode: "listening" }), "radio")).toBe("listening");
  });

  test("a moved control lights UNREAD until its own gesture, not the other", () => {
    const turned = applyEffect(wired, { kind: "dials", to: { V2: "12:00" } });
    expect(lampsOf(turned).unread).toBe("blinking");
    expect(reason(turned, "unread")).toBe("dials moved and not read yet");
    expect(lampsOf(applyEffect(turned, { kind: "commit", which: "switches" })).unread).toBe("blinking");
    expect(lampsOf(applyEffect(turned, { kind: "commit", which: "dials" })).unread).toBe("dark");
  });

  test("what is learned outlives a power cut, the mode does not", () => {
    const learned = applyEffect(applyEffect(wired, { kind: "mode", mode: "learning" }), {
      kind: "learn",
      what: "travel",
    });
    const again = applyEffect(applyEffect(learned, { kind: "power", on: false }), {
      kind: "power",
      on: true,
    });
    expect(again).toMatchObject({ learned: ["travel"], mode: "idle", powered: true });
    expect(applyEffect(again, { kind: "forget", what: "travel" }).learned).toEqual([]);
  });
});

describe("conditions", () => {
  const holds = (condition: Parameters<typeof conditionHolds>[0], state = wired) =>
    conditionHolds(condition, circumstancesOf(planned, state, readingsOf(planned, state)));

  test("every key given must hold; none given always holds", () => {
    expect(holds({})).toBe(true);
    expect(holds({ powered: true, closed: "stop" })).toBe(true);
    expect(holds({ powered: true, open: "stop" })).toBe(false);
    expect(holds({ unlearned: "travel", pending: false })).toBe(true);
    expect(holds({ mode: "learning" })).toBe(false);
  });

  test("a behaviour counts as the board last read it, not as the dial stands", () => {
    const turned = applyEffect(wired, { kind: "dials", to: { V2: "12:00" } });
    expect(holds({ behaviour: "force", atLeast: 40 }, turned)).toBe(false);
    expect(
      holds({ behaviour: "force", atLeast: 40 }, applyEffect(turned, { kind: "commit", which: "dials" })),
    ).toBe(true);
    expect(holds({ behaviour: "photocell-reaction", is: "closing" })).toBe(true);
    expect(holds({ behaviour: "photocell-reaction", is: "both" })).toBe(false);
  });
});
