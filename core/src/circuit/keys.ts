import { once, onceFor, type BoardProfile } from "../board/index.ts";
import {
  contactPart,
  madeRailPart,
  nodeKey,
  partKey,
  pinNode,
  supplyPart,
  terminalNode,
  wirePart,
  type NodeKey,
  type PartKey,
} from "../node/index.ts";
import type { PlacedDevice, Wire } from "./installation.ts";

// A circuit is solved hundreds of times over the same wires and devices: their keys are made once.

/** Keys of a board's terminals, by terminal. */
export const terminalKeys = onceFor((_board: BoardProfile) =>
  once((terminal: string) => nodeKey(terminalNode(terminal))),
);

/** Keys of a wire: its own, and those of its two ends. */
export const wireKeys = onceFor((wire: Wire) => ({
  key: partKey(wirePart(wire.id)),
  from: nodeKey(wire.from),
  to: nodeKey(wire.to),
}));

/** Keys of a device's pins and parts, by their ids. */
export const deviceKeys = onceFor(({ id: device }: PlacedDevice) => ({
  pin: once((id: string): NodeKey => nodeKey(pinNode(device, id))),
  contact: once((id: string): PartKey => partKey(contactPart(device, id))),
  supply: once((id: string): PartKey => partKey(supplyPart(device, id))),
  made: once((id: string): PartKey => partKey(madeRailPart(device, id))),
}));

/** Keys of every place on which a wire ends. */
export const endKeys = onceFor(
  (wires: readonly Wire[]): ReadonlySet<NodeKey> =>
    new Set(wires.flatMap((wire) => [wireKeys(wire).from, wireKeys(wire).to])),
);
