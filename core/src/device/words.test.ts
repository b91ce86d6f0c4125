import { shippedDevices } from "../testing/shipped.ts";
import { deviceKindName, deviceText, deviceWords, suppliedWith } from "./index.ts";

const device = (id: string) => shippedDevices().find((each) => each.id === id)!;
/** Devices in which every one of some words occurs. */
const found = (query: string) =>
  shippedDevices()
    .filter((each) =>
      query.split(" ").every((word) => deviceWords(each).toLowerCase().includes(word.toLowerCase())),
    )
    .map(({ id }) => id);

describe("devices are found by what they are and do", () => {
  test("an end resistor by its value in both ways of writing it: 8k2 is 8.2 kΩ (IEC 60062, from memory)", () => {
    expect(found("8k2")).toEqual(found("8.2 kΩ"));
    expect(found("8k2")).toContain("lumbrick-ribbon");
  });

  test("a kind by the words of the trade", () => {
    for (const [words, kind] of [
      ["beam", "photocell"],
      ["strike", "lock"],
      ["transmitter", "remote"],
      ["beacon", "flashing-light"],
      ["mushroom", "stop-button"],
    ] as const) {
      const kinds = found(words).map((id) => device(id).kind);
      expect(kinds).toContain(kind);
    }
    expect(found("photocell").map((id) => device(id).kind)).toContain("photocell");
  });

  test("a lock of 24 V by both; what no device is, by nothing", () => {
    expect(found("lock 24")).toContain("brackwater-haspet");
    expect(found("lock periscope")).toEqual([]);
  });

  test("each says in a line what it gives and takes", () => {
    for (const each of shippedDevices()) {
      expect(deviceText(each)).toMatch(/^[A-Z0-9].{3,}/);
      expect(deviceKindName(each.kind)).not.toContain("-");
    }
    expect(deviceText(device("brackwater-haspet"))).toBe("20 to 28 V AC or DC, 380 mA");
    expect(suppliedWith({ volts: { min: 24, max: 24 }, kind: "dc" })).toBe("24 V DC");
  });
});
