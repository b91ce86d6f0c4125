import { font, plate } from "../../theme/index.ts";

/** Text printed on the plate. */
export function Print({
  x,
  y,
  children,
  size = 4,
  faint,
  anchor = "middle",
}: {
  x: number;
  y: number;
  children: string;
  size?: number;
  faint?: boolean;
  anchor?: "start" | "middle" | "end";
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor={anchor}
      fill={faint ? plate.faint : plate.print}
      fontFamily={font.text}
      fontWeight={600}
    >
      {children}
    </text>
  );
}

/** The ring of a part that is pointed at or in hand. */
export function Ring({ lit, x, y, r }: { lit: boolean; x: number; y: number; r: number }) {
  return (
    <circle
      cx={x}
      cy={y}
      r={r}
      fill="none"
      stroke={plate.brass}
      strokeWidth={lit ? 1.1 : 0}
      pointerEvents="none"
    />
  );
}
