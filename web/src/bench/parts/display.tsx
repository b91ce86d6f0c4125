import { sizes, type BoardProfile } from "@anvilcloud/core";
import { font, plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";

/** The glass of a display with its text; segments are slanted and wide, text is plain. */
function DisplayShape({ display, text }: { display: NonNullable<BoardProfile["display"]>; text: string }) {
  const segments = display.kind === "segments";
  const cell = segments ? sizes.segment : sizes.character;
  const width = display.characters * cell.width + 5;
  const height = display.lines * cell.height + 5;
  return (
    <g>
      <rect width={width} height={height} rx={1} fill={plate.slot} stroke={plate.faint} strokeWidth={0.6} />
      {text.split("|").map((line, at) => (
        <text
          key={at}
          x={segments ? width / 2 : 2.5}
          y={2.5 + (at + 0.78) * cell.height}
          fontSize={segments ? 10 : 4.9}
          textAnchor={segments ? "middle" : "start"}
          fontFamily={font.mono}
          fontWeight={segments ? 700 : 500}
          fill={plate.glow}
          xmlSpace="preserve"
        >
          {line}
        </text>
      ))}
    </g>
  );
}

/** The board's display, where it has one. */
export function DisplayPart({ board, text }: { board: BoardProfile; text: string }) {
  const { display } = board;
  const { props, lit } = usePart(
    { kind: "display", id: "display" },
    text ? `Display, shows ${text.replaceAll("|", ", ")}` : "Display, dark",
  );
  if (!display) return null;
  const { at, box } = placed(board, "display", "display");
  return (
    <g {...props}>
      <g transform={`translate(${at.x} ${at.y})`}>
        <DisplayShape display={display} text={text} />
      </g>
      <rect
        {...box}
        rx={1}
        fill="none"
        stroke={plate.brass}
        strokeWidth={lit ? 1.1 : 0}
        pointerEvents="none"
      />
    </g>
  );
}
