import { useWindowVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useState } from "react";

/** Rows from which on only those in sight are drawn. */
const virtualFrom = 80;
/** A row's height before it is measured, px. */
const assumedRowPx = 44;

/** Of many rows those in sight, with the height of the rest before and after; all of them where they are few, and on paper. */
export function useInSight(count: number, sheet: { current: HTMLTableElement | null }) {
  const [top, setTop] = useState(0);
  const [printing, setPrinting] = useState(false);
  useLayoutEffect(() => {
    // What stands above may grow and shrink, and the table with it.
    const measureTop = new ResizeObserver(() => {
      const at = sheet.current?.getBoundingClientRect().top ?? 0;
      setTop(Math.round(at + window.scrollY));
    });
    measureTop.observe(document.body);
    return () => measureTop.disconnect();
  }, [sheet]);
  useLayoutEffect(() => {
    const [begin, end] = [() => setPrinting(true), () => setPrinting(false)];
    addEventListener("beforeprint", begin);
    addEventListener("afterprint", end);
    return () => {
      removeEventListener("beforeprint", begin);
      removeEventListener("afterprint", end);
    };
  }, []);
  const isMany = count >= virtualFrom && !printing;
  const rows = useWindowVirtualizer({
    count,
    enabled: isMany,
    estimateSize: () => assumedRowPx,
    overscan: 12,
    scrollMargin: top,
  });
  if (!isMany)
    return {
      shown: Array.from({ length: count }, (_, index) => index),
      before: 0,
      after: 0,
      measure: undefined,
    };
  const items = rows.getVirtualItems();
  const [first, last] = [items[0], items.at(-1)];
  return {
    shown: items.map(({ index }) => index),
    before: first ? first.start - top : 0,
    after: last ? rows.getTotalSize() - (last.end - top) : rows.getTotalSize(),
    measure: rows.measureElement,
  };
}
