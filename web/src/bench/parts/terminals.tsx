import { terminalsOf, type BoardProfile } from "@anvilcloud/core";
import { font, plate } from "../../theme/index.ts";
import { isUpper, sizes } from "../geometry.ts";
import { usePart } from "../use-part.ts";
import { Print } from "./print.tsx";

/** One clamp of a terminal block with its number and label. */
function TerminalPart({
  terminal,
  board,
}: {
  terminal: ReturnType<typeof terminalsOf>[number];
  board: BoardProfile;
}) {
  const { props, lit } = usePart(
    { kind: "terminal", id: terminal.id },
    `Terminal ${terminal.id}, ${terminal.block.label}, ${terminal.label}`,
  );
  const { x, y } = terminal.at;
  const upper = isUpper(board, y);
  const inward = upper ? 1 : -1;
  return (
    <g {...props}>
      <rect
        x={x - terminal.block.pitchMm / 2}
        y={y - sizes.blockHeight / 2}
        width={terminal.block.pitchMm}
        height={sizes.blockHeight}
        fill="transparent"
      />
      <circle cx={x} cy={y - inward * 2.4} r={2} fill={plate.screw} />
      <line
        x1={x - 1.4}
        y1={y - inward * 2.4 - 0.9}
        x2={x + 1.4}
        y2={y - inward * 2.4 + 0.9}
        stroke={plate.slot}
        strokeWidth={0.7}
      />
      <text
        x={x}
        y={y + inward * 2.9 + 1.3}
        fontSize={3.5}
        textAnchor="middle"
        fill={plate.print}
        fontFamily={font.mono}
        fontWeight={700}
      >
        {terminal.id}
      </text>
      <Print x={x} y={y + inward * (sizes.blockHeight / 2 + 3.4) + 1.2} size={3.4}>
        {terminal.label}
      </Print>
      <rect
        x={x - terminal.block.pitchMm / 2 + 0.3}
        y={y - sizes.blockHeight / 2 - 0.6}
        width={terminal.block.pitchMm - 0.6}
        height={sizes.blockHeight + 1.2}
        rx={1.4}
        fill="none"
        stroke={plate.brass}
        strokeWidth={lit ? 1.1 : 0}
        pointerEvents="none"
      />
    </g>
  );
}

/** The terminal blocks. */
export function Terminals({ board }: { board: BoardProfile }) {
  return (
    <g>
      {board.blocks.map((block) => {
        const width = block.terminals.length * block.pitchMm;
        const upper = isUpper(board, block.at.y);
        return (
          <g key={block.id}>
            <rect
              x={block.at.x}
              y={block.at.y - sizes.blockHeight / 2}
              width={width}
              height={sizes.blockHeight}
              rx={1.2}
              fill={block.purpose === "mains" ? plate.mains : plate.block}
              stroke={plate.faint}
              strokeWidth={0.4}
            />
            <Print x={block.at.x} y={block.at.y + (upper ? 15.8 : -12.4)} size={3.3} faint anchor="start">
              {block.label}
            </Print>
          </g>
        );
      })}
      {terminalsOf(board).map((terminal) => (
        <TerminalPart key={terminal.id} terminal={terminal} board={board} />
      ))}
    </g>
  );
}
