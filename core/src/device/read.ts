import { parseWith, ProblemsError, readYaml, shown, type Problem } from "../finding/index.ts";
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
    if (contact.supply && !device.supplies.some((supply) => supply.id === contact.supply))
      report(
        `contacts[${c}].supply`,
        "a supply of this device",
        contact.supply,
        "Correct the id, or add the supply.",
      );
  });
  for (const key of ["supplies", "provides"] as const)
    device[key].forEach((each, s) => {
      pin(each.pins.plus, `${key}[${s}].pins.plus`);
      pin(each.pins.minus, `${key}[${s}].pins.minus`);
      pair(each.pins.plus, each.pins.minus, `${key}[${s}].pins`);
    });
  device.supplies.forEach((supply, s) => {
    if (supply.volts.min > supply.volts.max)
      report(`supplies[${s}].volts`, "min not over max", supply.volts, "Exchange the two.");
  });
  return problems;
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
