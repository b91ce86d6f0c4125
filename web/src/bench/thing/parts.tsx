import type { BoardProfile, Frame, Job } from "@anvilcloud/core";
import { useRef, type CSSProperties } from "react";
import { styled } from "styled-components";
import type { LiveInfo } from "../../planner/index.ts";
import { color, font } from "../../theme/index.ts";
import { useFrames, type Watch } from "../running/use-running.ts";

/** What is drawn: the leaves of a job, what notices who comes, and where to be told of frames. */
export interface Drawn {
  board: Pick<BoardProfile, "purpose">;
  leaves: Job["survey"]["leaves"];
  fields: LiveInfo["fields"];
  watch: Watch;
}

/** A drawing in metres. */
export const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  max-height: 46dvh;
  background: ${color.surface};
  border: 1.5px solid ${color.line};
  border-radius: 8px;
  text {
    font-family: ${font.text};
    font-size: var(--print, 0.3px);
    fill: ${color.quiet};
  }
  .wall {
    fill: ${color.sunk};
    stroke: ${color.strongLine};
    stroke-width: 0.03px;
  }
  .leaf {
    fill: ${color.accent};
    stroke: ${color.ink};
    stroke-width: 0.03px;
  }
  .way {
    fill: none;
    stroke: ${color.line};
    stroke-width: 0.03px;
    stroke-dasharray: 0.1px 0.1px;
  }
  .beam {
    stroke: ${color.note};
    stroke-width: 0.05px;
    stroke-dasharray: 0.16px 0.12px;
  }
  .field {
    fill: none;
    stroke: ${color.note};
    stroke-width: 0.04px;
  }
  [data-tripped="true"] {
    stroke: ${color.danger};
    stroke-width: 0.11px;
    stroke-dasharray: none;
  }
  .mover {
    fill: ${color.caution};
    stroke: ${color.ink};
    stroke-width: 0.04px;
  }
`;

/** A box in metres, and print that is as large in every drawing. */
export const boxed = (x: number, y: number, width: number, height: number) => ({
  viewBox: `${x} ${y} ${width} ${height}`,
  style: { "--print": `${Math.max(height, width / 1.6) * 0.042}px` } as CSSProperties,
});

/** Farther than any drawing reaches, m. */
export const far = 40;

/** Most people and vehicles that are drawn. */
const most = 6;

/** Writes attributes of an element that React drew once. */
export function put(element: Element | null | undefined, attributes: Record<string, string | number>): void {
  for (const [name, value] of Object.entries(attributes)) element?.setAttribute(name, String(value));
}

/** Where someone is drawn: a rectangle in metres. */
export interface Place {
  x: number;
  y: number;
  width: number;
  height: number;
  round: number;
}

/** Everyone under way, each drawn where `placeOf` has them. */
export function Movers({
  watch,
  placeOf,
}: {
  watch: Watch;
  placeOf: (mover: Frame["movers"][number]) => Place;
}) {
  const drawn = useRef<(SVGRectElement | null)[]>([]);
  useFrames(watch, ({ movers }) => {
    drawn.current.forEach((element, n) => {
      const mover = movers[n];
      put(element, { visibility: mover ? "visible" : "hidden" });
      if (!mover) return;
      const { round, ...box } = placeOf(mover);
      put(element, { ...box, rx: round });
    });
  });
  return (
    <g aria-hidden>
      {Array.from({ length: most }, (_, n) => (
        <rect
          key={n}
          ref={(element) => void (drawn.current[n] = element)}
          className="mover"
          visibility="hidden"
        />
      ))}
    </g>
  );
}

/** A metre, for the eye. */
export function Scale({ x, y }: { x: number; y: number }) {
  return (
    <g aria-hidden>
      <path
        d={`M${x} ${y - 0.08} V${y} H${x + 1} V${y - 0.08}`}
        fill="none"
        stroke={color.quiet}
        strokeWidth={0.03}
      />
      <text x={x + 1.12} y={y + 0.02}>
        1 m
      </text>
    </g>
  );
}
