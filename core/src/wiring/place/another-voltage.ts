import type { BoardProfile } from "../../board/index.ts";
import { finding, type Finding } from "../../finding/index.ts";
import { plainNumber } from "../../quantity/index.ts";

/** Terminals of the board for a battery or a panel. */
type Inlet = NonNullable<BoardProfile["battery"] | BoardProfile["solar"]>;

/** Trap 42: a battery or a panel of another voltage than its terminals are for. */
export function anotherVoltage(device: { id: string; name: string }, volts: number, inlet: Inlet): Finding {
  const wanted = [inlet.volts]
    .flat()
    .map((each) => `${plainNumber(each)} V`)
    .join(" or ");
  return finding("source-of-another-voltage", [{ kind: "device", id: device.id }], {
    device: device.name,
    given: `${plainNumber(volts)} V`,
    wanted,
    remedy: `Use one for ${wanted}, before it is connected.`,
    terminals: `${inlet.plus} and ${inlet.minus}`,
  });
}
