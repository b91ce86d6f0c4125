import fc from "fast-check";
import { terminalsOf } from "../board/index.ts";
import { readCircuit, situations } from "../circuit/index.ts";
import { pinsOf } from "../wiring/place/demand.ts";
import { behavioursAt } from "../controls/index.ts";
import { jobFormat, parseBundle, type DeviceInstance, type Job, type JobBundle } from "../job/index.ts";
import { duet, planAfter, shippedDevices, demoBundle } from "../testing/shipped.ts";
import { installationOf } from "../state/index.ts";
import { planJob, type JobPlan } from "./index.ts";
import { contactPart, nodeKey, partKey, pinNode, supplyPart } from "../node/index.ts";

const board = duet();
const devices = shippedDevices();
const base = demoBundle("netloft").job;

const accessories = devices.filter((device) => device.kind !== "drive" && device.id !== "lathbury-bell-push");

function instance(
  id: string,
  profile: (typeof devices)[number],
  leaf?: DeviceInstance["leaf"],
): DeviceInstance {
  const cables = Object.fromEntries(
    profile.parts.map((part) => [part.id, { lengthM: 6, sizeMm2: 0.75 as const }]),
  );
  return {
    id,
    device: { id: profile.id, revision: 1 },
    name: `${profile.name} ${id}`,
    cables,
    ...(leaf ? { leaf } : {}),
  };
}

const drive = devices.find((device) => device.kind === "drive")!;
const switches = board.dips.flatMap((dip) => dip.delivered.map((_, at) => `${dip.id}${at + 1}`));

/** Any job on the shipped board: one or two leaves, any accessories, any wishes, found in any state. */
const anyJob: fc.Arbitrary<JobBundle> = fc
  .record({
    pair: fc.boolean(),
    accessories: fc.array(fc.constantFrom(...accessories), { maxLength: 9 }),
    links: fc.record(Object.fromEntries(board.links.map((link) => [link.id, fc.constantFrom("in", "out")]))),
    switches: fc.record(Object.fromEntries(switches.map((id) => [id, fc.constantFrom("on", "off")]))),
    dial: fc.constantFrom("7:30", "9:00", "12:00", "2:15", "4:30"),
    wishes: fc.record({
      "automatic-closing": fc.boolean(),
      "automatic-closing-time": fc.integer({ min: 4, max: 160 }),
      force: fc.integer({ min: 45, max: 100 }),
      "photocell-reaction": fc.constantFrom("closing", "both"),
      "command-logic": fc.constantFrom("step-by-step", "open-close", "open-only"),
      "pre-warning": fc.constantFrom(0, 3),
    }),
    delay: fc.integer({ min: 1, max: 14 }),
  })
  .map((any) => {
    const leaves = any.pair ? (["overlapping", "overlapped"] as const) : (["only"] as const);
    const job: Job = {
      ...base,
      survey: { ...base.survey, leaves: leaves.map((id) => ({ ...base.survey.leaves[0]!, id })) },
      wishes: { ...any.wishes, ...(any.pair ? { "leaf-delay-closing": any.delay } : {}) },
      devices: [
        ...leaves.map((leaf) => instance(`drive-${leaf}`, drive, leaf)),
        ...any.accessories.map((profile, at) => instance(`d${at}`, profile)),
      ],
      found: {
        noted: true,
        firmware: "3.1",
        links: any.links as Job["found"]["links"],
        switches: any.switches as Job["found"]["switches"],
        dials: { V1: any.dial, V2: any.dial, V3: any.dial },
        values: {},
      },
    };
    return parseBundle({ format: jobFormat, job, board, devices, log: [] });
  });

const every = (holds: (plan: JobPlan, bundle: JobBundle) => void, numRuns = 60) =>
  fc.assert(
    fc.property(anyJob, (bundle) => holds(planJob(bundle), bundle)),
    { seed: 42, numRuns },
  );

