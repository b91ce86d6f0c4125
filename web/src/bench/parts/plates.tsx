import { layoutOf, sizes, type BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { Print } from "./print.tsx";

/** The board itself; one that is too wide to be read goes on in further plates, broken where it is cut. */
export function Plates({ board }: { board: BoardProfile }) {
  const { plates } = layoutOf(board);
  return (
    <g>
      {plates.map(({ x, y, width, height }, at) => (
        <g key={y}>
          <rect {...{ x, y, width, height }} rx={4} fill={plate.base} stroke={plate.edge} strokeWidth={1.2} />
          {[...(at > 0 ? [x] : []), ...(at < plates.length - 1 ? [x + width] : [])].map((edge) => (
            <line
              key={edge}
              x1={edge}
              x2={edge}
              y1={y + 4}
              y2={y + height - 4}
              stroke={plate.print}
              strokeWidth={1.2}
              strokeDasharray="2.5 2"
            />
          ))}
          {at > 0 && (
            <Print x={x + sizes.margin} y={y + height / 2 + 1} size={sizes.print.title} faint anchor="start">
              {`${board.name} goes on`}
            </Print>
          )}
        </g>
      ))}
    </g>
  );
}
