import { demoBundle } from "../testing/shipped.ts";
import { asPlanned, planWiring } from "../wiring/index.ts";
import { readCircuit, type Installation } from "./index.ts";
import { linkPart } from "../node/index.ts";
import { withFault } from "../testing/circuit-faults.ts";
import { contact, node, supply } from "../testing/keys.ts";

/** A demo job's planned wiring, all cores on, links as planned, powered. */
function installed(name: string): Installation {
  const bundle = demoBundle(name);
  return asPlanned(bundle.board, planWiring(bundle));
}

const closed = (at: Installation, input: string) => readCircuit(at).inputs[input]?.closed;

describe("reading the circuit", () => {
  test("at rest every protection loop is closed through its own contact and every command open", () => {
    const { inputs } = readCircuit(installed("netloft"));
    for (const id of ["stop", "beam", "edge"]) expect(inputs[id]?.closed).toBe(true);
    for (const id of ["step", "part", "open"]) expect(inputs[id]?.closed).toBe(false);
    expect(inputs.beam?.loop.filter((element) => element.kind === "contact")).toEqual([
      { kind: "contact", device: "cell-street", contact: "beam" },
    ]);
  });

  test("a chain of two photocells opens when either is tripped", () => {
    const at = installed("sheds");
    expect(closed(at, "beam")).toBe(true);
    for (const cell of ["cell-out/beam", "cell-in/beam"])
      expect(closed({ ...at, tripped: new Set([contact(cell)]) }, "beam")).toBe(false);
  });

  test("an unused input is closed by its link and open without it", () => {
    const at = installed("slip");
    expect(readCircuit(at).inputs.edge?.loop).toEqual([linkPart("link-edge")]);
    expect(closed({ ...at, linksIn: new Set() }, "edge")).toBe(false);
  });

  test("a link left in hides a tripped photocell", () => {
    const at = { ...installed("netloft"), tripped: new Set([contact("cell-street/beam")]) };
    expect(closed(at, "beam")).toBe(false);
    expect(closed(withFault(at, { kind: "link-left-in", link: "link-beam" }), "beam")).toBe(true);
  });

  test("a photocell without supply opens its contact: fail-safe relay, common practice", () => {
    const at = installed("netloft");
    expect(closed({ ...at, powered: false }, "beam")).toBe(false);
    expect(closed(withFault(at, { kind: "wire-off", wire: "cell-street.r-plus>R3" }), "beam")).toBe(false);
    // Without power the board reads nothing, whatever the loop does.
    expect(closed({ ...at, powered: false }, "stop")).toBe(false);
  });

  test("supplies: swapped poles read as reversed on DC; the lock lives behind its converter", () => {
    const at = installed("netloft");
    expect(readCircuit(at).supplies).toMatchObject({
      [supply("lock/coil")]: "supplied",
      [supply("converter/in")]: "supplied",
    });
    const swapped = at.wires.map((wire) =>
      wire.id.startsWith("cell-street.r-plus")
        ? { ...wire, to: node("R2") }
        : wire.id.startsWith("cell-street.r-minus")
          ? { ...wire, to: node("R1") }
          : wire,
    );
    expect(readCircuit({ ...at, wires: swapped }).supplies[supply("cell-street/receiver")]).toBe("reversed");
    const noConverter = at.wires.filter((wire) => !wire.id.startsWith("converter.in-a"));
    expect(readCircuit({ ...at, wires: noConverter }).supplies[supply("lock/coil")]).toBe("absent");
  });
});
