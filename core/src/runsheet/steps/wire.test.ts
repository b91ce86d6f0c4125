import { boardIds, fittingDrives, planOn, shippedBoard } from "../../testing/shipped.ts";
import { readingMisfit } from "../reading.ts";

const stepsOf = (board: string, devices: string[]) => planOn(board, devices).sheet;
const wiringOf = (board: string, devices: string[], device: string) =>
  stepsOf(board, devices).find((step) => step.id.startsWith(`wire:${device}:`))!;

describe("wiring a device", () => {
  test("says what its sheet asks for beyond its pins", () => {
    const bolt = wiringOf("pengrath-drawmel", ["brackwater-plain", "brackwater-shoot"], "lock-1");
    expect(bolt.says).toContain("Fit the diode of its bag across the coil");
    const board = wiringOf("tessock-umbrick", ["tessock-gate-board"], "gate-board-1");
    expect(board.says).toContain("Bridge the two pins marked RUN");
  });

  test("a lock's plug is joined only without power, and the step says so", () => {
    const { caution } = wiringOf("quillmarsh-tandrel", ["brackwater-turn", "brackwater-clasp"], "lock-1");
    expect(caution).toMatch(/only while the system has no power/);
    expect(wiringOf("quillmarsh-tandrel", ["lumbrick-halt"], "stop-button-1").caution).toBeUndefined();
  });

  test("nothing is landed of a device that finds no place on the board", () => {
    const { sheet, wiring } = planOn("dunnick-wendrel", ["lumbrick-halt", "brackwater-plain"]);
    const places = wiring.placements.filter(({ demand }) => demand.device.id === "lock-1");
    expect(places.map(({ place }) => place)).toEqual([undefined]);
    const landing = sheet.filter(({ id }) => id.startsWith("wire:"));
    expect(landing.some(({ id }) => id.startsWith("wire:stop-button-1:"))).toBe(true);
    for (const { id, cores } of landing) expect([id, cores]).not.toEqual([id, []]);
  });

  test("a battery is joined after the first power-up, with a caution of its own", () => {
    const sheet = stepsOf("osierbeck-quernish", ["quillmarsh-reserve", "lumbrick-halt"]);
    const battery = sheet.findIndex((step) => step.id.startsWith("wire:battery-1:"));
    expect(sheet[battery]).toMatchObject({
      station: "power-up",
      title: "Connect Reserve battery pack, 24 V",
      caution: expect.stringContaining("no longer isolates") as string,
    });
    expect(battery).toBeGreaterThan(sheet.findIndex((step) => step.id === "do:power-up:on"));
  });

  test("on a solar board the battery comes last of the wiring, as the board lives on it", () => {
    const sheet = stepsOf("tessock-umbrick", [
      "tessock-sunnick-24",
      "tessock-gate-board",
      "quillmarsh-reserve",
    ]);
    const wiring = sheet.filter((step) => step.station === "wire");
    expect(sheet.filter((step) => step.id.startsWith("wire:battery-1:"))).toHaveLength(1);
    expect(wiring.at(-1)?.id).toMatch(/^wire:battery-1:/);
    // The panel brings its own lead: no other supply is landed.
    expect(wiring.some((step) => step.id.startsWith("wire:mains:"))).toBe(false);
  });
});

test("trap 8 at the step: a jumper for alignment is taken off before anything is proved", () => {
  const prove = stepsOf("quillmarsh-tandrel", ["oddlume-vigil"]).filter((step) => step.station === "prove");
  expect(prove[0]).toMatchObject({
    title: "Vigil photocell, tested, AIM off",
    ifNot: "While it is left on, the receiver takes weak light for its beam and may miss a person.",
  });
});

const provedDead = (board: string) =>
  stepsOf(board, fittingDrives(board)).find((step) => step.id === "isolate:prove-dead")!.readings!;

// Common practice, no published source: each pole is proved against every other and against earth.
test("proved dead between every two phases and to earth, each a reading of its own", () => {
  const pairs = (board: string) => provedDead(board).map(({ quantity }) => quantity);
  const { l1, l2, l3, earth } = shippedBoard("hexby-hoistrum").supply.poles;
  expect(pairs("hexby-hoistrum")).toEqual([
    `${l1} to ${l2}`,
    `${l1} to ${l3}`,
    `${l1} to earth ${earth}`,
    `${l2} to ${l3}`,
    `${l2} to earth ${earth}`,
    `${l3} to earth ${earth}`,
  ]);
  for (const id of boardIds()) {
    const n = Object.values(shippedBoard(id).supply.poles).filter((pole) => pole !== undefined).length;
    expect(new Set(pairs(id)).size).toBe((n * (n - 1)) / 2);
  }
});

test("proved dead means no voltage: half a volt is the instrument's, more is another feed, on every board", () => {
  for (const board of boardIds()) {
    for (const reading of provedDead(board)) {
      expect(readingMisfit(reading, 0.5)).toBeUndefined();
      expect(readingMisfit(reading, 0.6)).toContain("0.6 V measured, at most 0.5 V allowed");
      // A float that is charged through an electrolytic, and the extra-low voltage of a battery.
      for (const volts of [3, 12, 24]) expect(readingMisfit(reading, volts)).toBeDefined();
    }
  }
});
