import { terminalsOf } from "../board/index.ts";
import { boardOnSite } from "../job/index.ts";
import { conductorOhms, listed, plainNumber } from "../quantity/index.ts";
import { eachWiring as each, found } from "../testing/any-wiring.ts";
import { boardIds, bundleOn, fittingDrives } from "../testing/shipped.ts";
import { billOf } from "./cables/index.ts";
import { planWiring } from "./index.ts";
import { feedGives, pinsOf, type Placement } from "./place/index.ts";

const deviceOf = ({ subjects }: { subjects: { kind: string; id: string }[] }) =>
  subjects.find(({ kind }) => kind === "device")?.id;

test("a core has the resistance of its cable: its part's strands, its length, its size (IEC 60228, classes 2 and 5)", () => {
  let solid = 0;
  each(({ cores, devices }, { job }) => {
    for (const core of cores.filter(({ device }) => device !== undefined)) {
      const profile = devices.find(({ id }) => id === core.device)!.profile;
      const part = profile.parts.find(({ id }) => id === core.part)!;
      const pin = profile.pins.find(({ id }) => id === core.pin)!;
      expect(core.part).toBe(pin.part);
      if (core.from.kind !== "pin") {
        expect(core.cable).toBeUndefined();
        continue;
      }
      const cable = job.devices.find(({ id }) => id === core.device)!.cables[core.part]!;
      expect(core.cable).toEqual(cable);
      solid += Number(part.strands === "solid");
      expect(core.ohms).toBe(
        conductorOhms(cable.sizeMm2, cable.lengthM, 20, part.strands === "solid" ? 2 : 5),
      );
    }
  });
  expect(solid).toBeGreaterThan(3);
});

test("every pin of what has a place has its core, once, and a pin of what has none has none", () => {
  each(({ placements, cores }, _bundle, id) => {
    for (const { demand, place } of placements)
      for (const pin of pinsOf(demand)) {
        const own = cores.filter(
          (core) => core.device === demand.device.id && core.pin === pin && core.from.kind === "pin",
        );
        const shared = placements.some(
          (other) =>
            other.demand !== demand &&
            other.place &&
            other.demand.device.id === demand.device.id &&
            pinsOf(other.demand).includes(pin),
        );
        if (place) expect([id, demand.device.id, pin, own.length]).toEqual([id, demand.device.id, pin, 1]);
        else if (!shared)
          expect([id, demand.device.id, pin, own.length]).toEqual([id, demand.device.id, pin, 0]);
      }
  });
});

test("the bill sums what is cut, kind by kind, counts each connector once, and names every coil that wants suppression", () => {
  let coils = 0;
  each(({ devices, cores, cables }) => {
    const bill = billOf(devices, cores, cables);
    const metres = bill.filter(({ unit }) => unit === "m");
    expect(metres.reduce((sum, { amount }) => sum + amount, 0)).toBeCloseTo(
      cables.reduce((sum, { cutM }) => sum + cutM, 0),
    );
    for (const { what, why, amount } of metres) {
      const members = cables.filter(({ label, cutM }) => why.includes(`${label} ${plainNumber(cutM)} m`));
      expect(members.length).toBeGreaterThan(0);
      expect(what.includes("for mains")).toBe(members.some(({ carries }) => carries === "mains"));
      expect(amount).toBeGreaterThan(0);
    }
    const joints = new Set(cores.flatMap(({ to }) => (to.kind === "joint" ? [to.joint] : [])));
    expect(bill.find(({ what }) => what.startsWith("Connector"))?.amount ?? 0).toBe(joints.size);
    const wanting = devices.filter(({ profile }) =>
      profile.supplies.some(({ suppression }) => suppression === "to be fitted"),
    );
    const line = bill.find(({ what }) => what.startsWith("Suppression"));
    expect(line?.amount ?? 0).toBe(wanting.length);
    for (const { name } of wanting) expect(line?.why).toContain(name);
    coils += wanting.length;
  });
  expect(coils).toBeGreaterThan(3);
});

