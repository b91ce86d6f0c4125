import { createContext, useContext, useEffect, useState } from "react";
import type { Planner } from "./planner.ts";
import { remotePlanner } from "./remote.ts";

let shared: Planner | undefined;

const PlannerContext = createContext<Planner | undefined>(undefined);

/** Gives the parts inside another planner than the page's worker. */
export const PlannerProvider = PlannerContext.Provider;

/** The page's planner; its worker starts with the first question. */
export function usePlanner(): Planner {
  const given = useContext(PlannerContext);
  return given ?? (shared ??= remotePlanner());
}

/** What the planner answers to a question; the answer before stands until the next one comes. `key` names the question. */
export function useAnswer<T>(key: string, ask: (planner: Planner) => Promise<T>): T | undefined {
  const planner = usePlanner();
  const [answer, setAnswer] = useState<{ key: string; value: T }>();
  useEffect(() => {
    let wanted = true;
    void ask(planner).then((value) => {
      if (wanted) setAnswer({ key, value });
    });
    return () => {
      wanted = false;
    };
    // The question is named by its key; `ask` is made anew at every render.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [planner, key]);
  return answer?.value;
}
