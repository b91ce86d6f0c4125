import type { BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { sizes } from "../geometry.ts";
import { usePart } from "../use-part.ts";
import { Print, Ring } from "./print.tsx";

function SwitchPart({ id, x, y, on }: { id: string; x: number; y: number; on: boolean }) {
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
      <rect x={x - w / 2} y={on ? y - 3.6 : y + 0.4} width={w} height={3.2} rx={0.4} fill={plate.knob} />
      <Print x={x} y={y + sizes.dipHeight / 2 + 4} size={3.3}>
        {id}
      </Print>
      <Ring lit={lit} x={x} y={y} r={sizes.dipPitch / 2 + 2} />
    </g>
  );
}

export function Dips({
  board,
  switches,
}: {
  board: BoardProfile;
  switches: Readonly<Record<string, "on" | "off">>;
}) {
  return (
    <g>
      {board.dips.map((dip) => (
        <g key={dip.id}>
          <rect
            x={dip.at.x - 1}
            y={dip.at.y - sizes.dipHeight / 2}
            width={dip.delivered.length * sizes.dipPitch + 2}
            height={sizes.dipHeight}
            rx={0.8}
            fill={plate.block}
            stroke={plate.faint}
            strokeWidth={0.4}
          />
          <Print x={dip.at.x - 2.6} y={dip.at.y - 1.4} size={3} faint anchor="end">
            on
          </Print>
          {dip.delivered.map((_, at) => {
            const id = `${dip.id}${at + 1}`;
            return (
              <SwitchPart
                key={id}
                id={id}
                x={dip.at.x + (at + 0.5) * sizes.dipPitch}
                y={dip.at.y}
                on={switches[id] === "on"}
              />
            );
          })}
        </g>
      ))}
    </g>
  );
}
