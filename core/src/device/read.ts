import {
  inspectYaml,
  parseWith,
  ProblemsError,
  readYaml,
  shown,
  type Inspected,
  type Problem,
} from "../finding/index.ts";
import { deviceSchema, type DeviceProfile } from "./schema.ts";

/** What in a device profile contradicts itself, beyond its schema. */
export function checkDevice(device: DeviceProfile, file: string): Problem[] {
  const problems: Problem[] = [];
  const report = (path: string, expected: string, found: unknown, remedy: string) =>
    problems.push({ file, path, expected, found: shown(found), remedy });
  const pins = device.pins.map((pin) => pin.id);
  const parts = device.parts.map((part) => part.id);
  const pin = (id: string, path: string) => {
    if (!pins.includes(id))
      report(path, `a pin of this device (${pins.join(", ")})`, id, "Correct the id, or add the pin.");
  };
  const pair = (a: string, b: string, path: string) => {
    if (a === b) report(path, "two different pins", a, "One pin cannot be both ends.");
  };
  if (device.pins.length < 2 && !device.radio)
    report(
      "pins",
      "at least two pins, or `radio` for a device without cores",
      device.pins.length,
      "Add its pins, each with its part and the colour of its core.",
    );
  const supply = (id: string | undefined, path: string, or = "") => {
    if (id !== undefined && !device.supplies.some((each) => each.id === id))
      report(path, `a supply${or} of this device`, id, "Correct the id, or add the supply.");
  };
  device.pins.forEach((each, at) => {
    if (pins.indexOf(each.id) !== at) report(`pins[${at}].id`, "a pin id of its own", each.id, "Rename it.");
    if (!parts.includes(each.part))
      report(
        `pins[${at}].part`,
        `a part of this device (${parts.join(", ")})`,
        each.part,
        "Correct the id, or add the part.",
      );
  });
  if (device.earth !== undefined) pin(device.earth, "earth");
  const used = device.supplies.flatMap(({ pins: poles }) => Object.values(poles));
  if (device.earth !== undefined && used.includes(device.earth))
    report("earth", "a pin that carries no current", device.earth, "Name the earth's own pin.");
  if (device.earth !== undefined && device.doubleInsulated)
    report(
      "doubleInsulated",
      "no protective earth on what is doubly insulated",
      device.earth,
      "Leave one of the two out.",
    );
  device.contacts.forEach((contact, c) => {
    contact.pins.forEach((id, at) => pin(id, `contacts[${c}].pins[${at}]`));
    pair(contact.pins[0], contact.pins[1], `contacts[${c}].pins`);
    if ((contact.senses === "resistor") !== (contact.ohms !== undefined))
      report(
        `contacts[${c}].ohms`,
        contact.ohms === undefined ? "the end resistor, ohms" : "no resistor on a plain contact",
        contact.ohms,
        "A contact with an end resistor says how many ohms, and no other does.",
      );
    contact.through?.forEach((id, at) => pin(id, `contacts[${c}].through[${at}]`));
    if (contact.through && contact.ohms === undefined)
      report(
        `contacts[${c}].through`,
        "an end resistor for a far end",
        contact.through,
        "Give its ohms, or leave it out.",
      );
    supply(contact.supply, `contacts[${c}].supply`);
    if (contact.test !== undefined && !pins.includes(contact.test))
      supply(contact.test, `contacts[${c}].test`, " or a pin");
  });
  for (const key of ["supplies", "provides"] as const)
    device[key].forEach((each, s) => {
      pin(each.pins.plus, `${key}[${s}].pins.plus`);
      pin(each.pins.minus, `${key}[${s}].pins.minus`);
      pair(each.pins.plus, each.pins.minus, `${key}[${s}].pins`);
      if (each.pins.third !== undefined) pin(each.pins.third, `${key}[${s}].pins.third`);
    });
  device.listens.forEach((each, at) => {
    each.pins.forEach((id, end) => pin(id, `listens[${at}].pins[${end}]`));
    pair(each.pins[0], each.pins[1], `listens[${at}].pins`);
  });
  device.provides.forEach((rail, at) => {
    supply(rail.from, `provides[${at}].from`);
    if (rail.noLoadVolts !== undefined && rail.noLoadVolts < rail.volts)
      report(
        `provides[${at}].noLoadVolts`,
        `at least the ${rail.volts} V it gives under load`,
        rail.noLoadVolts,
        "Exchange the two, or leave it out.",
      );
  });
  device.supplies.forEach((supply, s) => {
    if (supply.volts.min > supply.volts.max)
      report(`supplies[${s}].volts`, "min not over max", supply.volts, "Exchange the two.");
  });
  return problems;
}

/** A device profile being written: what it is as soon as its form is right, and everything that is wrong, with line and column. */
export function inspectDevice(text: string, file: string): Inspected<DeviceProfile> {
  return inspectYaml(text, file, { schema: deviceSchema, check: checkDevice });
}

/** Reads a device from YAML. Throws ProblemsError with line and column of everything that is wrong. */
export function readDevice(text: string, file: string): DeviceProfile {
  return readYaml(text, file, { schema: deviceSchema, check: checkDevice });
}

/** Reads a device that is data already. Throws ProblemsError with the place of each fault. */
export function parseDevice(data: unknown, file: string): DeviceProfile {
  const device = parseWith(deviceSchema, data, file);
  const problems = checkDevice(device, file);
  if (problems.length) throw new ProblemsError(problems);
  return device;
}
