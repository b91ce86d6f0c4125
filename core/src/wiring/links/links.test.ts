import { terminalsOf } from "../../board/index.ts";
import { readCircuit } from "../../circuit/index.ts";
import { planJob } from "../../plan/index.ts";
import { terminalNode } from "../../node/index.ts";
import { boardIds, bundleOn, planOn, shippedBoard } from "../../testing/shipped.ts";
import { installationOf } from "../../state/index.ts";
import { crowdFindings } from "../cores/index.ts";
import { linkFindings } from "./index.ts";

/** How an input reads with all work done. */
function readsAhead(plan: ReturnType<typeof planJob>, input: string) {
  const at = installationOf(plan.bundle.board, plan.wiring, { ...plan.ahead, powered: true });
  return readCircuit(at).inputs[input]?.reads;
}

describe("two inputs that one setting switches off", () => {
  const plannedWith = (sensors: number) =>
    planOn("lammerlow-thrussel", ["sorrel-runner", ...Array<string>(sensors).fill("lammerlow-side")]);

  test("with a sensor on one of them, the other is kept quiet by its link", () => {
    const given = bundleOn("lammerlow-thrussel", ["sorrel-runner", "lammerlow-sill"]);
    const sill = given.devices.find(({ id }) => id === "lammerlow-sill")!;
    for (const contact of sill.contacts) contact.duty = "side-sensor";
    const plan = planJob(given);
    const links = plan.wiring.links.filter(({ id }) => id.startsWith("link-side"));
    expect(links.map(({ planned }) => planned).sort()).toEqual(["in", "out"]);
    expect(["side", "side-2"].map((input) => readsAhead(plan, input))).toEqual(["closed", "closed"]);
    expect(plan.nowFindings.map(({ code }) => code)).not.toContain("protection-open");
  });

  test("with nothing on either, the setting switches both off and no link is put in, nor missed", () => {
    const plan = plannedWith(0);
    const links = plan.wiring.links.filter(({ id }) => id.startsWith("link-side"));
    expect(links.map(({ planned, why }) => [planned, why.includes("is switched off")])).toEqual([
      ["out", true],
      ["out", true],
    ]);
    expect(plan.nowFindings.map(({ code }) => code)).not.toContain("link-missing");
    const { board } = plan.bundle;
    const out = Object.fromEntries(board.links.map(({ id }) => [id, "out" as const]));
    const missing = (set: object) =>
      linkFindings(board, [], out, [], set).map(
        ({ subjects }) => subjects.find(({ kind }) => kind === "input")?.id,
      );
    // A core that belongs elsewhere changes nothing; one that belongs here would be bridged by the link.
    const belongs = (terminal: string) => [
      { id: "w", from: { kind: "pin" as const, device: "d", pin: "p" }, to: terminalNode(terminal) },
    ];
    const stop = board.inputs.find(({ id }) => id === "stop")!;
    const told = (terminal: string) =>
      linkFindings(board, [], out, belongs(terminal), { "side-sensor-reaction": "off" }).length;
    expect([told("A1"), told(stop.terminal)]).toEqual([1, 0]);
    expect(missing({ "side-sensor-reaction": "off" })).toEqual(["stop"]);
    expect(missing({ "side-sensor-reaction": "both" })).toEqual(["side", "side-2", "stop"]);
  });
});

describe("an input that looks for an end resistor, or for a plain contact as it is set", () => {
  const boards = ["furzel-slathorn", "hexby-hoistrum"];
  const edgeOf = (board: ReturnType<typeof shippedBoard>) =>
    board.inputs.find(({ ohms }) => ohms !== undefined)!;

  test.each(boards)("%s: empty and with a link, it is set for a contact, and reads closed", (id) => {
    const given = bundleOn(id, []);
    const edge = edgeOf(given.board);
    const common = given.board.commons.find((each) => each.id === edge.common)!.terminals[0]!;
    given.board.links.push({ id: "link-edge", between: [common, edge.terminal], delivered: "in" });
    edge.link = "link-edge";
    delete edge.off;
    const plan = planJob(given);
    expect(plan.wiring.links.find((link) => link.id === "link-edge")?.planned).toBe("in");
    const sensing = plan.controls.controls.flatMap(({ gives }) =>
      gives.flatMap((each) => (each.behaviour === "edge-sensing" ? [each.given] : [])),
    );
    expect(sensing).toEqual(["contact"]);
    expect(readsAhead(plan, edge.id)).toBe("closed");
    // Until it is set, the link reads as a pressed edge.
    const before = { ...plan.now, links: { ...plan.now.links, "link-edge": "in" as const }, powered: true };
    const at = installationOf(plan.bundle.board, plan.wiring, before);
    expect(readCircuit(at).inputs[edge.id]?.reads).toBe("pressed");
  });

  test.each(boards)(
    "%s: an edge that gives a plain contact reads closed once it is set so, and pressed before",
    (id) => {
      const given = bundleOn(id, ["lumbrick-plushet"]);
      const edge = edgeOf(given.board);
      const profile = given.devices.find((each) => each.id === "lumbrick-plushet")!;
      for (const contact of profile.contacts) {
        delete contact.ohms;
        delete contact.senses;
      }
      const plan = planJob(given);
      const place = plan.wiring.placements[0]?.place;
      expect(place?.kind === "input" && place.input.id).toBe(edge.id);
      expect(readsAhead(plan, edge.id)).toBe("closed");
      const found = { ...plan.ahead, inForce: plan.now.inForce, powered: true };
      const at = installationOf(plan.bundle.board, plan.wiring, found);
      expect(readCircuit(at).inputs[edge.id]?.reads).toBe("pressed");
    },
  );
});

test("a clamp counts the links that are in, and no others, on every board", () => {
  let clamps = 0;
  for (const id of boardIds()) {
    const board = shippedBoard(id);
    for (const link of board.links)
      for (const end of link.between) {
        const { holds } = terminalsOf(board).find((each) => each.id === end)!;
        const wires = Array.from({ length: holds }, (_, at) => ({
          id: `w${at}`,
          from: { kind: "pin" as const, device: "d", pin: `p${at}` },
          to: terminalNode(end),
        }));
        const told = (links: string[]) =>
          crowdFindings(board, wires, links).map(({ values }) => values.cores);
        expect([id, end, told([])]).toEqual([id, end, []]);
        expect([id, end, told([link.id])]).toEqual([
          id,
          end,
          [`${holds} ${holds === 1 ? "core" : "cores"} and 1 link`],
        ]);
        clamps += 1;
      }
  }
  expect(clamps).toBeGreaterThan(20);
});
