import type { BoardProfile } from "../board/index.ts";
import type { SiteDevice } from "../wiring/index.ts";
import { shippedBoard, shippedDevices } from "./shipped.ts";

/** A small generator of evenly spread numbers from a seed (Lehmer's, with Park and Miller's multiplier; from memory). */
function seeded(seed: number): () => number {
  let state = seed % 2147483647 || 1;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
}

/** Locks, and converters for them, that a large job may have. */
const mostLocks = 3;

/** So many devices out of the catalogue, drawn by a seed. */
export function manyDevices(board: BoardProfile, count: number, seed: number): SiteDevice[] {
  const next = seeded(seed);
  const wanted = shippedDevices().filter(
    ({ kind, contacts, supplies }) => kind !== "drive" && contacts.length + supplies.length > 0,
  );
  const able = wanted.filter((device) =>
    device.contacts.every((contact) =>
      board.inputs.some((input) => input.takes.includes(contact.duty) && input.contact === contact.rest),
    ),
  );
  const devices: SiteDevice[] = [];
  const heavy = { lock: 0, converter: 0 };
  while (devices.length < count) {
    const profile = able[Math.floor(next() * able.length)]!;
    const at = devices.length;
    // One opening has a lock or two; a dozen, each with its converter, is nobody's gate.
    if ((profile.kind === "lock" || profile.kind === "converter") && ++heavy[profile.kind] > mostLocks)
      continue;
    devices.push({ id: `d${at}`, name: `${profile.name} ${at}`, profile });
  }
  return devices;
}

/** Boards of different manner on which large jobs are tried. */
export const largeBoards = () =>
  ["osierbeck-quernish", "hexby-hoistrum", "pengrath-drawmel"].map(shippedBoard);
