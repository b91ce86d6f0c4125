import {
  nodeKey,
  pinNode,
  seatText,
  terminalNode,
  terminalsOf,
  type Core,
  type CoreColour,
  type Move,
  type Node,
  type PinNode,
  type Seat,
} from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";

/** A core that can be noted: one of the plan, or a pin for which nothing is planned. */
export interface NotedCore {
  /** Its key, as a list of choices needs one. */
  id: string;
  pin: PinNode;
  text: string;
  colour: CoreColour;
  planned?: Core;
}

/** Where a core may sit. */
interface NotedPlace {
  id: string;
  seat: Seat;
  text: string;
}

/** A seat as a list of choices names it. */
export const seatId = (seat: Seat): string => (seat === "off" ? "off" : nodeKey(seat));

/** Every core of the job, and every place one may sit on. */
export function useCores() {
  const { plan, change, append } = useJobBench();
  const { wiring, bundle } = plan;
  const planned = new Map(wiring.cores.map((core) => [nodeKey(core.from), core]));
  const cores = wiring.devices.flatMap((device) =>
    device.profile.pins.map(({ id, label, core: sheet }): NotedCore => {
      const pin = pinNode(device.id, id);
      const core = planned.get(nodeKey(pin));
      const colour = device.colours?.[id] ?? sheet;
      const goes = core ? `planned on ${seatText(core.to, wiring.devices)}` : "nothing planned";
      return {
        id: nodeKey(pin),
        pin,
        text: `${device.name}: ${colour} ${label}, ${goes}`,
        colour,
        ...(core ? { planned: core } : {}),
      };
    }),
  );
  const joints = new Map(
    wiring.cores.flatMap(({ to }) => (to.kind === "joint" ? [[nodeKey(to), to] as const] : [])),
  );
  const pins = wiring.devices.flatMap(({ id, profile }) => {
    const rails = profile.provides.flatMap((rail) => [rail.pins.plus, rail.pins.minus]);
    const far = profile.contacts.flatMap((contact) => contact.through ?? []);
    return [...rails, ...far].map((pin) => pinNode(id, pin));
  });
  const offBoard: Node[] = [...joints.values(), ...pins];
  const places: NotedPlace[] = [
    ...terminalsOf(bundle.board).map(({ id, label, block }) => ({
      id: seatId(terminalNode(id)),
      seat: terminalNode(id),
      text: `${id} ${block.label}, ${label}`,
    })),
    ...offBoard.map((seat) => ({ id: seatId(seat), seat, text: seatText(seat, wiring.devices) })),
    { id: "off", seat: "off", text: "nothing: it hangs loose" },
  ];
  return {
    cores,
    places,
    /** Notes where cores were found or put. */
    note: (moves: Move[]) => void append({ kind: "wired", moves }).catch(() => {}),
    /** Has the plan keep a pin on a terminal, or lets it choose again. */
    want: (device: string, pin: string, terminal?: string) => change({ kind: "pin", device, pin, terminal }),
    /** Notes a core's colour where it differs from the device's data. */
    colour: (device: string, pin: string, colour?: CoreColour) =>
      change({ kind: "colour", device, pin, colour }),
  };
}
