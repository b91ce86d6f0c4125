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

/** The blocks of a board that a larger one would have more of. */
const repeated: readonly BoardProfile["blocks"][number]["purpose"][] = [
  "protection",
  "command",
  "limits",
  "supply",
];

/** A board with its inputs and supplies again and again, under other letters: for faces that are too wide to be read in one piece. */
export function widened(board: BoardProfile, letters: readonly string[]): BoardProfile {
  const again = board.blocks.filter(({ purpose }) => repeated.includes(purpose));
  const ids = new Set(again.map(({ id }) => id));
  const isAgain = (terminal: string) => ids.has(terminal.replace(/\d+$/, ""));
  const copies = letters.map((letter) => {
    const low = letter.toLowerCase();
    const named = (terminal: string) => terminal.replace(/\d+$/, (number) => letter + number);
    const commons = board.commons
      .filter(({ terminals }) => terminals.every(isAgain))
      .map(({ id, terminals }) => ({ id: `${id}-${low}`, terminals: terminals.map(named) }));
    // A copy rests by a link of its own: what switches the first off would switch off all of them.
    const inputs = board.inputs
      .filter(({ terminal }) => isAgain(terminal))
      .map(({ link: _link, off: _off, setBy: _setBy, ...input }) => ({
        ...input,
        id: `${input.id}-${low}`,
        terminal: named(input.terminal),
        setBy: [],
        ...(input.common ? { common: `${input.common}-${low}` } : {}),
        ...(input.contact === "closed" && input.guards.length ? { link: `link-${input.id}-${low}` } : {}),
      }));
    const links = inputs.flatMap((input): BoardProfile["links"] => {
      const from = commons.find(({ id }) => id === input.common)?.terminals[0];
      return "link" in input && input.link && from
        ? [{ id: input.link, between: [from, input.terminal], delivered: "in" }]
        : [];
    });
    return { blocks: again.map((block) => ({ ...block, id: block.id + letter })), commons, inputs, links };
  });
  return {
    ...board,
    blocks: [...board.blocks, ...copies.flatMap(({ blocks }) => blocks)],
    commons: [...board.commons, ...copies.flatMap(({ commons }) => commons)],
    inputs: [...board.inputs, ...copies.flatMap(({ inputs }) => inputs)],
    links: [...board.links, ...copies.flatMap(({ links }) => links)],
  };
}
