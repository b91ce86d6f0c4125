import { listed, plainNumber, sentence, spanText } from "../quantity/index.ts";
import type { CoreColour, DeviceContact, DeviceProfile, DeviceSupply } from "./schema.ts";

type Kind = DeviceProfile["kind"];

/** What core colours are called. */
export const coreColourNames: Readonly<Record<CoreColour, string>> = {
  BK: "black",
  BN: "brown",
  RD: "red",
  OG: "orange",
  YE: "yellow",
  GN: "green",
  BU: "blue",
  VT: "violet",
  GY: "grey",
  WH: "white",
  PK: "pink",
  TQ: "turquoise",
  GNYE: "green and yellow",
};

/** What devices of each kind are called, and by which other words people look for them. Common practice, no published source. */
const kinds: Record<Kind, { one: string; many: string; also: string }> = {
  drive: { one: "drive", many: "Drives", also: "motor operator ram" },
  photocell: { one: "photocell", many: "Photocells", also: "beam eye pair light barrier safety" },
  edge: { one: "safety edge", many: "Safety edges", also: "strip bumper resistive optical safety" },
  "stop-button": { one: "stop button", many: "Stop buttons", also: "emergency mushroom halt" },
  "key-switch": { one: "key switch", many: "Key switches", also: "command" },
  keypad: { one: "keypad", many: "Keypads", also: "code digits command" },
  intercom: { one: "intercom", many: "Intercoms", also: "entry phone bell voice command" },
  loop: { one: "loop", many: "Loops", also: "induction vehicle ground coil" },
  "loop-detector": { one: "loop detector", many: "Loop detectors", also: "vehicle detection" },
  sensor: { one: "sensor", many: "Sensors", also: "radar movement activation rain wind presence" },
  receiver: { one: "receiver", many: "Receivers", also: "radio remote aerial" },
  remote: { one: "remote control", many: "Remote controls", also: "transmitter handset fob hand radio" },
  lock: { one: "lock", many: "Locks", also: "strike magnet bolt latch" },
  "flashing-light": { one: "flashing light", many: "Flashing lights", also: "lamp beacon blinker" },
  "courtesy-light": { one: "courtesy light", many: "Courtesy lights", also: "lamp garden" },
  "traffic-light": { one: "traffic light", many: "Traffic lights", also: "lamp signal red green" },
  bell: { one: "bell", many: "Bells", also: "sounder buzzer alarm" },
  converter: { one: "converter", many: "Converters", also: "rectifier transformer voltage" },
  battery: { one: "battery", many: "Batteries", also: "accumulator backup" },
  supply: { one: "supply", many: "Supplies", also: "power solar panel charger" },
  "gate-board": { one: "board of a gate", many: "Boards of gates", also: "control radio" },
};

/** Kinds in the order in which they are put on a job: what moves, what protects, what commands, what else there is. */
export const deviceKindOrder = Object.keys(kinds) as Kind[];

/** "photocell", "safety edge". */
export const deviceKindName = (kind: Kind): string => kinds[kind].one;

/** "Photocells", "Safety edges". */
export const deviceKindsName = (kind: Kind): string => kinds[kind].many;

const currentWords: Record<DeviceSupply["kind"], string> = {
  ac: "AC",
  dc: "DC",
  either: "AC or DC",
};

/** What a supply is fed with: "24 V DC", "20 to 28 V AC or DC". */
export const suppliedWith = ({ volts, kind }: Pick<DeviceSupply, "volts" | "kind">): string =>
  spanText(volts.min, volts.max, `V ${currentWords[kind]}`);

function contactText({ duty, rest, senses, ohms }: DeviceContact): string {
  const what =
    senses === "resistor"
      ? `end resistor of ${plainNumber((ohms ?? 0) / 1_000)} kΩ`
      : senses === "pulse"
        ? "optical pulses"
        : `contact that rests ${rest}`;
  return `${what}, for ${duty.replaceAll("-", " ")}`;
}

const one = (texts: readonly string[]): string[] => [...new Set(texts)];

/** What a device gives and what it takes, in a line: "contact that rests closed, for photocell; 12 to 24 V DC, 35 mA". */
export function deviceText(device: DeviceProfile): string {
  const { contacts, supplies, provides, drives, holdingNewtons, radio } = device;
  const newtons = (value: number) => `${plainNumber(value)} N`;
  const parts = [
    ...(holdingNewtons ? [`holds ${newtons(holdingNewtons)}`] : []),
    ...(drives?.thrustNewtons ? [`pushes ${newtons(drives.thrustNewtons)}`] : []),
    ...(drives?.torqueNewtonMetres ? [`turns ${plainNumber(drives.torqueNewtonMetres)} N·m`] : []),
    ...(drives?.ratedMassKg ? [`leaves up to ${plainNumber(drives.ratedMassKg)} kg`] : []),
    ...one(contacts.map(contactText)),
    ...one(supplies.map((supply) => `${suppliedWith(supply)}, ${plainNumber(supply.milliamps.working)} mA`)),
    ...(provides.length
      ? [
          `gives ${listed(one(provides.map(({ volts, kind }) => `${plainNumber(volts)} V ${kind.toUpperCase()}`)))}`,
        ]
      : []),
    ...(radio ? ["talks by radio, through a card of the board"] : []),
  ];
  return sentence(parts.join("; "));
}

/** An end resistor as it is written on one: "8k2" for 8 200 Ω. IEC 60062, from memory. */
const resistorCode = (ohms: number): string => {
  const [whole = "", part = "0"] = String(ohms / 1_000).split(".");
  return `${whole}k${part}`;
};

/** Everything a device is looked for by: its names, its kind by every word in use, what it gives, takes and says on its sheet. */
export function deviceWords(device: DeviceProfile): string {
  const { one: name, many, also } = kinds[device.kind];
  const codes = device.contacts.flatMap(({ ohms }) => (ohms ? [resistorCode(ohms)] : []));
  const rests = device.contacts.map(({ rest }) => (rest === "closed" ? "NC" : "NO"));
  return [
    device.name,
    device.maker,
    name,
    many,
    also,
    deviceText(device),
    ...codes,
    ...rests,
    ...device.contacts.map(({ tripped }) => tripped),
    device.id,
  ].join(" ");
}
