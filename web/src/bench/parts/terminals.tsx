import {
  layoutOf,
  sizes,
  sizeToFit,
  terminalsOf,
  type BoardProfile,
  type PlacedBlock,
  type Terminal,
} from "@anvilcloud/core";
import { font, plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { Print } from "./print.tsx";

/** Colours of plugs that pull off; a block without one is drawn in the plate's own. */
const plugColour: Record<string, string> = {
  green: "#3f6f55",
  grey: "#6d7573",
  black: "#161b1b",
  blue: "#3b5a86",
  orange: "#9a6128",
  red: "#86413a",
  white: "#8f9590",
  yellow: "#86762c",
};

/** One clamp of a terminal block with its number and label. */
function TerminalPart({
  terminal,
  board,
  block,
}: {
  terminal: Terminal;
  board: BoardProfile;
  block: PlacedBlock;
}) {
  const { props, lit } = usePart(
    { kind: "terminal", id: terminal.id },
    `Terminal ${terminal.id}, ${terminal.block.label}, ${terminal.label}`,
  );
  const { x, y } = layoutOf(board).terminals[terminal.id]!;
  const pitch = block.pitchMm;
  const inward = block.edge === "top" ? 1 : -1;
  return (
    <g {...props}>
      <rect
        x={x - pitch / 2}
        y={y - sizes.blockHeight / 2}
        width={pitch}
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
        fontSize={sizeToFit(terminal.id, pitch - 0.4, sizes.print.terminal)}
        textAnchor="middle"
        fill={plate.print}
        fontFamily={font.mono}
        fontWeight={700}
      >
        {terminal.id}
      </text>
      <Print
        x={x}
        y={y + inward * (sizes.blockHeight / 2 + 3.4) + 1.2}
        size={sizeToFit(terminal.label, pitch - 0.6, sizes.print.label)}
      >
        {terminal.label}
      </Print>
      <rect
        x={x - pitch / 2 + 0.3}
        y={y - sizes.blockHeight / 2 - 0.6}
        width={pitch - 0.6}
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

function BlockPart({ board, placed }: { board: BoardProfile; placed: PlacedBlock }) {
  const block = board.blocks.find((each) => each.id === placed.id)!;
  const width = block.terminals.length * placed.pitchMm;
  const { x, y } = placed.at;
  const fill =
    block.purpose === "mains" ? plate.mains : block.colour ? plugColour[block.colour] : plate.block;
  return (
    <g>
      <rect
        x={x}
        y={y - sizes.blockHeight / 2}
        width={width}
        height={sizes.blockHeight}
        rx={1.2}
        fill={fill}
        stroke={plate.faint}
        strokeWidth={0.4}
      />
      {block.plug && (
        <line
          x1={x + 1}
          x2={x + width - 1}
          y1={y + (placed.edge === "top" ? 5.6 : -5.6)}
          y2={y + (placed.edge === "top" ? 5.6 : -5.6)}
          stroke={plate.print}
          strokeWidth={0.5}
          strokeDasharray="1.6 1"
        />
      )}
      <Print
        x={x}
        y={y + (placed.edge === "top" ? 15.8 : -12.4)}
        size={sizes.print.block}
        faint
        anchor="start"
      >
        {block.label}
      </Print>
    </g>
  );
}

/** The terminal blocks: mains in its own colour, plugs that pull off with a broken line where they part. */
export function Terminals({ board }: { board: BoardProfile }) {
  const { blocks } = layoutOf(board);
  return (
    <g>
      {blocks.map((placed) => (
        <BlockPart key={placed.id} board={board} placed={placed} />
      ))}
      {terminalsOf(board).map((terminal) => (
        <TerminalPart
          key={terminal.id}
          terminal={terminal}
          board={board}
          block={blocks.find((each) => each.id === terminal.block.id)!}
        />
      ))}
    </g>
  );
}
