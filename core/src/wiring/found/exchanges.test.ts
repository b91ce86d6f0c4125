import { measureCircuit } from "../../circuit/index.ts";
import { boardOnSite } from "../../job/index.ts";
import { nodeKey } from "../../node/index.ts";
import { planJob } from "../../plan/index.ts";
import { done, found as foundOn, untilSet } from "../../testing/found.ts";
import { moves, target } from "../../testing/keys.ts";
import { boardIds, bundleOn, usualDevices } from "../../testing/shipped.ts";
import { asPlanned, planWiring } from "../index.ts";
import { asWiredFindings, seated, seatOf, type Sits } from "./index.ts";

const onSite = (board: string, devices: readonly string[]) => {
  const given = bundleOn(board, devices);
  const bundle = { ...given, board: boardOnSite(given.job, given.board) };
  return { board: bundle.board, wiring: planWiring(bundle) };
};

/** What is said of a bench that is wired as planned but for these pins, each with the terminal it was found on. */
const found = (site: ReturnType<typeof onSite>, at: Readonly<Record<string, string>>): string[] =>
  foundFindings(site, at).map(({ code }) => code);

function foundFindings({ board, wiring }: ReturnType<typeof onSite>, at: Readonly<Record<string, string>>) {
  const sits: Sits = Object.fromEntries(moves(at).map(({ pin, to }) => [nodeKey(pin), { pin, seat: to }]));
  const wires = wiring.cores.map((core) => {
    const seat = seatOf(sits, core.from);
    return seat === undefined || seat === "off" ? core : seated(core, seat);
  });
  const installation = { ...asPlanned(board, wiring), wires };
  return asWiredFindings({ at: installation, wiring, sits });
}

/** The same with two pins of a device that have changed places. */
function told(site: ReturnType<typeof onSite>, device: string, a: string, b: string): string[] {
  const at = (pin: string) =>
    target(site.wiring.cores.find((core) => core.device === device && core.pin === pin)!);
  return found(site, { [`${device}/${a}`]: at(b), [`${device}/${b}`]: at(a) });
}

/** Every device that is wired on a board with the usual ones, with its profile. */
const wired = (board: string, more: string[] = []) => {
  const site = onSite(board, [...usualDevices(board), ...more]);
  return site.wiring.devices.map((device) => ({ site, wiring: site.wiring, ...device }));
};

describe("two cores that change places", () => {
  test("of a plain contact are a note and nothing else, on every board", () => {
    let exchanges = 0;
    const seen = new Set<string>();
    for (const board of boardIds())
      for (const { site, wiring, id, profile } of wired(board, ["lumbrick-halt"]))
        for (const { pins, senses, test } of profile.contacts) {
          const own = wiring.cores.filter((core) => core.device === id && pins.includes(core.pin));
          const alone = own.every((core) => core.to.kind === "terminal") && own.length === 2;
          if (!alone || senses || test || profile.kind === "drive") continue;
          // Each kind of device on a few boards tells enough.
          const nth = [1, 2].find((n) => !seen.has(`${profile.id} ${n}`));
          if (nth === undefined) continue;
          seen.add(`${profile.id} ${nth}`);
          expect([board, id, told(site, id, pins[0], pins[1])]).toEqual([board, id, ["cores-exchanged"]]);
          exchanges += 1;
        }
    expect(exchanges).toBeGreaterThan(9);
  });

  test("that both moved on and not into one another's place are told one by one", () => {
    const site = onSite("osierbeck-quernish", ["lumbrick-halt", "tallow-turnkey"]);
    const codes = found(site, { "stop-button-1/a": "X4", "stop-button-1/b": "X3" });
    expect(codes.filter((code) => code === "core-misplaced")).toHaveLength(2);
    expect(codes).not.toContain("cores-exchanged");
  });

  test("of a supply that has poles are a danger; of one on alternating current, which has none, a note", () => {
    const kinds = { dc: 0, ac: 0 };
    for (const board of boardIds())
      for (const { site, wiring, id, profile } of wired(board, ["brackwater-turn", "brackwater-clasp"]))
        for (const { kind, pins } of profile.supplies) {
          const own = wiring.cores.filter(
            (core) => core.device === id && [pins.plus, pins.minus].includes(core.pin),
          );
          if (profile.kind === "drive" || pins.third || own.length !== 2 || kind === "either") continue;
          if (own.some((core) => core.to.kind !== "terminal")) continue;
          const codes = told(site, id, pins.plus, pins.minus);
          if (kind === "dc")
            expect([board, id, codes]).toEqual([board, id, expect.arrayContaining(["supply-reversed"])]);
          else expect([board, id, codes]).toEqual([board, id, ["cores-exchanged"]]);
          kinds[kind] += 1;
        }
    expect(kinds.dc).toBeGreaterThan(5);
    expect(kinds.ac).toBeGreaterThan(1);
  });
});

