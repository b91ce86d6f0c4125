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
  /** Locks there are: a bolt is drawn that shows whether all of them hold. */
  locks?: number;
  /** Wind that blows on the leaf, m/s; positive pushes it open. */
  wind?: number;
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
  .bolt {
    fill: ${color.surface};
    stroke: ${color.ink};
    stroke-width: 0.04px;
  }
  .bolt[data-holds="true"] {
    fill: ${color.ink};
  }
  .wind {
    fill: none;
    stroke: ${color.note};
    stroke-width: 0.04px;
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

/** The bolt of what locks a leaf: filled while it holds. */
export function Bolt({ watch, locks = 0, x, y }: Pick<Drawn, "watch" | "locks"> & { x: number; y: number }) {
  const drawn = useRef<SVGRectElement>(null);
  const said = useRef<SVGTextElement>(null);
  useFrames(watch, ({ locked }) => {
    const holds = locks > 0 && locked.length === locks;
    put(drawn.current, { "data-holds": String(holds) });
    const text = holds ? "locked" : "unlocked";
    if (said.current && said.current.textContent !== text) said.current.textContent = text;
  });
  if (!locks) return null;
  return (
    <g>
      <rect ref={drawn} className="bolt" x={x - 0.09} y={y - 0.14} width={0.18} height={0.28} rx={0.03} />
      <text ref={said} x={x + 0.2} y={y + 0.1} />
    </g>
  );
}

/** Where wind blows from, and how much. */
export function Wind({ wind = 0, x, y, turn }: Pick<Drawn, "wind"> & { x: number; y: number; turn: number }) {
  if (!wind) return null;
  return (
    <g>
      <g transform={`translate(${x} ${y}) rotate(${wind > 0 ? turn : turn + 180})`} aria-hidden>
        {[-0.25, 0, 0.25].map((beside) => (
          <path
            key={beside}
            className="wind"
            d={`M-0.4 ${beside} H0.4 m-0.15 -0.08 l0.15 0.08 l-0.15 0.08`}
          />
        ))}
      </g>
      <text x={x + 0.55} y={y + 0.1}>
        wind {Math.abs(wind)} m/s
      </text>
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
