import { demoBundle } from "../testing/shipped.ts";
import { asPlanned, planWiring } from "../wiring/index.ts";
import { everyFault } from "./faults.ts";
import { faultsThatFlip, readCircuit, withFault, type Installation } from "./index.ts";

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
      { kind: "contact", id: "cell-street/beam" },
    ]);
  });

  test("a chain of two photocells opens when either is tripped", () => {
    const at = installed("ropewalk");
    expect(closed(at, "beam")).toBe(true);
    for (const cell of ["cell-out/beam", "cell-in/beam"])
      expect(closed({ ...at, tripped: new Set([cell]) }, "beam")).toBe(false);
  });

  test("an unused input is closed by its link and open without it", () => {
    const at = installed("lampquay");
    expect(readCircuit(at).inputs.edge?.loop).toEqual([{ kind: "link", id: "link-edge" }]);
    expect(closed({ ...at, linksIn: new Set() }, "edge")).toBe(false);
  });

  test("a link left in hides a tripped photocell", () => {
    const at = { ...installed("netloft"), tripped: new Set(["cell-street/beam"]) };
    expect(closed(at, "beam")).toBe(false);
    expect(closed(withFault(at, { kind: "link-left-in", id: "link-beam" }), "beam")).toBe(true);
  });

  test("a photocell without supply opens its contact: fail-safe relay, common practice", () => {
    const at = installed("netloft");
    expect(closed({ ...at, powered: false }, "beam")).toBe(false);
    expect(closed(withFault(at, { kind: "wire-off", id: "cell-street.r-plus>R3" }), "beam")).toBe(false);
    // Without power the board reads nothing, whatever the loop does.
    expect(closed({ ...at, powered: false }, "stop")).toBe(false);
  });

  test("supplies: swapped poles read as reversed on DC; the lock lives behind its converter", () => {
    const at = installed("netloft");
    expect(readCircuit(at).supplies).toMatchObject({ "lock/coil": "supplied", "converter/in": "supplied" });
    const swapped = at.wires.map((wire) =>
      wire.id.startsWith("cell-street.r-plus")
        ? { ...wire, to: "board/R2" }
        : wire.id.startsWith("cell-street.r-minus")
          ? { ...wire, to: "board/R1" }
          : wire,
    );
    expect(readCircuit({ ...at, wires: swapped }).supplies["cell-street/receiver"]).toBe("reversed");
    const noConverter = at.wires.filter((wire) => !wire.id.startsWith("converter.in-a"));
    expect(readCircuit({ ...at, wires: noConverter }).supplies["lock/coil"]).toBe("absent");
  });
});

describe("single faults", () => {
  test("those that open the photocell loop are its contact, its four receiver cores, and no link", () => {
    const faults = faultsThatFlip(installed("netloft"), "beam").map((fault) => `${fault.kind} ${fault.id}`);
    expect(faults.sort()).toEqual([
      "contact-tripped cell-street/beam",
      "wire-off cell-street.r-a>P3",
      "wire-off cell-street.r-b>P1",
      "wire-off cell-street.r-minus>R4",
      "wire-off cell-street.r-plus>R3",
    ]);
  });

  test("are the same that trying every fault finds, at rest and with each contact tripped, on every demo job", () => {
    const key = (faults: { kind: string; id: string }[]) =>
      faults.map((fault) => `${fault.kind} ${fault.id}`).sort();
    for (const name of ["netloft", "ropewalk", "lampquay"]) {
      const rest = installed(name);
      const contacts = rest.devices.flatMap((device) =>
        device.profile.contacts.map((each) => `${device.id}/${each.id}`),
      );
      for (const tripped of [[], ...contacts.map((id) => [id])]) {
        const at = { ...rest, tripped: new Set(tripped) };
        for (const { id } of at.board.inputs) {
          const slow = everyFault(at).filter((fault) => closed(withFault(at, fault), id) !== closed(at, id));
          expect([name, tripped, id, key(faultsThatFlip(at, id))]).toEqual([name, tripped, id, key(slow)]);
        }
      }
    }
  });
});