describe("motor leads exchanged", () => {
  test("on every drive say that the leaf runs the wrong way, once, and nothing of reversed supplies", () => {
    let drives = 0;
    for (const board of boardIds())
      for (const { site, id, profile } of wired(board).filter((each) => each.profile.kind === "drive")) {
        const { plus, minus, third } = profile.supplies.find(({ duty }) => duty.startsWith("drive"))!.pins;
        const at = (pin: string) =>
          target(site.wiring.cores.find((core) => core.device === id && core.pin === pin)!);
        const [one, other] = [at(plus), at(third ?? minus)];
        const [finding, ...more] = foundFindings(site, {
          [`${id}/${plus}`]: other,
          [`${id}/${third ?? minus}`]: one,
        }).filter(({ code }) => code !== "terminal-crowded");
        expect([board, id, finding?.code, more]).toEqual([board, id, "motor-leads-exchanged", []]);
        const { subjects, values } = finding!;
        expect(
          subjects
            .slice(1)
            .map((each) => each.id)
            .sort(),
        ).toEqual([one, other].sort());
        expect(values.terminals).toContain(one);
        expect(values.terminals).toContain(other);
        drives += 1;
      }
    expect(drives).toBeGreaterThan(10);
  });

  test("a capacitor motor's common among them is no mere exchange; three phases moved on by one turn as before", () => {
    expect(told(onSite("furzel-slathorn", ["furzel-rack"]), "drive-1", "opn", "com")).toContain(
      "core-misplaced",
    );
    const site = onSite("hexby-hoistrum", ["hexby-shaft"]);
    const at = (pin: string) =>
      target(site.wiring.cores.find((core) => core.device === "drive-1" && core.pin === pin)!);
    expect(found(site, { "drive-1/u": at("v"), "drive-1/v": at("w"), "drive-1/w": at("u") })).toEqual([]);
  });

  test("with any other core of the drive, it is no mere exchange: told core by core, on every board", () => {
    let exchanges = 0;
    for (const board of boardIds())
      for (const { site, wiring, id, profile } of wired(board)) {
        const leads = profile.supplies.find(({ duty }) => duty.startsWith("drive"))?.pins;
        const other = wiring.cores.find(
          ({ device, pin, to }) =>
            device === id && to.kind === "terminal" && !Object.values(leads ?? {}).includes(pin),
        );
        if (!leads || !other) continue;
        const codes = told(site, id, leads.plus, other.pin);
        expect([board, id, codes.includes("cores-exchanged")]).toEqual([board, id, false]);
        expect(codes.length).toBeGreaterThan(0);
        exchanges += 1;
      }
    expect(exchanges).toBeGreaterThan(3);
  });

  test("and the rotation inverted as well: the two undo one another, trap 36", () => {
    for (const [board, devices, a, b] of [
      ["furzel-slathorn", ["furzel-rack"], "opn", "cls"],
      ["sorrel-tinkell", ["sorrel-runner"], undefined, undefined],
    ] as const) {
      const given = bundleOn(board, devices as unknown as string[], { rotation: "inverted" });
      const set = done(given, untilSet);
      const { pins } = planJob(given).wiring.devices[0]!.profile.supplies.find(({ duty }) =>
        duty.startsWith("drive"),
      )!;
      const swapped = exchangedAfter(set, a ?? pins.plus, b ?? pins.minus);
      // Planned inverted, found inverted: exchanged leads alone are what is wrong.
      expect(planJob(swapped).nowFindings.map(({ code }) => code)).not.toContain("leads-and-rotation");
      const plan = planJob({
        ...swapped,
        job: { ...swapped.job, wishes: { ...swapped.job.wishes, rotation: "normal" } },
      });
      expect([board, plan.nowFindings.map(({ code }) => code)]).toEqual([
        board,
        expect.arrayContaining(["leads-and-rotation"]),
      ]);
    }
  });
});

/** The only drive's two leads exchanged on a bench that is otherwise done. */
function exchangedAfter(given: ReturnType<typeof bundleOn>, a: string, b: string) {
  const { cores } = planJob(given).wiring;
  const at = (pin: string) => target(cores.find((core) => core.device === "drive-1" && core.pin === pin)!);
  return foundOn(given, { [`drive-1/${a}`]: at(b), [`drive-1/${b}`]: at(a) });
}

test("a load on alternating current draws the same whichever way round it is", () => {
  const bundle = bundleOn("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"]);
  const { wiring } = planJob(bundle);
  const at = asPlanned(bundle.board, wiring);
  const turned = {
    ...at,
    wires: wiring.cores.map((core) => {
      const other = { "in-a": "in-b", "in-b": "in-a" }[core.pin];
      if (core.device !== "converter-1" || !other) return core;
      return {
        ...core,
        to: wiring.cores.find((each) => each.device === core.device && each.pin === other)!.to,
      };
    }),
  };
  const moment = { situation: "opening", celsius: 20 } as const;
  const [one, two] = [measureCircuit(at, moment), measureCircuit(turned, moment)];
  for (const [key, { state, volts }] of Object.entries(one.supplies)) {
    const other = two.supplies[key as keyof typeof two.supplies]!;
    expect([key, other.state]).toEqual([key, state]);
    expect(Math.abs(other.volts)).toBeCloseTo(Math.abs(volts), 6);
  }
  for (const [key, { milliamps }] of Object.entries(one.rails))
    expect(two.rails[key as keyof typeof two.rails]!.milliamps).toBeCloseTo(milliamps, 6);
});
