import { bothLeaves } from "@anvilcloud/core";
import type { Job } from "@anvilcloud/core";
import { useRef } from "react";
import { useFrames } from "../running/use-running.ts";
import { Fields, isBeam } from "./fields.tsx";
import { Bolt, boxed, Drawing, far, Movers, put, Scale, Wind, type Drawn, type Place } from "./parts.tsx";

type Leaf = Job["survey"]["leaves"][number];

/** How thick a leaf is drawn, and a wall, m. */
const [thick, wall] = [0.14, 0.34];
const radius = { person: 0.24, vehicle: 0.5 };

const metres = (mm: number) => mm / 1_000;

/** Someone from above, on the middle of the road. */
const fromAbove = ({ is, from, to }: { is: "person" | "vehicle"; from: number; to: number }): Place => {
  const width = is === "person" ? 0.5 : 1.8;
  return { x: -width / 2, y: -to, width, height: Math.max(0.4, to - from), round: radius[is] };
};

/** How the leaves lie in a plan: where each begins, and which way it turns or slides. */
function lies(leaves: readonly Leaf[], swings: boolean) {
  const widths = leaves.map(({ widthMm }) => metres(widthMm));
  const width = widths.reduce((sum, each) => sum + each, 0);
  return leaves.map((leaf, n) => {
    const left = n === 0;
    const way = swings ? (leaf.openingDegrees ?? 90) : metres(leaf.travelMm ?? leaf.widthMm);
    return { width: widths[n]!, x: left ? -width / 2 : width / 2, mirror: left ? 1 : -1, way };
  });
}

/** A gate or door from above, to scale: inside is up, the road comes from below. */
export function PlanView({ leaves, fields, watch, locks, wind, swings }: Drawn & { swings: boolean }) {
  const parts = lies(leaves, swings);
  const drawn = useRef<(SVGGElement | null)[]>([]);
  const half = parts.reduce((sum, { width }) => sum + width, 0) / 2;
  const beside = swings ? 1.3 : Math.max(...parts.map(({ way }) => way)) + 0.6;
  const deep = swings ? Math.max(2.4, ...parts.map(({ width }) => width + 0.5)) : 2.4;
  const [left, right] = [half + beside, half + (swings || parts.length > 1 ? beside : 0.9)];

  useFrames(watch, (frame) => {
    parts.forEach(({ x, mirror, way }, n) => {
      const part = frame.leaves[bothLeaves[n]!]?.part ?? 0;
      const moved = swings
        ? `translate(${x} 0) scale(${mirror} 1) rotate(${-part * way})`
        : `translate(${x - mirror * part * way} ${thick}) scale(${mirror} 1)`;
      put(drawn.current[n], { transform: moved });
    });
  });

  return (
    <Drawing
      {...boxed(-left, -deep, left + right, deep + 3)}
      role="img"
      aria-label={`${swings ? "Gate" : "Gate or door"} from above`}
    >
      <rect className="wall" x={-far} y={-wall / 2} width={far - half} height={wall} />
      <rect className="wall" x={half} y={-wall / 2} width={far} height={wall} />
      {swings &&
        parts.map(({ x, mirror, width, way }) => {
          const turned = (way * Math.PI) / 180;
          const [endX, endY] = [x + mirror * width * Math.cos(turned), -width * Math.sin(turned)];
          const sweep = mirror === 1 ? 0 : 1;
          return (
            <path
              key={x}
              className="way"
              d={`M${x + mirror * width} 0 A${width} ${width} 0 0 ${sweep} ${endX} ${endY}`}
            />
          );
        })}
      <Fields
        watch={watch}
        fields={fields}
        shape={(from, to, n) => {
          const at = -(from + to) / 2;
          // Beams at one place are drawn beside one another.
          if (isBeam(from, to)) return { d: `M${-half} ${at + 0.3 + n * 0.12} H${half}`, beam: true };
          const wide = half * 0.8;
          return { d: `M${-wide} ${-to} H${wide} V${-from} H${-wide} Z`, beam: false };
        }}
      />
      {parts.map(({ width, x }, n) => (
        <g key={x} ref={(element) => void (drawn.current[n] = element)}>
          <rect className="leaf" x={0} y={-thick / 2} width={width} height={thick} rx={0.04} />
        </g>
      ))}
      <Movers watch={watch} placeOf={fromAbove} />
      {/* Beside the way, where no leaf and nobody passes over its word. */}
      <Bolt watch={watch} locks={locks} x={-left + 0.3} y={2.1} />
      <Wind wind={wind} x={-half / 2} y={1.5} turn={-90} />
      <text x={-left + 0.15} y={-deep + 0.4}>
        inside
      </text>
      <text x={-left + 0.15} y={2.8}>
        outside
      </text>
      <Scale x={right - 1.9} y={2.75} />
    </Drawing>
  );
}