describe("any job on the shipped board", () => {
  test("every pin of every placed contact and supply has exactly one core, on a terminal that is there", () => {
    const terminals = new Set(terminalsOf(board).map((terminal) => terminal.id));
    every(({ wiring }) => {
      const pins = wiring.placements.flatMap(({ demand, place }) => {
        if (!place) return [];
        const ends = pinsOf(demand);
        return ends.map((pin) => nodeKey(pinNode(demand.device.id, pin)));
      });
      // Bridges begin at a terminal, and a test line is a pin of no demand of its own.
      const tests = new Set(
        wiring.devices.flatMap(({ id, profile }) =>
          profile.contacts.map((each) => nodeKey(pinNode(id, each.test ?? ""))),
        ),
      );
      const cores = wiring.cores.filter(({ from }) => from.kind === "pin" && !tests.has(nodeKey(from)));
      expect(cores.map((core) => nodeKey(core.from)).sort()).toEqual(pins.sort());
      for (const core of wiring.cores)
        if (core.to.kind === "terminal") expect(terminals.has(core.to.terminal)).toBe(true);
    });
  });

  test("wired and linked as planned, every input that rests closed reads closed, every command open, everything placed is supplied", () => {
    every((plan) => {
      const end = plan.sheet.find((step) => step.id === "do:power-up:on")!.during;
      const { inputs, supplies } = readCircuit(installationOf(board, plan.wiring, end));
      for (const input of board.inputs)
        expect([input.id, inputs[input.id]?.closed]).toEqual([input.id, input.contact === "closed"]);
      const told = new Set(
        plan.findings
          .filter((each) => /^(voltage|rail|converter)-/.test(each.code))
          .flatMap((each) => each.subjects.map((subject) => subject.id)),
      );
      for (const { demand, place } of plan.wiring.placements)
        if (
          demand.kind === "supply" &&
          !told.has(demand.device.id) &&
          (place?.kind === "made" || (place?.kind === "rail" && place.rail.live === "always"))
        )
          expect([
            demand.device.id,
            supplies[partKey(supplyPart(demand.device.id, demand.supply.id))],
          ]).toEqual([demand.device.id, "supplied"]);
    });
  });

  test("tripping any placed contact turns its input and no other", () => {
    every((plan) => {
      const rest = plan.sheet.find((step) => step.id === "do:power-up:on")!.during;
      const { inputs: before, supplies } = readCircuit(installationOf(board, plan.wiring, rest));
      for (const { demand, place } of plan.wiring.placements) {
        if (demand.kind !== "contact" || place?.kind !== "input") continue;
        // A relay without its supply cannot move.
        const fed =
          demand.contact.supply && supplies[partKey(supplyPart(demand.device.id, demand.contact.supply))];
        if (fed !== undefined && fed !== "supplied") continue;
        const tripped = { ...rest, tripped: [partKey(contactPart(demand.device.id, demand.contact.id))] };
        const after = readCircuit(installationOf(board, plan.wiring, tripped)).inputs;
        const turned = board.inputs.filter((input) => before[input.id]?.closed !== after[input.id]?.closed);
        expect(turned.map((input) => input.id)).toEqual([place.input.id]);
      }
    }, 30);
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
        const told = wiring.findings.some(
          ({ code, values }) =>
            (code === "rail-overloaded" && values.rail === rail.label) ||
            (code === "converter-too-small" && values.converter === rail.label) ||
            (code === "converter-asks-too-much" && values.rail === rail.label),
        );
        expect([rail.label, told]).toEqual([rail.label, rail.workingMilliamps > rail.limitMilliamps]);
      }
    });
  });

  test("the planned positions give every wish that is told as met", () => {
    every((plan) => {
      const given = behavioursAt(board, plan.controls.positions);
      const unmet = plan.controls.findings.filter((each) => each.severity !== "note");
      expect(unmet).toEqual([]);
      expect(given["leaf-count"]).toBe(plan.bundle.job.survey.leaves.length);
      expect(given["photocell-reaction"]).toBe(plan.bundle.job.wishes["photocell-reaction"]);
      expect(given.force).toBeGreaterThanOrEqual(40);
    });
  });

  test("a run sheet has an id for each step, every need met in its turn, and done to its end leaves nothing wrong", () => {
    every((plan, bundle) => {
      expect(new Set(plan.sheet.map((step) => step.id)).size).toBe(plan.sheet.length);
      const done = planAfter(bundle, () => true);
      expect(done.nowFindings).toEqual([]);
      expect(
        done.statuses
          .filter((status) => status.station !== "survey")
          .every((status) => status.state === "settled"),
      ).toBe(true);
    }, 40);
  });

  test("planning is a function of the bundle: the same one gives the same plan", () => {
    every((plan, bundle) => {
      const again = planJob(JSON.parse(JSON.stringify(bundle)) as JobBundle);
      expect(again.sheet.map((step) => step.id)).toEqual(plan.sheet.map((step) => step.id));
      expect(again.wiring.cores.map((core) => core.id)).toEqual(plan.wiring.cores.map((core) => core.id));
    }, 20);
  });
});
