import type { Box } from "@anvilcloud/core";
import { select } from "d3-selection";
import { zoom, zoomIdentity, type D3ZoomEvent, type ZoomBehavior, type ZoomTransform } from "d3-zoom";
import { useEffect, useRef, useState, type RefObject } from "react";

const least = 1;
const most = 12;
const step = 1.5;

/** The part of a drawing that a zoom shows: the drawing grows under a window of the drawing's own shape. */
function boxUnder(whole: Box, { k, x, y }: Pick<ZoomTransform, "k" | "x" | "y">): Box {
  return { x: whole.x - x / k, y: whole.y - y / k, width: whole.width / k, height: whole.height / k };
}

/**
 * Zoom and pan of a drawing by wheel, pinch, drag, buttons and the keys + − 0. Returns the box to show as the drawing's
 * view box, so that lines stay crisp at any zoom. The wheel zooms only together with Ctrl, so that a page still scrolls.
 * @param alone true where the drawing has the window to itself: there the wheel and one finger are its own
 */
export function usePanZoom(frame: RefObject<HTMLDivElement | null>, whole: Box, alone = false) {
  const [transform, setTransform] = useState<ZoomTransform>(zoomIdentity);
  const behaviour = useRef<ZoomBehavior<HTMLDivElement, unknown> | undefined>(undefined);
  const transformed = useRef(false);
  const { x, y, width, height } = whole;

  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const scale = () => width / Math.max(1, element.clientWidth);
    const zooming = zoom<HTMLDivElement, unknown>()
      .scaleExtent([least, most])
      .filter((event: Event) => {
        if (event.type === "wheel")
          return alone || (event as WheelEvent).ctrlKey || (event as WheelEvent).metaKey;
        if (event.type === "mousedown") return (event as MouseEvent).button === 0;
        if (event.type === "touchstart")
          return alone || (event as TouchEvent).touches.length > 1 || transformed.current;
        return true;
      })
      .on("zoom", ({ transform: next }: D3ZoomEvent<HTMLDivElement, unknown>) => {
        const mm = scale();
        transformed.current = next.k > 1;
        setTransform({ ...next, k: next.k, x: next.x * mm, y: next.y * mm } as ZoomTransform);
      })
      .extent(() => [
        [0, 0],
        [element.clientWidth, element.clientHeight],
      ])
      .translateExtent([
        [0, 0],
        [element.clientWidth, element.clientHeight],
      ]);
    behaviour.current = zooming;
    const selection = select(element).call(zooming);
    return () => {
      selection.on(".zoom", null);
    };
  }, [frame, width, height, alone]);

  function by(factor: number) {
    const element = frame.current;
    if (element && behaviour.current) behaviour.current.scaleBy(select(element), factor);
  }
  function fit() {
    const element = frame.current;
    if (element && behaviour.current) behaviour.current.transform(select(element), zoomIdentity);
  }

  return {
    box: boxUnder({ x, y, width, height }, transform),
    zoomed: transform.k,
    nearer: () => by(step),
    farther: () => by(1 / step),
    fit,
  };
}
