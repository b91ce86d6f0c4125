import { layoutOf, partText, type Subject } from "@anvilcloud/core";
import { Download, Expand, Maximize, Printer, Shrink, ZoomIn, ZoomOut } from "lucide-react";
import { useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { css, styled } from "styled-components";
import { useHighlight } from "../data/index.ts";
import { color, print, space } from "../theme/index.ts";
import { Button, Quiet } from "../ui/index.ts";
import { BoardFace } from "./board-face.tsx";
import { faceBox } from "./geometry.ts";
import { benchBox } from "./core-routes.ts";
import { usePanZoom } from "./pan-zoom.ts";
import { drawingText, saveText } from "./save-drawing.ts";
import type { BenchView } from "./view.ts";

const Frame = styled.figure<{ $large: boolean }>`
  display: grid;
  gap: ${space.s};
  min-width: 0;
  ${({ $large }) =>
    $large &&
    css`
      position: fixed;
      inset: 0;
      z-index: 9;
      grid-template-rows: auto auto minmax(0, 1fr);
      padding: ${space.m};
      background: ${color.ground};
    `}
`;

const Window = styled.div<{ $zoomed: boolean; $large: boolean; $several: boolean }>`
  overflow: hidden;
  /* Several plates below one another scroll in the window of the bench, which stays in sight as a whole. */
  ${({ $several, $large }) =>
    $several &&
    !$large &&
    css`
      overflow-y: auto;
      max-height: 70dvh;
    `}
  ${({ $large }) =>
    $large &&
    css`
      svg {
        width: 100%;
        height: 100%;
        max-height: none;
      }
    `}
  border-radius: 6px;
  cursor: ${({ $zoomed }) => ($zoomed ? "grab" : "default")};
  touch-action: ${({ $zoomed, $large }) => ($zoomed || $large ? "none" : "pan-y")};
  &:active {
    cursor: ${({ $zoomed }) => ($zoomed ? "grabbing" : "default")};
  }
`;

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.xs};
`;

const Above = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: ${space.s} ${space.m};
  ${print} {
    display: none;
  }
`;

const Tool = styled(Button)`
  padding: 0 ${space.s};
  min-width: 44px;
`;

/** What is pointed at, with what to take along of the drawing. */
const Below = styled.div`
  display: grid;
  grid-template-columns: 1fr auto auto;
  align-items: start;
  gap: 0 ${space.xs};
  ${print} {
    display: none;
  }
`;

const Line = styled(Quiet)`
  min-height: 3em;
`;

interface Props {
  view: BenchView;
  label: string;
  /** Name of the file a saved drawing gets, without its ending. */
  fileName: string;
  numbers?: Readonly<Record<string, string>>;
  /** Lines that stand under it in a file: whose it is, and when. */
  caption?: readonly string[];
  /** Stands before the tools, such as a choice of what is shown. */
  lead?: ReactNode;
}

/** A board's face to look at closely: zoom, pan, point at parts to read what they are, save as SVG, print. */
export function FaceViewer({ view, label, fileName, numbers = {}, caption = [], lead }: Props) {
  const frame = useRef<HTMLDivElement>(null);
  const whole = view.cores.length ? benchBox(view.board, view.cores) : faceBox(view.board);
  const [large, setLarge] = useState(false);
  const opener = useRef<HTMLButtonElement>(null);
  const { box, zoomed, nearer, farther, fit } = usePanZoom(frame, whole, large);
  function turnLarge() {
    fit();
    setLarge(!large);
    opener.current?.focus();
  }
  const { lit } = useHighlight();
  const pointed = lit.map((subject: Subject) => partText(view.board, subject)).find((text) => text);

  function onKeyDown(event: KeyboardEvent) {
    if (event.key === "Escape" && large) {
      event.stopPropagation();
      return turnLarge();
    }
    const act = { "+": nearer, "=": nearer, "-": farther, "0": fit, f: turnLarge }[event.key];
    if (!act || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    act();
  }

  function save() {
    const drawing = frame.current?.querySelector("svg");
    const viewBox = `${whole.x} ${whole.y} ${whole.width} ${whole.height}`;
    if (drawing) saveText(`${fileName}.svg`, "image/svg+xml", drawingText(drawing, viewBox, caption));
  }

  return (
    <Frame
      onKeyDown={onKeyDown}
      $large={large}
      data-large={large}
      aria-label={large ? `${label}, large` : undefined}
    >
      <Above>
        {lead}
        <Tools role="toolbar" aria-label="Drawing">
          <Tool $kind="outlined" onPress={nearer} aria-label="Nearer, key +">
            <ZoomIn size={20} aria-hidden />
          </Tool>
          <Tool $kind="outlined" onPress={farther} isDisabled={zoomed <= 1} aria-label="Farther, key −">
            <ZoomOut size={20} aria-hidden />
          </Tool>
          <Tool $kind="outlined" onPress={fit} isDisabled={zoomed <= 1} aria-label="Whole board, key 0">
            <Maximize size={20} aria-hidden />
          </Tool>
          <Tool
            ref={opener}
            $kind="outlined"
            onPress={turnLarge}
            aria-label={large ? "Back to the page, key Esc" : "As large as the window, key f"}
          >
            {large ? <Shrink size={20} aria-hidden /> : <Expand size={20} aria-hidden />}
          </Tool>
        </Tools>
      </Above>
      <Below>
        <Line aria-live="polite">
          {pointed ??
            "Point at a part, or walk the board with the arrow keys. Ctrl and the wheel zoom, f makes it large."}
        </Line>
        <Tool $kind="quiet" onPress={save} aria-label="Save as SVG">
          <Download size={20} aria-hidden />
        </Tool>
        <Tool $kind="quiet" onPress={() => window.print()} aria-label="Print">
          <Printer size={20} aria-hidden />
        </Tool>
      </Below>
      <Window
        ref={frame}
        $zoomed={zoomed > 1}
        $large={large}
        $several={layoutOf(view.board).plates.length > 1}
        data-drawing={`${whole.x} ${whole.y} ${whole.width} ${whole.height}`}
      >
        <BoardFace view={view} numbers={numbers} box={box} label={label} />
      </Window>
    </Frame>
  );
}
