import { useRef } from "react";
import { useFrames } from "../running/use-running.ts";
import { Fields, isBeam } from "./fields.tsx";
import { Bolt, boxed, Drawing, far, Movers, put, Scale, Wind, type Drawn, type Place } from "./parts.tsx";

const tall = { person: 1.75, vehicle: 1.6 };
const thick = 0.1;

/** Someone from the side, on the floor; inside is to the right. */
const fromBeside = ({ is, from, to }: { is: "person" | "vehicle"; from: number; to: number }): Place => ({
  x: from,
  y: -tall[is],
  width: Math.max(0.35, to - from),
  height: tall[is],
  round: is === "person" ? 0.17 : 0.35,
});

/** A door that is lifted, cut along the road, to scale: outside is to the left. */
export function LiftView({ leaves, fields, watch, locks, wind }: Drawn) {
  const leaf = leaves[0]!;
  const [height, way] = [leaf.heightMm / 1_000, (leaf.travelMm ?? leaf.heightMm) / 1_000];
  const drawn = useRef<SVGRectElement>(null);
  const edge = useRef<SVGRectElement>(null);
  useFrames(watch, (frame) => {
    const open = (frame.leaves.first?.part ?? 0) * way;
    const left = Math.max(0.12, height - open);
    put(drawn.current, { y: -height, height: left });
    put(edge.current, { y: -height + left - 0.1 });
  });
  const above = 0.9;
  return (
    <Drawing
      {...boxed(-3.6, -height - above, 7.2, height + above + 0.7)}
      role="img"
      aria-label="Door from the side"
    >
      <rect className="wall" x={-0.2} y={-far} width={0.4} height={far - height} />
      <rect className="wall" x={-far} y={0} width={far * 2} height={far} />
      <circle className="wall" cx={0.45} cy={-height - 0.32} r={0.26} />
      <Fields
        watch={watch}
        fields={fields}
        shape={(from, to, n) => {
          const at = (from + to) / 2;
          if (isBeam(from, to)) return { d: `M${at + 0.16 + n * 0.1} -0.62 v0.24`, beam: true };
          return { d: `M${from} -0.06 H${to}`, beam: false };
        }}
      />
      <rect ref={drawn} className="leaf" x={-thick / 2} width={thick} />
      <rect ref={edge} className="mover" x={-thick} width={thick * 2} height={0.1} />
      <Movers watch={watch} placeOf={fromBeside} />
      <Bolt watch={watch} locks={locks} x={0.45} y={-0.3} />
      <Wind wind={wind} x={-2.4} y={-height / 2} turn={0} />
      <text x={-3.45} y={0.45}>
        outside
      </text>
      <text x={2.5} y={0.45}>
        inside
      </text>
      <Scale x={-0.9} y={0.45} />
    </Drawing>
  );
}

/** Sashes that are pushed open by a chain, cut from the side, one beside the other. */
export function SashView({ leaves, watch, pitch }: Drawn & { pitch: number }) {
  const drawn = useRef<(SVGGElement | null)[]>([]);
  const sizes = leaves.map(({ heightMm, travelMm }) => ({
    long: heightMm / 1_000,
    way: (travelMm ?? 400) / 1_000,
  }));
  useFrames(watch, (frame) => {
    sizes.forEach(({ long, way }, n) => {
      const part = frame.leaves[n === 0 ? "first" : "second"]?.part ?? 0;
      const angle = (2 * Math.asin(Math.min(1, (part * way) / (2 * long))) * 180) / Math.PI;
      put(drawn.current[n], { transform: `rotate(${-angle})` });
    });
  });
  const wide = Math.max(...sizes.map(({ long }) => long)) + 0.9;
  return (
    <Drawing
      {...boxed(-0.5, -1.1, wide * leaves.length + 0.4, 2.6)}
      role="img"
      aria-label="Sashes from the side"
    >
      {sizes.map(({ long }, n) => (
        <g key={n} transform={`translate(${n * wide} 0) rotate(${pitch})`}>
          <rect className="wall" x={-0.35} y={0.05} width={long + 0.7} height={0.16} />
          <g ref={(element) => void (drawn.current[n] = element)}>
            <rect className="leaf" x={0} y={-0.07} width={long} height={0.1} rx={0.03} />
          </g>
        </g>
      ))}
      <Scale x={0} y={1.3} />
    </Drawing>
  );
}
