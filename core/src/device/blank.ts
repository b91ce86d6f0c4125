import type { DeviceProfile } from "./schema.ts";

/** A new device of someone's own to begin with: two pins and a contact, as most have. */
export function blankDevice(id: string, name: string): DeviceProfile {
  return {
    format: "anvilcloud/device@1",
    id,
    name,
    maker: "own",
    revision: 1,
    kind: "sensor",
    source: { from: "assumed" },
    parts: [{ id: "unit", label: "unit", strands: "flexible" }],
    pins: [
      { id: "a", label: "contact a", part: "unit", core: "WH" },
      { id: "b", label: "contact b", part: "unit", core: "BN" },
    ],
    jumpers: [],
    keyed: false,
    wiring: [],
    contacts: [{ id: "contact", duty: "stop", rest: "closed", pins: ["a", "b"], tripped: "it is worked" }],
    listens: [],
    supplies: [],
    provides: [],
  };
}
