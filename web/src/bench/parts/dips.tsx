import { sizes, type BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";
import { Print, Ring } from "./print.tsx";

function SwitchPart({
  id,
  x,
  y,
  on,
  onIsUp,
}: {
  id: string;
  x: number;
  y: number;
  on: boolean;
  onIsUp: boolean;
}) {
  const up = on === onIsUp;
  const { props, lit } = usePart({ kind: "switch", id }, `Switch ${id}, ${on ? "on" : "off"}`);
  const w = sizes.dipPitch * 0.56;
  return (
    <g {...props}>
      <rect
        x={x - sizes.dipPitch / 2}
        y={y - sizes.dipHeight / 2}
        width={sizes.dipPitch}
        height={sizes.dipHeight}
        fill="transparent"
      />
      <rect x={x - w / 2} y={y - 3.6} width={w} height={7.2} rx={0.4} fill={plate.slot} />
      <rect x={x - w / 2} y={up ? y - 3.6 : y + 0.4} width={w} height={3.2} rx={0.4} fill={plate.knob} />
      <Print x={x} y={y + sizes.dipHeight / 2 + 4} size={id.length > 2 ? 2.4 : 3.3}>
        {id}
      </Print>
      <Ring lit={lit} x={x} y={y} r={sizes.dipPitch / 2 + 2} />
    </g>
  );
}

function Bank({
  board,
  dip,
  switches,
}: {
  board: BoardProfile;
  dip: BoardProfile["dips"][number];
  switches: Readonly<Record<string, string>>;
}) {
  const { at } = placed(board, "dip", dip.id);
  return (
    <g>
      <rect
        x={at.x - 1}
        y={at.y - sizes.dipHeight / 2}
        width={dip.delivered.length * sizes.dipPitch + 2}
        height={sizes.dipHeight}
        rx={0.8}
        fill={plate.block}
        stroke={plate.faint}
        strokeWidth={0.4}
      />
      <Print x={at.x - 2.2} y={dip.on === "up" ? at.y - 1.4 : at.y + 3.6} size={3} faint anchor="end">
        on
      </Print>
      {dip.delivered.map((_, index) => {
        const id = `${dip.id}${index + 1}`;
        return (
          <SwitchPart
            key={id}
            id={id}
            x={at.x + (index + 0.5) * sizes.dipPitch}
            y={at.y}
            on={switches[id] === "on"}
            onIsUp={dip.on === "up"}
          />
        );
      })}
    </g>
  );
}

export function Dips({
  board,
  switches,
}: {
  board: BoardProfile;
  switches: Readonly<Record<string, string>>;
}) {
  return (
    <g>
      {board.dips.map((dip) => (
        <Bank key={dip.id} board={board} dip={dip} switches={switches} />
      ))}
    </g>
  );
}
