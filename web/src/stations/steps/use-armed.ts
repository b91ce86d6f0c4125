import { useEffect, useState } from "react";
import { useLocation } from "react-router";

/** How long a card that came by an answer takes none itself, ms: longer than a double press, shorter than reading its title. */
const restMs = 600;

/** What a page is told that an answer led to. */
export const byAnswer = { byAnswer: true } as const;

/** False for a moment on a card that came under the finger by the answer to another one. */
export function useArmed(): boolean {
  const came = (useLocation().state as typeof byAnswer | null)?.byAnswer === true;
  const [armed, setArmed] = useState(!came);
  useEffect(() => {
    const timer = setTimeout(() => setArmed(true), restMs);
    return () => clearTimeout(timer);
  }, []);
  return armed;
}
