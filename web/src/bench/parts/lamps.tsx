import type { BoardProfile, Lamp, LampState } from "@anvilcloud/core";
import { lampColour, plate } from "../../theme/index.ts";
import { sizes } from "../geometry.ts";
import { usePart } from "../use-part.ts";
import { Print, Ring } from "./print.tsx";

/** A lamp's body: rays and a full disc when lit, half a disc when blinking, an empty ring when dark. */
export function LampShape({
  colour,
  is,
  r = sizes.lamp,
}: {
  colour: Lamp["colour"];
  is: LampState;
  r?: number;
}) {
  const fill = lampColour[colour];
  const rays = [0, 45, 90, 135, 180, 225, 270, 315];
  return (
    <g className={is === "blinking" ? "blinking" : undefined}>
      {is !== "dark" &&
        rays.map((angle) => (
          <line
            key={angle}
            x1={0}
            y1={-r * 1.3}
            x2={0}
            y2={-r * 1.75}
            stroke={fill}
            strokeWidth={r * 0.22}
            transform={`rotate(${angle})`}
            strokeDasharray={is === "blinking" ? `${r * 0.15} ${r * 0.15}` : undefined}
          />
        ))}
      <circle
        r={r}
        fill={is === "lit" ? fill : plate.slot}
        stroke={is === "dark" ? plate.faint : fill}
        strokeWidth={r * 0.22}
      />
      {is === "blinking" && <path d={`M0 ${-r} A${r} ${r} 0 0 1 0 ${r} Z`} fill={fill} />}
    </g>
  );
}

function LampPart({ lamp, is }: { lamp: Lamp; is: LampState }) {
  const { props, lit } = usePart({ kind: "lamp", id: lamp.id }, `Lamp ${lamp.label}, ${lamp.colour}, ${is}`);
  return (
    <g {...props}>
      <g transform={`translate(${lamp.at.x} ${lamp.at.y})`}>
        <circle r={4.4} fill="transparent" />
        <LampShape colour={lamp.colour} is={is} />
      </g>
      <Print x={lamp.at.x} y={lamp.at.y + 7.4} size={3}>
        {lamp.label}
      </Print>
      <Ring lit={lit} x={lamp.at.x} y={lamp.at.y} r={5} />
    </g>
  );
}

export function Lamps({ board, lamps }: { board: BoardProfile; lamps: Readonly<Record<string, LampState>> }) {
  return (
    <g>
      {board.lamps.map((lamp) => (
        <LampPart key={lamp.id} lamp={lamp} is={lamps[lamp.id] ?? "dark"} />
      ))}
    </g>
  );
}
