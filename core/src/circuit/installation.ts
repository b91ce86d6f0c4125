import type { BoardProfile } from "../board/index.ts";
import type { DeviceProfile } from "../device/index.ts";
import type { Node, PartKey } from "../node/index.ts";
import type { BoardSet } from "./set.ts";

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
  /** Contacts that are tripped or pressed just now. */
  tripped: ReadonlySet<PartKey>;
  powered: boolean;
  /** Rails whose supply the board takes away for a moment, to test what hangs on it. */
  interrupted?: ReadonlySet<string>;
  /** It runs on its battery: nothing alternates. */
  withoutMains?: boolean;
  /** What the settings in force make of the board. */
  set?: BoardSet;
}
