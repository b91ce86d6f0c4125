import { sizes, type BoardProfile, type Lamp, type LampLook, type LampState } from "@anvilcloud/core";
import { lampColour, plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";
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

interface Shown {
  is: LampState;
  look?: LampLook | undefined;
}

const lampLooks = (lamp: Lamp, look: LampLook | undefined) => (look?.other && lamp.other) || lamp.colour;

/** A lamp in words: its name, its colour, how it shines, and how many flashes it gives. */
function lampSaid(lamp: Lamp, { is, look }: Shown): string {
  const flashes = look?.flashes ? `, ${look.flashes} flashes` : "";
  return `${lamp.label}, ${lampLooks(lamp, look)}, ${is}${flashes}`;
}

function LampPart({ board, lamp, is, look }: { board: BoardProfile; lamp: Lamp } & Shown) {
  const colour = lampLooks(lamp, look);
  const { props, lit } = usePart({ kind: "lamp", id: lamp.id }, `Lamp ${lampSaid(lamp, { is, look })}`);
  const { at } = placed(board, "lamp", lamp.id);
  return (
    <g {...props}>
      <g transform={`translate(${at.x} ${at.y})`}>
        <circle r={4.4} fill="transparent" />
        <LampShape colour={colour} is={is} />
      </g>
      <Print x={at.x} y={at.y + 7.4} size={3}>
        {lamp.label}
      </Print>
      <Ring lit={lit} x={at.x} y={at.y} r={5} />
    </g>
  );
}

export function Lamps({
  board,
  lamps,
  looks,
}: {
  board: BoardProfile;
  lamps: Readonly<Record<string, LampState>>;
  looks: Readonly<Record<string, LampLook>>;
}) {
  return (
    <g>
      {board.lamps.map((lamp) => (
        <LampPart
          key={lamp.id}
          board={board}
          lamp={lamp}
          is={lamps[lamp.id] ?? "dark"}
          look={looks[lamp.id]}
        />
      ))}
    </g>
  );
}
