import fc from "fast-check";
import { nodeKey, sameNode, sameSeat, terminalIn, type Node } from "./index.ts";
import { partKey, type Part } from "./part.ts";

/** Ids as a person may type them, those the program might use itself among them. */
const id = fc.oneof(
  fc.constantFrom("main", "board", "joint", "mains", "pin", "terminal", "pole", "F3", "J1", "live"),
  fc.stringMatching(/^[A-Za-z0-9][A-Za-z0-9-]{0,6}$/),
);

const node: fc.Arbitrary<Node> = fc.oneof(
  fc.record({ kind: fc.constant("terminal" as const), board: id, terminal: id }),
  fc.record({ kind: fc.constant("pole" as const), board: id, pole: id }),
  fc.record({ kind: fc.constant("pin" as const), device: id, pin: id }),
  fc.record({ kind: fc.constant("joint" as const), joint: id }),
);

const part: fc.Arbitrary<Part> = fc.oneof(
  fc.record({ kind: fc.constant("link" as const), board: id, link: id }),
  fc.record({ kind: fc.constant("rail" as const), board: id, rail: id }),
  fc.record({ kind: fc.constant("contact" as const), device: id, contact: id }),
  fc.record({ kind: fc.constant("supply" as const), device: id, supply: id }),
  fc.record({ kind: fc.constant("made-rail" as const), device: id, rail: id }),
  fc.record({ kind: fc.constant("wire" as const), wire: id }),
);

const alike = (a: object, b: object) =>
  JSON.stringify(Object.entries(a).sort()) === JSON.stringify(Object.entries(b).sort());

describe("places and parts of the circuit", () => {
  test("whatever ids a person types, two have one key only when they are the same", () => {
    fc.assert(
      fc.property(node, node, (a, b) => (nodeKey(a) === nodeKey(b)) === alike(a, b)),
      { seed: 1, numRuns: 2_000 },
    );
    fc.assert(
      fc.property(part, part, (a, b) => (partKey(a) === partKey(b)) === alike(a, b)),
      { seed: 2, numRuns: 2_000 },
    );
  });

  test("a core that hangs loose sits on no place, and only on that", () => {
    const pin: Node = { kind: "pin", device: "off", pin: "off" };
    expect([sameSeat("off", "off"), sameSeat("off", pin), sameSeat(pin, pin)]).toEqual([true, false, true]);
    expect(sameNode(pin, { ...pin, pin: "on" })).toBe(false);
    expect([terminalIn("off"), terminalIn(undefined), terminalIn(pin)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    expect(terminalIn({ kind: "terminal", board: "main", terminal: "F3" })).toBe("F3");
  });
});
