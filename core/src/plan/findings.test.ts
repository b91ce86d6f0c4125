import { settableBehaviours, theLeaf } from "../board/index.ts";
import { foundPositions, planControls } from "../controls/index.ts";
import { boardOnSite, type JobBundle } from "../job/index.ts";
import { sentence } from "../quantity/index.ts";
import { boardIds, bundleOn, fittingDrives, shippedDevices } from "../testing/shipped.ts";
import { planWiring } from "../wiring/index.ts";
import { siteWideFindings } from "./findings.ts";
import { wishesOf } from "./wishes/index.ts";

/** The job on site with its devices in their places; the rest of a plan matters to none of these. */
const found = (bundle: JobBundle) => {
  const wiring = planWiring(bundle);
  const positions = foundPositions(bundle.board, bundle.job.found);
  const controls = planControls(bundle.board, wishesOf(bundle, wiring), positions);
  return siteWideFindings({ bundle, wiring, controls });
};
const codes = (...given: Parameters<typeof bundleOn>) => found(bundleOn(...given)).map((each) => each.code);

/** Boards with a leaf of their own that can be told to close by themselves. */
const closing = boardIds().filter(
  (id) =>
    fittingDrives(id).length > 0 &&
    settableBehaviours(bundleOn(id, []).board).has("automatic-closing") &&
    bundleOn(id, []).board.inputs.some(({ guards }) => guards.includes("closing")),
);
const ofKind = (kind: string) => shippedDevices().filter((device) => device.kind === kind);

describe("trap 30: closing by itself with nothing that guards the closing", () => {
  const unguarded = (id: string, devices: string[], automatic: boolean) =>
    codes(id, devices, { "automatic-closing": automatic }).includes("automatic-closing-unprotected");
  /** Of this kind, the first device that the board has an input for which guards the closing. */
  const guard = (id: string, kind: string) =>
    ofKind(kind).find((device) => {
      const { placements } = planWiring(bundleOn(id, [device.id]));
      return placements.some(
        ({ demand, place }) =>
          demand.kind === "contact" &&
          demand.contact.duty === kind &&
          place?.kind === "input" &&
          place.input.guards.includes("closing"),
      );
    })?.id;

  test("is told without a guard, and only of a gate that closes by itself", () => {
    expect(closing.length).toBeGreaterThan(5);
    for (const id of closing) {
      expect([id, unguarded(id, [], true)]).toEqual([id, true]);
      expect([id, unguarded(id, [], false)]).toEqual([id, false]);
      // A button guards nothing, wherever it sits.
      expect([id, unguarded(id, ["lumbrick-bell-push"], true)]).toEqual([id, true]);
    }
  });

  test.each(["photocell", "edge"])("one %s alone is a guard", (kind) => {
    const guards = closing.flatMap((id) => {
      const device = guard(id, kind);
      return device === undefined ? [] : [[id, device] as const];
    });
    expect(guards.length).toBeGreaterThan(2);
    for (const [id, device] of guards)
      expect([id, device, unguarded(id, [device], true)]).toEqual([id, device, false]);
  });
});

test("another firmware than the profile was written for is told, the same and none are not", () => {
  for (const id of boardIds()) {
    const [known] = bundleOn(id, []).board.firmware;
    const unknown = (found: string) => codes(id, [], {}, found).includes("firmware-unknown");
    expect([id, unknown("0.0-odd"), unknown(known ?? ""), unknown("")]).toEqual([id, true, false, false]);
  }
});

test("a leaf without its drive, or without a stop that its board needs, is told leaf by leaf", () => {
  for (const id of boardIds()) {
    const drives = fittingDrives(id);
    const given = bundleOn(id, drives);
    const own = (code: string, bundle = given) =>
      found(bundle)
        .filter((each) => each.code === code)
        .map((each) => each.values.leaf);
    const leaves = given.job.survey.leaves.map((leaf) => sentence(theLeaf(given.board, leaf.id)));
    expect([id, own("leaf-without-drive")]).toEqual([
      id,
      drives.length || given.board.leaves === 0 ? [] : leaves,
    ]);
    expect([id, own("leaf-without-drive", bundleOn(id, []))]).toEqual([id, given.board.leaves ? leaves : []]);
    const needed = given.board.leaves > 0 && given.board.limits.every((limit) => limit === "stops");
    const bare = structuredClone(given);
    for (const leaf of bare.job.survey.leaves) Object.assign(leaf, { stopOpen: false, stopClosed: true });
    expect([id, own("leaf-without-stops", bare)]).toEqual([id, needed ? leaves : []]);
    for (const leaf of bare.job.survey.leaves) Object.assign(leaf, { stopOpen: true, stopClosed: true });
    expect([id, own("leaf-without-stops", bare)]).toEqual([id, []]);
  }
});

