import { planOn, usualDevices } from "../../testing/shipped.ts";
import { netsOf } from "./nets.ts";

const planned = planOn("quillmarsh-tandrel", usualDevices("quillmarsh-tandrel"));
const nets = netsOf(planned.bundle.board, planned.wiring.cores);

test("every core ends on exactly one net, or in a connector", () => {
  for (const core of planned.wiring.cores) {
    const on = nets.filter((net) => net.cores.includes(core.id));
    expect([core.id, on.length]).toEqual([core.id, 1]);
  }
});

test("terminals that are one point are one net, under the name of what joins them", () => {
  const common = nets.find((net) => net.terminals.includes("P1"))!;
  expect(common.terminals).toEqual(["P1", "P5"]);
  expect(common.label).toBe("Common, protection");
  const plus = nets.find((net) => net.terminals.includes("R1"))!;
  expect(plus.terminals).toEqual(["R1", "R3"]);
  expect(plus.cores).toHaveLength(2);
});

test("a connector is a net of its own, with every core that ends in it and no other", () => {
  for (const board of ["quillmarsh-tandrel", "osierbeck-quernish"]) {
    const { wiring, bundle } = planOn(board, ["lumbrick-halt", "lumbrick-halt", "lumbrick-halt"]);
    const joints = netsOf(bundle.board, wiring.cores).filter(({ terminals }) => !terminals.length);
    expect(joints).toHaveLength(2);
    for (const { label, cores } of joints)
      expect([label, cores]).toEqual([
        label,
        wiring.cores.filter(({ to }) => to.kind === "joint" && to.joint === label).map(({ id }) => id),
      ]);
  }
});

test("no terminal is in two nets, and a net without a core is not told", () => {
  const all = nets.flatMap((net) => net.terminals);
  expect(new Set(all).size).toBe(all.length);
  expect(nets.every((net) => net.cores.length > 0)).toBe(true);
});

test("on a board where a supply's minus is a sensor's common, the two are one net", () => {
  const slathorn = planOn("furzel-slathorn", ["furzel-rack"]);
  const net = netsOf(slathorn.bundle.board, slathorn.wiring.cores).find((each) =>
    each.terminals.includes("S2"),
  )!;
  // The sensors' own minus and their two returns meet on S2.
  expect(net.cores).toHaveLength(3);
});
