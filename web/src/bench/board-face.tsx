import { layoutOf, sizes, sizeToFit, type Box, type Subject } from "@anvilcloud/core";
import { useRef, useState, type KeyboardEvent } from "react";
import { styled } from "styled-components";
import { plate } from "../theme/index.ts";
import { Cores } from "./cores.tsx";
import { faceBox, partsOf } from "./geometry.ts";
import { benchBox } from "./core-routes.ts";
import {
  Dials,
  Dips,
  DisplayPart,
  Keys,
  Lamps,
  Links,
  Plates,
  Selectors,
  Slots,
  Terminals,
} from "./parts/index.ts";
import { CurrentPart, Marked, partKey } from "./use-part.ts";
import type { BenchView } from "./view.ts";

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  /* One in several plates is as wide as it can be, and scrolls: its print would be too small to read. */
  &[data-plates="1"] {
    max-height: 70dvh;
  }
  [data-part] {
    cursor: default;
    outline: none;
  }
  [data-part]:focus-visible {
    filter: drop-shadow(0 0 1.4px ${plate.brass}) drop-shadow(0 0 1.4px ${plate.brass});
  }
  .blinking {
    animation: blink 1.1s steps(1) infinite;
  }
  @keyframes blink {
    50% {
      opacity: 0.35;
    }
  }
`;

interface Props {
  view: BenchView;
  numbers: Readonly<Record<string, string>>;
  /** Part of the bench to show; all of it when left out. */
  box?: Box;
  label: string;
  /** False for a picture beside a step, which the keyboard passes over. */
  interactive?: boolean;
  /** True to draw the face alone, without the room that cores and tags need. */
  bare?: boolean;
  /** Parts ringed as the ones in hand. */
  marked?: readonly Subject[];
}

const nothing: readonly Subject[] = [];

const moves: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** The board drawn from its profile, with its cores. One stop for the keyboard; arrow keys walk the parts. */
export function BoardFace({
  view,
  numbers,
  box,
  label,
  interactive = true,
  bare = false,
  marked = nothing,
}: Props) {
  const { board, state, lamps, looks, display, cards, cores } = view;
  const layout = layoutOf(board);
  const title = layout.parts.find((part) => part.kind === "title");
  const parts = partsOf(board);
  const [current, setCurrent] = useState(0);
  const drawing = useRef<SVGSVGElement>(null);
  const { x, y, width, height } = box ?? (bare ? faceBox(board) : benchBox(board, cores));

  function onKeyDown(event: KeyboardEvent) {
    const move = moves[event.key];
    if (!move || !interactive) return;
    event.preventDefault();
    const next = (current + move + parts.length) % parts.length;
    setCurrent(next);
    const key = partKey(parts[next] as Subject);
    drawing.current?.querySelector<SVGGElement>(`[data-part="${key}"]`)?.focus();
  }

  return (
    <Marked value={marked}>
      <CurrentPart value={interactive ? partKey(parts[current] as Subject) : undefined}>
        <Drawing
          ref={drawing}
          data-plates={layout.plates.length}
          viewBox={`${x} ${y} ${width} ${height}`}
          role="group"
          aria-label={label}
          onKeyDown={onKeyDown}
        >
          <Plates board={board} />
          {title && (
            <text
              x={title.box.x}
              y={title.box.y + sizes.print.title}
              fontSize={sizeToFit(`${board.maker} ${board.name}`, title.box.width, sizes.print.title)}
              fill={plate.faint}
              fontWeight={700}
            >
              {`${board.maker} ${board.name}`}
            </text>
          )}
          <Cores board={board} cores={cores} numbers={numbers} />
          <Terminals board={board} />
          <Links board={board} links={state.links} />
          <Dips board={board} switches={state.positions.switches} />
          <Dials board={board} dials={state.positions.dials} />
          <Selectors board={board} switches={state.positions.switches} />
          <Slots board={board} cards={cards} />
          <Keys board={board} />
          <DisplayPart board={board} text={display} />
          <Lamps board={board} lamps={lamps} looks={looks} />
        </Drawing>
      </CurrentPart>
    </Marked>
  );
}