test("a device without a place is told once for each part, and one whose input is taken says by whom", () => {
  each((plan, { board }, id) => {
    const without = plan.placements.filter(({ place }) => !place);
    const codes = [
      "device-unplaced",
      "open-contact-on-closed-input",
      "ac-on-dc",
      "source-of-another-voltage",
    ];
    const told = codes.flatMap((code) => found(plan, code)).map(deviceOf);
    for (const { demand } of without)
      expect([id, told]).toEqual([id, expect.arrayContaining([demand.device.id])]);
    for (const finding of found(plan, "device-unplaced")) {
      expect(without.map(({ demand }) => demand.device.id)).toContain(deviceOf(finding));
      const input = finding.subjects.find(({ kind }) => kind === "input")?.id;
      const users = plan.placements.filter(
        ({ place }) => place?.kind === "input" && place.input.id === input,
      );
      if (finding.values.part === "supply" || !/ is taken by /.test(finding.values.reason!)) continue;
      expect(board.inputs.some((each) => each.id === input)).toBe(true);
      for (const { demand } of users) expect(finding.values.reason).toContain(demand.device.name);
      for (const { name } of plan.devices.filter(
        ({ id: other }) => !users.some(({ demand }) => demand.device.id === other),
      ))
        if (!users.some(({ demand }) => demand.device.name.includes(name)))
          expect(finding.values.reason).not.toContain(`${name} `);
    }
  });
});

test("an input that cannot be shared and is taken: the second device is told, with the first by name and no other", () => {
  const told = boardIds().flatMap((id) => {
    const bundle = bundleOn(id, ["lumbrick-ribbon", "lumbrick-ribbon", "lumbrick-halt"]);
    // An edge that does not go on at its far end: a second one finds nothing to go on from.
    for (const { contacts } of bundle.devices) for (const contact of contacts) delete contact.through;
    const plan = planWiring({ ...bundle, board: boardOnSite(bundle.job, bundle.board) });
    return found(plan, "device-unplaced").flatMap((finding) => {
      const reason = finding.values.reason!;
      if (!/ is taken by /.test(reason)) return [];
      const input = finding.subjects.find(({ kind }) => kind === "input")?.id;
      const users = plan.placements.flatMap(({ demand, place }) =>
        place?.kind === "input" && place.input.id === input ? [demand.device.name] : [],
      );
      expect(users.length).toBeGreaterThan(0);
      expect(reason).toContain(`is taken by ${listed(users)}, and what`);
      return [id];
    });
  });
  expect(told.length).toBeGreaterThan(0);
});

test("contacts that share a closed input are told as a chain, with each device, and no other input is", () => {
  let chains = 0;
  each((plan, { board }, id) => {
    const users = (input: string) =>
      plan.placements.filter(
        ({ demand, place }) =>
          demand.kind === "contact" && place?.kind === "input" && place.input.id === input,
      );
    const chained = board.inputs.filter((input) => input.contact === "closed" && users(input.id).length > 1);
    const told = found(plan, "contacts-chained");
    expect([id, told.map(({ subjects }) => subjects[0]!.id)]).toEqual([id, chained.map((input) => input.id)]);
    for (const { subjects, values } of told) {
      const devices = users(subjects[0]!.id).map(({ demand }) => demand.device);
      expect(subjects.slice(1).map(({ id: device }) => device)).toEqual(devices.map((device) => device.id));
      for (const { name } of devices) expect(values.devices).toContain(name);
      const input = board.inputs.find((one) => one.id === subjects[0]!.id)!;
      const tests = users(input.id).some(
        ({ demand }) => demand.kind === "contact" && demand.contact.test !== undefined,
      );
      expect([id, input.id, values.lost !== ""]).toEqual([id, input.id, tests && input.test !== undefined]);
      chains += 1;
    }
  });
  expect(chains).toBeGreaterThan(5);
});

test("a clamp that holds more cores than it may is told with both numbers, and no other is", () => {
  each(({ cores, findings }, { board }, id) => {
    const held = (terminal: string) =>
      cores.filter(({ to }) => to.kind === "terminal" && to.terminal === terminal).length;
    const crowded = terminalsOf(board).filter((terminal) => held(terminal.id) > terminal.holds);
    const told = findings.filter(({ code }) => code === "terminal-crowded");
    expect([id, told.map(({ values }) => [values.terminal, values.cores, values.holds])]).toEqual([
      id,
      crowded.map((terminal) => [terminal.id, `${held(terminal.id)} cores`, String(terminal.holds)]),
    ]);
  });
});

