import { bothLeaves } from "../../board/index.ts";
import type { Which } from "../brain/index.ts";
import { takesWires, type Circuit } from "../site/index.ts";
import { rereads, type Twin } from "../step/index.ts";
import { kinds, type TwinFault, type Wrong } from "./kinds.ts";

/** A twin with nothing wrong with it but what it began with. */
const sound = ({ sound: { wired, sits, feeds } }: Twin): Wrong => ({
  ...{ wired, sits, feeds, stuck: new Map(), slipped: [], sunless: false, unlatched: false },
  hung: { first: {}, second: {} },
  leaves: { first: { turned: false }, second: { turned: false } },
});

function makes(wrong: Wrong, { kind, ...said }: TwinFault): void {
  const { schema, makes: make } = kinds[kind];
  (make as (wrong: Wrong, fault: unknown) => void)(wrong, schema.parse(said));
}

function wrongWith(twin: Twin, faults: readonly TwinFault[]): Wrong {
  const wrong = sound(twin);
  for (const fault of faults) makes(wrong, fault);
  return wrong;
}

/** All that is wrong beside wires and contacts, in words that compare. */
const besideWires = ({ hung, leaves, slipped, feeds, sunless, unlatched }: Wrong): string =>
  JSON.stringify([hung, leaves, slipped, feeds, sunless, unlatched]);

/** What faults would make of a twin's wires and contacts; undefined where they would make something else otherwise as well. */
export function wiresWith(
  twin: Twin,
  faults: readonly TwinFault[],
): (Circuit & Pick<Wrong, "sits">) | undefined {
  const wrong = wrongWith(twin, faults);
  return besideWires(wrong) === besideWires(sound(twin)) ? wrong : undefined;
}

/** These faults, and no others, are in a twin from here on: leaves stay where they stand, and what the board knows stays. */
export function putFaults(twin: Twin, faults: readonly TwinFault[]): void {
  const wrong = wrongWith(twin, faults);
  const { site, plant, ends } = twin;
  Object.assign(site, {
    wired: wrong.wired,
    sits: wrong.sits,
    stuck: wrong.stuck,
    feeds: wrong.feeds,
  });
  for (const which of bothLeaves) hangs(twin, which, wrong);
  for (const contact of ends)
    contact.slipped = wrong.slipped
      .filter(({ leaf, end }) => plant.leaves[leaf] === contact.leaf && end === contact.end)
      .reduce((sum, { part }) => sum + part, 0);
  twin.unlatched = wrong.unlatched;
  if (twin.store) twin.store.panelOff = wrong.sunless;
  takesWires(site);
  rereads(twin);
}

function hangs({ plant, sound: { hands } }: Twin, which: Which, wrong: Wrong): void {
  const leaf = plant.leaves[which];
  if (!leaf) return;
  const { turned, grip = Infinity } = wrong.leaves[which];
  const body = leaf.hung(wrong.hung[which]);
  leaf.body = { ...body, friction: body.friction * leaf.wears };
  const as = hands[which] ?? 1;
  leaf.hand = turned ? (as === 1 ? -1 : 1) : as;
  leaf.grip = grip * leaf.rated.thrust;
}
