import fc from "fast-check";
import { behaviour, behaviourText, settableBehaviours, touchedBy } from "../board/index.ts";
import { behavioursAt, foundPositions } from "../controls/index.ts";
import type { Job } from "../job/index.ts";
import { planJob, type JobPlan } from "../plan/index.ts";
import { applyEffect, stateAsFound } from "../state/index.ts";
import { anyFound } from "../testing/any-found.ts";
import {
  planOnce,
  boardIds,
  bundleOn,
  fittingDrives,
  shippedBoard,
  shippedDevices,
  usualDevices,
} from "../testing/shipped.ts";
import { saidOf } from "../testing/ran.ts";

/** A job on a board that is found in any state and wanted in another, so that most of its controls must be moved. */
function movedJob(id: string): JobPlan {
  const bundle = bundleOn(id, usualDevices(id));
  const [found, target] = fc.sample(anyFound(bundle.board), { numRuns: 2, seed: 21 });
  const settable = settableBehaviours(bundle.board);
  const given = behavioursAt(bundle.board, foundPositions(bundle.board, target));
  const wishes = Object.fromEntries(Object.entries(given).filter(([name]) => settable.has(name)));
  Object.assign(bundle.job.found, found, { noted: true });
  Object.assign(bundle.job.wishes, wishes as Job["wishes"]);
  return planJob(bundle);
}

const plans = boardIds().map((id) => ({ id, plan: movedJob(id) }));

test("done in order, every sheet brings the bench to its plan: controls read, cores landed, links in or out", () => {
  for (const { id, plan } of plans) {
    const { sheet, controls, wiring, bundle } = plan;
    const end = sheet.flatMap((step) => step.effects).reduce(applyEffect, stateAsFound(bundle));
    // Procedures may set a control of their own accord; what the plan moves ends where it wants it.
    for (const control of controls.controls.filter((each) => each.change))
      control.parts.forEach((part, index) => {
        expect([id, part, end.positions[control.kind][part]]).toEqual([id, part, control.planned[index]]);
        expect([id, part, end.inForce[control.kind][part]]).toEqual([id, part, control.planned[index]]);
      });
    expect([...end.landed].sort()).toEqual(wiring.cores.map((core) => core.id).sort());
    for (const link of wiring.links) expect(end.links[link.id]).toBe(link.planned);
  }
});

test("every core is landed by one step, every note of a sheet is said in one, and a cable is named with its length", () => {
  for (const { id, plan } of plans) {
    const steps = plan.sheet.filter((step) => step.cores?.length);
    for (const core of plan.wiring.cores)
      expect([id, core.id, steps.filter((step) => step.cores!.includes(core.id)).length]).toEqual([
        id,
        core.id,
        1,
      ]);
    for (const device of plan.wiring.devices) {
      const own = steps.filter((step) => step.id.startsWith(`wire:${device.id}:`));
      for (const note of device.profile.wiring)
        expect(own.filter((step) => step.says.includes(note))).toHaveLength(own.length ? 1 : 0);
    }
  }
});

test("a control to be moved is told with all that it then stands for", () => {
  const told = plans.flatMap(({ plan }) =>
    plan.sheet.flatMap((step) => {
      const control = plan.controls.controls.find((each) => each.id === step.control);
      if (!control || !step.id.startsWith("set:")) return [];
      const given = control.gives.filter((each) => each.given !== undefined);
      const text = saidOf(step);
      for (const each of given)
        expect(text).toContain(
          `${behaviour(each.behaviour).label}: ${behaviourText(each.behaviour, each.given!)}`,
        );
      // A control that carries no behaviour is the jumper of the panel.
      expect(text.includes("It is dead")).toBe(given.length === 0 && control.gives.length > 0);
      return [control.id];
    }),
  );
  expect(told.length).toBeGreaterThan(30);
});

test("a gesture that sets a control or chooses a value moves it, and has it read at once where no gesture is owed", () => {
  const moved = plans.flatMap(({ plan: { sheet, bundle } }) =>
    sheet.flatMap((step) => {
      const { gesture } = step;
      if (!gesture || "putBack" in gesture || !step.id.startsWith("do:")) return [];
      const set =
        "set" in gesture
          ? { id: gesture.set.control, to: gesture.set.to }
          : "choose" in gesture && gesture.choose.as !== undefined
            ? { id: gesture.choose.item, to: gesture.choose.as }
            : undefined;
      const kinds = ["switches", "dials", "values"] as const;
      const moves = step.effects.filter((effect) => kinds.some((kind) => kind === effect.kind));
      if (!set) {
        expect(
          moves.filter((effect) => "to" in effect && Object.keys(effect.to as object).length === 1),
        ).toEqual([]);
        return [];
      }
      const kind =
        "choose" in gesture
          ? "values"
          : bundle.board.dials.some(({ id }) => id === set.id)
            ? "dials"
            : "switches";
      expect(moves).toContainEqual({ kind, to: { [set.id]: set.to } });
      const owed = bundle.board.commits.some((commit) => commit.for === kind);
      expect(step.effects.some((effect) => effect.kind === "commit" && effect.which === kind)).toBe(!owed);
      return [set.id];
    }),
  );
  expect(moved.length).toBeGreaterThan(0);
});

