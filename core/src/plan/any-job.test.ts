import { cases } from "../testing/sample.ts";
import fc from "fast-check";
import { terminalsOf } from "../board/index.ts";
import { readCircuit, situations } from "../circuit/index.ts";
import { behavioursAt } from "../controls/index.ts";
import { draftInstance, type JobBundle } from "../job/index.ts";
import { contactPart, nodeKey, partKey, pinNode, supplyPart } from "../node/index.ts";
import { installationOf } from "../state/index.ts";
import { anyFound } from "../testing/any-found.ts";
import { answered, boardIds, bundleOn, fittingDrives, shippedDevices } from "../testing/shipped.ts";
import { pinsOf } from "../wiring/place/index.ts";
import { planJob, type JobPlan } from "./index.ts";

const accessories = shippedDevices().filter(({ kind }) => kind !== "drive");

/** How near a circuit with loads that draw their power, whatever they get, is solved, V. */
const settled = 1e-4;

const wishes = fc.record({
  "automatic-closing": fc.boolean(),
  "automatic-closing-time": fc.integer({ min: 4, max: 160 }),
  force: fc.integer({ min: 45, max: 100 }),
  "photocell-reaction": fc.constantFrom("closing", "both"),
  "command-logic": fc.constantFrom("open-stop-close-stop", "open-close", "open-only"),
  "pre-warning": fc.constantFrom(0, 3),
});

/** Any job on one shipped board: its drives, any accessories, any wishes, found in any state. */
function anyJobOn(id: string): fc.Arbitrary<JobBundle> {
  const given = bundleOn(id, fittingDrives(id));
  return fc
    .record({
      accessories: fc.array(fc.constantFrom(...accessories), { maxLength: 9 }),
      found: anyFound(given.board),
      wishes,
    })
    .map((any): JobBundle => {
      const job = any.accessories.reduce(
        (now, profile) => ({ ...now, devices: [...now.devices, draftInstance(now, profile)] }),
        given.job,
      );
      return {
        ...given,
        job: {
          ...job,
          wishes: { ...job.wishes, ...any.wishes },
          found: { ...job.found, noted: true, ...any.found },
        },
      };
    });
}

/** Jobs drawn for each board by a seed that stays, each planned once. */
const jobsEach = cases(3);
const drawn = boardIds().flatMap((id) =>
  fc.sample(anyJobOn(id), { numRuns: jobsEach, seed: 42 }).map((bundle, index) => ({
    name: `${id} ${index}`,
    bundle,
    plan: planJob(bundle),
  })),
);

const every = (holds: (plan: JobPlan, bundle: JobBundle) => void) => {
  for (const { name, plan, bundle } of drawn)
    try {
      holds(plan, bundle);
    } catch (error) {
      const devices = bundle.job.devices.map(({ device }) => device.id).join(", ");
      throw new Error(`${name} with ${devices}\n${(error as Error).message}`, { cause: error });
    }
};

/** The bench with everything wired and power on, as the plan wants it. */
const wired = ({ sheet }: JobPlan) =>
  sheet.find((step) => step.effects.some((each) => each.kind === "power" && each.on))!.during;

/** Devices of which a finding speaks, by the beginning of its code. */
const spokenOf = (plan: JobPlan, codes: RegExp) =>
  new Set(
    plan.findings
      .filter(({ code }) => codes.test(code))
      .flatMap(({ subjects }) => subjects.map((subject) => subject.id)),
  );

