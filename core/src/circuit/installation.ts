import type { BoardProfile } from "../board/index.ts";
import type { DeviceProfile } from "../device/index.ts";

/** A point of the circuit: `board/F3`, a device's pin `gate-eye/rx-c`, or a connector `joint/J1`. */
export type Node = string;

export const terminalNode = (terminal: string): Node => `board/${terminal}`;
export const pinNode = (device: string, pin: string): Node => `${device}/${pin}`;
export const jointNode = (joint: string): Node => `joint/${joint}`;

/** A core with both its ends on something. */
export interface Wire {
  id: string;
  from: Node;
  to: Node;
  /** Resistance at 20 °C, Ω; left out for a short core inside the cabinet. */
  ohms?: number;
}

/** A device as it stands on site. */
export interface PlacedDevice {
  id: string;
  name: string;
  profile: DeviceProfile;
}

/** Everything the circuit is made of at one moment. */
export interface Installation {
  board: BoardProfile;
  devices: readonly PlacedDevice[];
  wires: readonly Wire[];
  /** Ids of the links that are in. */
  linksIn: ReadonlySet<string>;
  /** Contacts that are tripped or pressed just now, as `device/contact`. */
  tripped: ReadonlySet<string>;
  powered: boolean;
}
