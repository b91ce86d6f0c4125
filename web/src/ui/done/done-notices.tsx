import { lazy, Suspense, useEffect, useState } from "react";
import { notices, takeBackLast } from "./done.ts";

// Nothing is done yet when the first page comes.
const Notices = lazy(() => import("./notices.tsx").then((part) => ({ default: part.Notices })));

/** True where someone types text of their own: there Ctrl+Z is the browser's. */
const isTyping = (target: EventTarget | null) =>
  target instanceof HTMLElement && !!target.closest("input, textarea, [contenteditable]");

/** What was done last, with the way back; Ctrl+Z takes it back too. */
export function DoneNotices() {
  const [told, setTold] = useState(false);
  useEffect(() => notices.subscribe(() => setTold(true)), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key.toLowerCase() !== "z" || event.shiftKey || event.altKey) return;
      if (!(event.ctrlKey || event.metaKey) || isTyping(event.target) || event.defaultPrevented) return;
      event.preventDefault();
      void takeBackLast();
    };
    document.addEventListener("keydown", onKey);
    return () => document.removeEventListener("keydown", onKey);
  }, []);
  if (!told) return null;
  return (
    <Suspense>
      <Notices />
    </Suspense>
  );
}
