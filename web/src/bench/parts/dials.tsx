import {
  sizes,
  clockText,
  clockToDegrees,
  sweepDegrees,
  type BoardProfile,
  type Dial,
} from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { useContext } from "react";
import { TurnDial, turnProps } from "../turn.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";
import { Print, Ring } from "./print.tsx";

/** A dial with its sweep, its arrow, and where wanted a second arrow where it stood. */
export function DialShape({
  dial,
  clock,
  ghost,
  r = sizes.dial,
}: {
  dial: Dial;
  clock: string;
  ghost?: string;
  r?: number;
}) {
  const start = clockToDegrees(dial.sweep.from);
  const turned = sweepDegrees(dial.sweep);
  const point = (degrees: number, radius: number) => {
    const angle = ((degrees - 90) * Math.PI) / 180;
    return `${radius * Math.cos(angle)} ${radius * Math.sin(angle)}`;
  };
  const arc = (radius: number) =>
    `M${point(start, radius)} A${radius} ${radius} 0 ${turned > 180 ? 1 : 0} 1 ${point(start + turned, radius)}`;
  const arrow = (at: string) => clockToDegrees(at);
  return (
    <g>
      <circle r={r} fill={plate.block} stroke={plate.faint} strokeWidth={r * 0.08} />
      <path d={arc(r * 1.22)} fill="none" stroke={plate.faint} strokeWidth={r * 0.12} />
      {Array.from({ length: 12 }, (_, hour) => hour * 30)
        .filter((degrees) => (degrees - start + 360) % 360 <= turned)
        .map((degrees) => (
          <line
            key={degrees}
            x1={0}
            x2={0}
            y1={-r * 1.16}
            y2={-r * 1.34}
            stroke={plate.print}
            strokeWidth={r * 0.08}
            transform={`rotate(${degrees})`}
          />
        ))}
      {ghost && ghost !== clock && (
        <line
          x1={0}
          y1={0}
          x2={0}
          y2={-r * 0.82}
          stroke={plate.faint}
          strokeWidth={r * 0.16}
          strokeDasharray={`${r * 0.2} ${r * 0.16}`}
          transform={`rotate(${arrow(ghost)})`}
        />
      )}
      <g transform={`rotate(${arrow(clock)})`}>
        <line
          x1={0}
          y1={r * 0.5}
          x2={0}
          y2={-r * 0.55}
          stroke={plate.knob}
          strokeWidth={r * 0.2}
          strokeLinecap="round"
        />
        <path
          d={`M0 ${-r * 0.95} L${r * 0.26} ${-r * 0.42} L${-r * 0.26} ${-r * 0.42} Z`}
          fill={plate.knob}
        />
      </g>
    </g>
  );
}

function DialPart({ board, dial, clock }: { board: BoardProfile; dial: Dial; clock: string }) {
  const { at } = placed(board, "dial", dial.id);
  const { props, lit } = usePart(
    { kind: "dial", id: dial.id },
    `Dial ${dial.label}, at ${clockText(clock, dial.sweep)}`,
  );
  const turned = turnProps(dial, clock, useContext(TurnDial));
  return (
    <g
      {...props}
      onKeyDown={(event) => {
        turned.keys(event);
        props.onKeyDown?.(event);
      }}
    >
      <g transform={`translate(${at.x} ${at.y})`} {...turned.knob}>
        <DialShape dial={dial} clock={clock} />
      </g>
      <Print x={at.x} y={at.y + sizes.dial + 6.2} size={3.6}>
        {dial.label}
      </Print>
      <Ring lit={lit} x={at.x} y={at.y} r={sizes.dial + 3} />
    </g>
  );
}

export function Dials({ board, dials }: { board: BoardProfile; dials: Readonly<Record<string, string>> }) {
  return (
    <g>
      {board.dials.map((dial) => (
        <DialPart key={dial.id} board={board} dial={dial} clock={dials[dial.id] ?? dial.delivered} />
      ))}
    </g>
  );
}
