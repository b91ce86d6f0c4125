import { sizes, type BoardProfile } from "@anvilcloud/core";
import { plate } from "../../theme/index.ts";
import { usePart } from "../use-part.ts";
import { placed } from "./place.ts";
import { Print, Ring } from "./print.tsx";

type Key = BoardProfile["keys"][number];

const kindText: Record<Key["kind"], string> = {
  push: "",
  "turn-and-press": ", turn and press",
  recessed: ", recessed: press with a pin",
  wall: ", on the wall beside the leaf",
};

/** What is drawn in the key's field: a cap, a knurled knob, a small hole, or a wall plate. */
function KeyShape({ kind }: { kind: Key["kind"] }) {
  const half = sizes.key / 2;
  if (kind === "turn-and-press")
    return (
      <>
        <circle
          r={half}
          fill={plate.block}
          stroke={plate.print}
          strokeWidth={0.9}
          strokeDasharray="0.8 0.8"
        />
        <circle r={2.7} fill={plate.knob} />
      </>
    );
  const frame = {
    x: -half,
    y: -half,
    width: sizes.key,
    height: sizes.key,
    fill: plate.block,
    stroke: plate.faint,
    strokeWidth: 0.5,
  };
  if (kind === "recessed")
    return (
      <>
        <circle r={half * 0.62} fill={plate.block} stroke={plate.faint} strokeWidth={0.5} />
        <circle r={1.1} fill={plate.slot} stroke={plate.print} strokeWidth={0.35} />
      </>
    );
  return (
    <>
      {kind === "wall" && (
        <rect
          {...frame}
          x={-half - 1.2}
          y={-half - 1.2}
          width={sizes.key + 2.4}
          height={sizes.key + 2.4}
          rx={0.6}
          fill="none"
          strokeDasharray="1.4 1"
          stroke={plate.print}
        />
      )}
      <rect {...frame} rx={1.5} />
      <circle r={2.7} fill={plate.knob} />
    </>
  );
}

function KeyPart({ board, part }: { board: BoardProfile; part: Key }) {
  const { props, lit } = usePart({ kind: "key", id: part.id }, `Key ${part.label}${kindText[part.kind]}`);
  const { at } = placed(board, "key", part.id);
  return (
    <g {...props}>
      <g transform={`translate(${at.x} ${at.y})`}>
        <KeyShape kind={part.kind} />
      </g>
      <Print x={at.x} y={at.y + sizes.key / 2 + 4.6} size={sizes.print.part}>
        {part.label}
      </Print>
      <Ring lit={lit} x={at.x} y={at.y} r={sizes.key / 2 + 2} />
    </g>
  );
}

export function Keys({ board }: { board: BoardProfile }) {
  return (
    <g>
      {board.keys.map((key) => (
        <KeyPart key={key.id} board={board} part={key} />
      ))}
    </g>
  );
}