test("a leaf heavier than its drive is made for, or a header too shallow for it, is told; at the limit neither", () => {
  for (const id of boardIds()) {
    const [drive] = fittingDrives(id);
    const rated =
      drive === undefined ? undefined : shippedDevices().find((each) => each.id === drive)?.drives;
    if (!rated?.ratedMassKg) continue;
    const told = (massKg: number, headerDepthMm?: number) => {
      const bundle = bundleOn(id, [drive!]);
      for (const leaf of bundle.job.survey.leaves)
        Object.assign(leaf, { massKg }, headerDepthMm === undefined ? {} : { headerDepthMm });
      return found(bundle)
        .map(({ code }) => code)
        .filter((code) => code === "leaf-too-heavy" || code === "header-too-shallow");
    };
    expect([id, told(rated.ratedMassKg)]).toEqual([id, []]);
    expect([id, told(rated.ratedMassKg + 1)]).toEqual([id, ["leaf-too-heavy"]]);
    const { headerDepthMm: depth } = rated;
    if (depth === undefined) continue;
    expect([id, told(rated.ratedMassKg, depth)]).toEqual([id, []]);
    expect([id, told(rated.ratedMassKg, depth - 1)]).toEqual([id, ["header-too-shallow"]]);
  }
});

test("trap 28: a device that talks by radio names the cards that would hear it, and only the slots they fit", () => {
  const placing = (given: JobBundle) =>
    planWiring({ ...given, board: boardOnSite(given.job, given.board) }).findings;
  const told = boardIds().flatMap((id) => {
    const { board } = bundleOn(id, []);
    return shippedDevices().flatMap(({ id: device, radio }) => {
      if (!radio) return [];
      const given = bundleOn(id, [device], {}, "", undefined, []);
      const hearing = board.cards.filter(({ kind }) => kind === radio.card);
      const slots = board.slots.filter(({ takes }) => hearing.some((card) => takes.includes(card.id)));
      const [missing] = placing(given).filter((each) => each.code === "radio-card-missing");
      const fitted = placing({ ...given, job: { ...given.job, cards: hearing.map((card) => card.id) } });
      if (hearing.length) {
        expect([id, device, fitted.some((each) => each.code === "radio-card-missing")]).toEqual([
          id,
          device,
          false,
        ]);
        for (const card of hearing) expect(missing?.values.remedy).toContain(card.name);
      }
      // Without a card made for it a board hears remotes where it keeps them itself, and else nothing.
      const byItself = radio.card === "radio" && board.memories.some((memory) => memory.holds === "remotes");
      expect([id, device, missing === undefined]).toEqual([id, device, !hearing.length && byItself]);
      if (!missing) return [];
      expect(missing.subjects.flatMap((each) => (each.kind === "slot" ? [each.id] : []))).toEqual(
        slots.map((slot) => slot.id),
      );
      return [board.cards.length > hearing.length];
    });
  });
  // Somewhere a card of another kind fits too, and is not named.
  expect(told.length).toBeGreaterThan(2);
  expect(told).toContain(true);
});

describe("a board that closes by itself, whatever is wished", () => {
  const always = boardIds().filter((id) => bundleOn(id, []).board.fixed["automatic-closing"] === true);

  test("is told where nothing guards its closing, and a sensor that is switched off guards nothing", () => {
    for (const id of [...always, "osierbeck-quernish"]) {
      const wishes = { "automatic-closing": true };
      expect([id, codes(id, [], wishes)]).toEqual([
        id,
        expect.arrayContaining(["automatic-closing-unprotected"]),
      ]);
    }
  });

  test("a photocell set to act while opening alone guards no closing; a radio edge does once its card is fitted", () => {
    const closes = { "automatic-closing": true };
    const danger = (...given: Parameters<typeof bundleOn>) =>
      codes(...given).includes("automatic-closing-unprotected");
    expect(danger("osierbeck-quernish", ["lumbrick-farwisp"], closes, "", undefined, [])).toBe(true);
    expect(danger("osierbeck-quernish", ["lumbrick-farwisp"], closes, "", undefined, ["wireless-edge"])).toBe(
      false,
    );
    expect(danger("osierbeck-quernish", ["oddlume-glance"], closes)).toBe(false);
    const off = boardIds().filter((id) => {
      const { board } = bundleOn(id, []);
      const input = board.inputs.find(
        (each) => each.takes[0] === "photocell" && each.guards.join() === "closing",
      );
      return input?.off && settableBehaviours(board).has("automatic-closing") ? input.off : undefined;
    });
    for (const id of off) {
      const { board } = bundleOn(id, []);
      const input = board.inputs.find(
        (each) => each.takes[0] === "photocell" && each.guards.join() === "closing",
      )!;
      const wishes = { ...closes, [input.off!.behaviour]: input.off!.is };
      expect([id, danger(id, ["oddlume-glance"], closes)]).toEqual([id, false]);
      expect([id, danger(id, ["oddlume-glance"], wishes)]).toEqual([id, true]);
    }
    expect(off.length).toBeGreaterThan(0);
  });
});