describe("any job on any shipped board", () => {
  test("every pin of every placed contact and supply has exactly one core, on a terminal that is there", () => {
    every(({ wiring, bundle }) => {
      const terminals = new Set(terminalsOf(bundle.board).map((terminal) => terminal.id));
      const pins = wiring.placements.flatMap(({ demand, place }) =>
        place ? pinsOf(demand).map((pin) => nodeKey(pinNode(demand.device.id, pin))) : [],
      );
      // Bridges begin at a terminal; a test line and a protective earth are pins of no demand of their own.
      const tests = new Set(
        wiring.devices.flatMap(({ id, profile }) =>
          profile.contacts.map((each) => nodeKey(pinNode(id, each.test ?? ""))),
        ),
      );
      const earths = new Set(
        wiring.devices.map(({ id, profile }) => nodeKey(pinNode(id, profile.earth ?? ""))),
      );
      const cores = wiring.cores.filter(
        ({ from }) => from.kind === "pin" && !tests.has(nodeKey(from)) && !earths.has(nodeKey(from)),
      );
      expect(cores.map((core) => nodeKey(core.from)).sort()).toEqual(pins.sort());
      for (const { to } of wiring.cores)
        if (to.kind === "terminal") expect(terminals.has(to.terminal)).toBe(true);
    });
  });

  test("wired and linked as planned, every input with a contact or a link reads as it rests, and everything placed is supplied", () => {
    every((plan) => {
      const { inputs, supplies } = readCircuit(installationOf(plan.bundle.board, plan.wiring, wired(plan)));
      const used = new Set(
        plan.wiring.placements.flatMap(({ place }) => (place?.kind === "input" ? [place.input.id] : [])),
      );
      const asleep = new Set(
        plan.wiring.placements.flatMap(({ demand, place }) =>
          demand.kind === "supply" &&
          (place === undefined ||
            place.kind === "relay" ||
            (place.kind === "rail" && place.rail.live !== "always" && place.rail.live !== "awake"))
            ? [demand.device.id]
            : [],
        ),
      );
      const doubtful = spokenOf(plan, /^(voltage|rail|converter|circuit|device|ac-on)/);
      const unsure = (id: string) => asleep.has(id) || doubtful.has(id);
      for (const input of plan.bundle.board.inputs) {
        const users = plan.wiring.placements.filter(
          ({ place }) => place?.kind === "input" && place.input.id === input.id,
        );
        if (users.some(({ demand }) => unsure(demand.device.id))) continue;
        // What it senses may still be as found: its setting comes after power-up.
        if (input.setBy.includes("edge-sensing")) continue;
        const linked = plan.wiring.links.some(({ id, planned }) => id === input.link && planned === "in");
        if (used.has(input.id) || linked)
          expect([input.id, inputs[input.id]?.closed]).toEqual([input.id, input.contact === "closed"]);
      }
      for (const { demand, place } of plan.wiring.placements)
        if (
          demand.kind === "supply" &&
          place?.kind === "rail" &&
          place.rail.live === "always" &&
          !doubtful.has(demand.device.id)
        )
          expect([
            demand.device.id,
            supplies[partKey(supplyPart(demand.device.id, demand.supply.id))],
          ]).toEqual([demand.device.id, "supplied"]);
    });
  });

  test("tripping any placed contact turns its input and no other", () => {
    every((plan) => {
      const rest = wired(plan);
      const { board } = plan.bundle;
      const { inputs: before, supplies } = readCircuit(installationOf(board, plan.wiring, rest));
      for (const { demand, place } of plan.wiring.placements) {
        if (demand.kind !== "contact" || place?.kind !== "input") continue;
        const { device, contact } = demand;
        // What is not fed cannot move, and a chain that is open already stays so.
        const feeds = [contact.supply, contact.test].filter((id) =>
          device.profile.supplies.some((supply) => supply.id === id),
        );
        if (feeds.some((id) => supplies[partKey(supplyPart(device.id, id!))] !== "supplied")) continue;
        if (before[place.input.id]?.closed !== (place.input.contact === "closed")) continue;
        const tripped = { ...rest, tripped: [partKey(contactPart(device.id, contact.id))] };
        const after = readCircuit(installationOf(board, plan.wiring, tripped)).inputs;
        const turned = board.inputs.filter((input) => before[input.id]?.reads !== after[input.id]?.reads);
        expect([device.id, turned.map((input) => input.id)]).toEqual([device.id, [place.input.id]]);
      }
    });
  });

  test("what a limit carries is the sum of the working currents on it, and only an excess is a finding", () => {
    every(({ wiring }) => {
      for (const rail of wiring.rails) {
        for (const situation of situations)
          expect(rail.milliamps[situation]).toBeCloseTo(
            rail.loads.reduce((sum, load) => sum + load.milliamps[situation], 0),
            6,
          );
        expect(rail.workingMilliamps).toBe(Math.max(...Object.values(rail.milliamps)));
        const found = wiring.findings.some(
          ({ code, values }) =>
            (code === "rail-overloaded" && values.rail === rail.label) ||
            (code === "converter-too-small" && values.converter === rail.label) ||
            (code === "converter-asks-too-much" && values.rail === rail.label),
        );
        expect([rail.label, found]).toEqual([rail.label, rail.workingMilliamps > rail.limitMilliamps]);
      }
    });
  });

  test("what reaches a device lies within what it bears, or a finding says that it does not", () => {
    every((plan) => {
      const spoken = spokenOf(plan, /^(voltage|rail|converter|circuit)/);
      for (const { demand, place } of plan.wiring.placements) {
        if (demand.kind !== "supply" || !place || demand.duty.startsWith("drive")) continue;
        const reach = plan.wiring.reach[partKey(supplyPart(demand.device.id, demand.supply.id))];
        if (!reach || spoken.has(demand.device.id)) continue;
        expect(reach.most).toBeLessThanOrEqual(demand.supply.volts.max + settled);
        expect(reach.least).toBeGreaterThanOrEqual(demand.supply.volts.min - settled);
      }
    });
  });

  test("the planned positions give every wish that no finding speaks of", () => {
    every((plan) => {
      const given = behavioursAt(plan.bundle.board, plan.controls.positions);
      const spoken = spokenOf(plan, /^(value|behaviour|dial|fixed)/);
      for (const { gives } of plan.controls.controls)
        for (const { behaviour, wanted } of gives)
          if (wanted !== undefined && typeof wanted !== "number" && !spoken.has(behaviour))
            expect([behaviour, given[behaviour]]).toEqual([behaviour, wanted]);
    });
  });

  test("a run sheet has an id for each step, and done to its end every station is settled", () => {
    every((plan, bundle) => {
      expect(new Set(plan.sheet.map((step) => step.id)).size).toBe(plan.sheet.length);
      const done = planJob(answered(bundle, plan.sheet));
      const open = done.statuses.filter(({ station, state }) => station !== "survey" && state !== "settled");
      expect(open).toEqual([]);
      const wrong = done.nowFindings.filter(({ code }) =>
        /^(link|not-committed|core|plugs|source)/.test(code),
      );
      expect(wrong).toEqual([]);
    });
  });

  test("planning is a function of the bundle: the same one gives the same plan", () => {
    for (const { plan, bundle } of drawn.filter((_, index) => index % jobsEach === 0)) {
      const again = planJob(JSON.parse(JSON.stringify(bundle)) as JobBundle);
      expect(again.sheet.map((step) => step.id)).toEqual(plan.sheet.map((step) => step.id));
      expect(again.wiring.cores).toEqual(plan.wiring.cores);
    }
  });
});