test("a key outside the cabinet is cautioned about wherever a gesture reads the controls with it", () => {
  for (const { plan } of plans)
    for (const commit of plan.bundle.board.commits) {
      const [step] = plan.sheet.filter((each) => each.id.startsWith(`commit:${commit.id}:`));
      if (!step) continue;
      const keys = touchedBy(commit.by).flatMap((part) => (part.kind === "key" ? [part.id] : []));
      const outside = plan.bundle.board.keys.flatMap((key) =>
        keys.includes(key.id) ? (key.outside ?? []) : [],
      );
      if (outside.length) expect(step.caution).toBe(outside[0]);
    }
});

test("what tells where the leaf is commands nothing: it is proved by learning, never pressed", () => {
  const ends: readonly string[] = ["limit-open", "limit-closed", "limits", "encoder"];
  const tried = boardIds().flatMap((id) =>
    shippedDevices()
      .filter(({ contacts }) => contacts.length > 0 && contacts.every(({ duty }) => ends.includes(duty)))
      .filter(({ contacts }) =>
        shippedBoard(id).inputs.some(({ takes }) => contacts.some(({ duty }) => takes.includes(duty))),
      )
      .flatMap((device) => {
        const { sheet, wiring } = planJob(bundleOn(id, [...fittingDrives(id), device.id]));
        const own = wiring.placements.filter(
          ({ demand, place }) => demand.kind === "contact" && ends.includes(demand.contact.duty) && place,
        );
        for (const { demand } of own)
          expect(sheet.filter((step) => step.id.startsWith(`prove:${demand.device.id}`))).toEqual([]);
        return own;
      }),
  );
  expect(tried.length).toBeGreaterThan(3);
});

test("a reading is asked for between limits that a meter can show", () => {
  const asked = plans.flatMap(({ plan }) => plan.sheet.flatMap(({ readings }) => readings ?? []));
  expect(asked.length).toBeGreaterThan(20);
  for (const { least = 0, most = 1e6 } of asked) {
    expect(Number.isFinite(least) && Number.isFinite(most)).toBe(true);
    expect(least).toBeLessThanOrEqual(most);
  }
});

test("the survey is open until there are devices and the board as found is noted", () => {
  for (const id of boardIds()) {
    const survey = (devices: string[], noted: boolean) => {
      const bundle = bundleOn(id, devices);
      bundle.job.found.noted = noted;
      const { state, reason } = planOnce(bundle).statuses[0]!;
      return [state, reason];
    };
    expect(survey([], true)[0]).not.toBe("settled");
    expect(survey(usualDevices(id), false)).toEqual(["open", "Still wanted: the board as it was found."]);
    expect(survey(usualDevices(id), true)[0]).toBe("settled");
  }
});

test("a value chosen in a procedure of the profile's own is moved by its step", () => {
  const bundle = bundleOn("furzel-slathorn", usualDevices("furzel-slathorn"));
  const [procedure] = bundle.board.procedures.filter((each) => each.station);
  procedure!.steps[0]!.do = [{ choose: { item: "stop-acts", as: "01" } }];
  const step = planJob(bundle).sheet.find((each) => each.id.startsWith(`do:${procedure!.id}:`))!;
  expect(step.effects).toContainEqual({ kind: "values", to: { "stop-acts": "01" } });
});

test("a battery is joined last without power where the board lives on it, and under power everywhere else", () => {
  const joined = boardIds().flatMap((id) => {
    const given = bundleOn(id, ["quillmarsh-reserve"]);
    const steps = planJob(given).sheet.filter((step) => step.id.startsWith("wire:battery-1:"));
    return steps.map(({ station, needs }) => {
      const solar = given.board.supply.kind === "solar";
      expect([id, station, needs]).toEqual(
        solar ? [id, "wire", undefined] : [id, "power-up", [{ powered: true }]],
      );
      return solar;
    });
  });
  expect(joined.length).toBeGreaterThan(1);
});