test("every reason names the place it is the reason of", () => {
  each(({ placements }) => {
    for (const { place, why } of placements)
      switch (place?.kind) {
        case undefined:
          expect(why).toBe("No place for it.");
          break;
        case "input":
          expect(why).toContain(`${place.input.label} (${place.input.terminal})`);
          break;
        case "rail":
          expect(why.startsWith(`${place.rail.label}: `)).toBe(true);
          expect(why).toContain(`${plainNumber(place.rail.volts)} V ${place.rail.kind.toUpperCase()}`);
          break;
        case "relay":
          expect(why).toContain(place.output.label);
          expect(why).toContain(feedGives(place.feed).label);
          break;
        case "output":
          expect(why).toContain(place.output.label);
          break;
        case "made":
          expect(why).toContain(place.made.name);
          break;
        case "inlet":
          expect(why).toContain(`${place.plus} and ${place.minus}`);
      }
  });
});

test("what must always live on a rail that sleeps is told, and what must sleep on one that never does", () => {
  let told = 0;
  each((plan) => {
    /** The rail of the board that something is fed from, by way of a converter or not. */
    const railOf = (place: Placement["place"]): string | undefined => {
      if (place?.kind === "rail") return place.rail.live;
      if (place?.kind !== "made") return undefined;
      const { device } = place.made;
      return railOf(
        plan.placements.find(({ demand }) => demand.kind === "supply" && demand.device.id === device)?.place,
      );
    };
    const on = (lives: "always" | "switched", wrong: (live: string) => boolean) =>
      plan.placements.flatMap(({ demand, place }) => {
        const live = railOf(place);
        return demand.kind === "supply" && demand.supply.lives === lives && live !== undefined && wrong(live)
          ? [demand.device.id]
          : [];
      });
    expect(found(plan, "rail-sleeps").map(deviceOf)).toEqual(on("always", (live) => live !== "always"));
    expect(found(plan, "rail-never-sleeps").map(deviceOf)).toEqual(
      on("switched", (live) => live === "always"),
    );
    told += found(plan, "rail-sleeps").length + found(plan, "rail-never-sleeps").length;
  });
  expect(told).toBeGreaterThan(0);
});

test("an instance whose profile is nowhere is left out, and the rest is planned as if it were not there", () => {
  const bundle = bundleOn("quillmarsh-tandrel", ["oddlume-glance", "lumbrick-halt"]);
  const board = boardOnSite(bundle.job, bundle.board);
  const alone = planWiring({
    ...bundle,
    board,
    devices: bundle.devices.filter(({ id }) => id !== "oddlume-glance"),
  });
  expect(alone.devices.map(({ profile }) => profile.id)).toEqual(["lumbrick-halt"]);
  expect(alone.cores.filter(({ device }) => device !== undefined && device !== "stop-button-1")).toEqual([]);
});

test("no two drives run on one output: one too many has no place", () => {
  for (const id of boardIds()) {
    const drives = fittingDrives(id);
    if (!drives.length) continue;
    const bundle = bundleOn(id, [...drives, drives[0]!]);
    const { placements } = planWiring({ ...bundle, board: boardOnSite(bundle.job, bundle.board) });
    const rails = placements.flatMap(({ demand, place }) =>
      demand.kind === "supply" && demand.duty.startsWith("drive") && place?.kind === "rail"
        ? [place.rail.id]
        : [],
    );
    expect([id, new Set(rails).size]).toEqual([id, rails.length]);
  }
});

test("a chain says which card would give each its own input, and nothing once that card is fitted", () => {
  const devices = ["oddlume-glance", "oddlume-glance", "oddlume-glance"];
  const room = (cards: string[]) => {
    const bundle = bundleOn("osierbeck-quernish", devices, {}, "", undefined, cards);
    return found(
      planWiring({ ...bundle, board: boardOnSite(bundle.job, bundle.board) }),
      "contacts-chained",
    ).map(({ values }) => values.room);
  };
  expect(room([])).toEqual([expect.stringContaining("Expansion 2P")]);
  expect(room(["more-protection"]).join("")).not.toContain("Expansion 2P");
});
