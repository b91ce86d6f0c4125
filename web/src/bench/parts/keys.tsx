import type { BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { sizes } from "../geometry.ts";
import { usePart } from "../use-part.ts";
import { Print, Ring } from "./print.tsx";

function KeyPart({ id, label, x, y }: { id: string; label: string; x: number; y: number }) {
  const { props, lit } = usePart({ kind: "key", id }, `Key ${label}`);
  return (
    <g {...props}>
      <rect
        x={x - sizes.key / 2}
        y={y - sizes.key / 2}
        width={sizes.key}
        height={sizes.key}
        rx={1.5}
        fill={plate.block}
        stroke={plate.faint}
        strokeWidth={0.5}
      />
      <circle cx={x} cy={y} r={2.7} fill={plate.knob} />
      <Print x={x} y={y + sizes.key / 2 + 4.4} size={3.6}>
        {label}
      </Print>
      <Ring lit={lit} x={x} y={y} r={sizes.key / 2 + 2} />
    </g>
  );
}

export function Keys({ board }: { board: BoardProfile }) {
  return (
    <g>
      {board.keys.map((key) => (
        <KeyPart key={key.id} id={key.id} label={key.label} x={key.at.x} y={key.at.y} />
      ))}
    </g>
  );
}
