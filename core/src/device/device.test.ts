import { ProblemsError } from "../finding/index.ts";
import { deviceText, docText, shippedDevices } from "../testing/shipped.ts";
import {
  checkDevice,
  deviceFrom,
  deviceJsonSchema,
  deviceReference,
  parseDevice,
  sketchSchema,
  type DeviceProfile,
} from "./index.ts";

const glance = () => shippedDevices().find((device) => device.id === "oddlume-glance")!;

describe("shipped devices", () => {
  test("contradict themselves nowhere, and carry ids of their own", () => {
    const devices = shippedDevices();
    expect(devices.length).toBeGreaterThanOrEqual(8);
    expect(new Set(devices.map((device) => device.id)).size).toBe(devices.length);
    for (const device of devices) expect(checkDevice(device, device.id)).toEqual([]);
  });

  test("the shipped converter draws 1.6 to 1.8 times its d.c. current from the a.c. side (power supply handbooks, from memory)", () => {
    const converter = shippedDevices().find((device) => device.kind === "converter")!;
    const ratio = converter.supplies[0]!.milliamps.working / converter.provides[0]!.limitMilliamps;
    expect(ratio).toBeGreaterThanOrEqual(1.6);
    expect(ratio).toBeLessThanOrEqual(1.8);
  });

  type Change = (device: DeviceProfile) => void;
  const cases: [string, Change, RegExp][] = [
    ["two pins of one id", (d) => (d.pins[1]!.id = "s-plus"), /pins\[1\]\.id: expected a pin id of its own/],
    [
      "a contact between one pin",
      (d) => (d.contacts[0]!.pins = ["r-a", "r-a"]),
      /contacts\[0\]\.pins: expected two different pins/,
    ],
    [
      "a contact on no pin",
      (d) => (d.contacts[0]!.pins = ["r-a", "r-z"]),
      /contacts\[0\]\.pins\[1\]: .*found "r-z"/,
    ],
    [
      "a pin tied to both poles",
      (d) => (d.supplies[0]!.pins = { plus: "s-plus", minus: "s-plus" }),
      /supplies\[0\]\.pins: expected two different pins/,
    ],
    [
      "a supply that is not there",
      (d) => (d.contacts[0]!.supply = "mains"),
      /contacts\[0\]\.supply: .*found "mains"/,
    ],
    [
      "volts the wrong way round",
      (d) => (d.supplies[0]!.volts = { min: 28, max: 20 }),
      /supplies\[0\]\.volts: expected min not over max/,
    ],
    ["no pins", (d) => (d.pins = []), /pins: expected at least two pins/],
  ];

  test.each(cases)("%s is refused with its place", (_name, change, message) => {
    const device = glance();
    change(device);
    expect(() => parseDevice(device, "x")).toThrow(ProblemsError);
    expect(() => parseDevice(device, "x")).toThrow(message);
  });
});

describe("the reference page of devices", () => {
  test("is the one the schema makes: run `npm run reference` after a change", () => {
    expect(docText("device-format.md")).toBe(deviceReference(deviceText("oddlume-vigil")));
    expect(JSON.parse(docText("device.schema.json"))).toEqual(deviceJsonSchema());
  });
});

describe("a device described in a form", () => {
  const supply = {
    duty: "accessory" as const,
    kind: "dc" as const,
    minVolts: 12,
    maxVolts: 28,
    restMilliamps: 10,
    workingMilliamps: 40,
    lives: "always" as const,
  };

  test("becomes a profile that reads without a problem, contact and supply on pins of their own", () => {
    const device = deviceFrom({
      name: "Quay sensor, Nº 2",
      kind: "sensor",
      contact: { duty: "photocell", rest: "closed", tripped: "something stands there" },
      supply,
    });
    expect(parseDevice(device, "own")).toMatchObject({ id: "own-quay-sensor-no-2", maker: "own" });
    expect(device.pins.map((pin) => pin.id)).toEqual(["plus", "minus", "a", "b"]);
    expect(device.contacts[0]?.supply).toBe("supply");
  });

  test("without contact and supply, or with its volts the wrong way round, it is refused with its place", () => {
    const bare = sketchSchema.safeParse({ name: "Nothing", kind: "sensor" });
    expect(bare.error?.issues.map(({ path, message }) => [path.join("."), message])).toEqual([
      ["contact", "a contact, a supply, or both: a device without pins cannot be wired"],
    ]);
    const turned = sketchSchema.safeParse({ name: "x", kind: "sensor", supply: { ...supply, minVolts: 30 } });
    expect(turned.error?.issues[0]?.path).toEqual(["supply", "maxVolts"]);
  });
});
