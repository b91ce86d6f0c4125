import { sizes, layoutOf, type BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { edgeAt } from "../geometry.ts";
import { usePart } from "../use-part.ts";

function LinkPart({
  board,
  id,
  between,
  isIn,
}: {
  board: BoardProfile;
  id: string;
  between: readonly [string, string];
  isIn: boolean;
}) {
  const { props, lit } = usePart(
    { kind: "link", id },
    `Link ${between.join(" to ")}, ${isIn ? "in" : "out"}`,
  );
  const { terminals, plates } = layoutOf(board);
  const [a, b] = [terminals[between[0]], terminals[between[1]]];
  const edge = edgeAt(board, between[0]);
  const face = edge && plates[edge.plate];
  if (!a || !b || !face) return null;
  const rise = edge.upper ? -1 : 1;
  const y = a.y + rise * (sizes.blockHeight / 2 - 0.6);
  // A long one rises higher, each above the next; flatter where the edge of the face is near.
  const usual = 2.2 + Math.abs(b.x - a.x) * 0.16;
  const room = (rise < 0 ? y - face.y : face.y + face.height - y) - 2;
  const depth = rise * Math.max(Math.min(usual, room), 0.6 * usual);
  const path = `M${a.x} ${y} C${a.x} ${y + depth * 1.4} ${b.x} ${y + depth * 1.4} ${b.x} ${y}`;
  return (
    <g {...props}>
      <path
        d={path}
        fill="none"
        stroke={lit ? plate.brass : isIn ? plate.print : plate.faint}
        strokeWidth={isIn ? 1.7 : 0.6}
        strokeDasharray={isIn ? undefined : "1.4 1.4"}
        strokeLinecap="round"
      />
    </g>
  );
}

/** Links: a bold bridge when in, a thin broken line where one is out. */
export function Links({
  board,
  links,
}: {
  board: BoardProfile;
  links: Readonly<Record<string, "in" | "out">>;
}) {
  return (
    <g>
      {board.links.map((link) => (
        <LinkPart
          key={link.id}
          board={board}
          id={link.id}
          between={link.between}
          isIn={links[link.id] === "in"}
        />
      ))}
    </g>
  );
}
