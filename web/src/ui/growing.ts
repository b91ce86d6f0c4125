import { startTransition, useEffect, useState } from "react";

/** How many of a long list come onto the page at once. */
const batch = 4;

/** How many of a long list stand on the page: a few at first, then more, so that between them the page can answer. */
export function useGrowing(total: number): number {
  const [shown, setShown] = useState(batch);
  useEffect(() => {
    if (shown >= total) return;
    const timer = setTimeout(() => startTransition(() => setShown((now) => now + batch)));
    return () => clearTimeout(timer);
  }, [shown, total]);
  return Math.min(shown, total);
}
