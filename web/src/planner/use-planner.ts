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

/**
 * What the planner answers to a question; the answer before stands until the next one comes.
 * @param question what it is about: asked again whenever one of these is another
 * @throws while rendering, what kept the planner from answering
 */
export function useAnswer<T>(
  question: readonly unknown[],
  ask: (planner: Planner) => Promise<T>,
): T | undefined {
  const planner = usePlanner();
  const [answer, setAnswer] = useState<{ value?: T; error?: Error }>({});
  useEffect(() => {
    let wanted = true;
    const take = (next: typeof answer) => {
      if (wanted) setAnswer(next);
    };
    ask(planner).then(
      (value) => take({ value }),
      (error: Error) => take({ error }),
    );
    return () => {
      wanted = false;
    };
    // `ask` is made anew at every render; the question says when it is another.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [planner, ...question]);
  if (answer.error) throw answer.error;
  return answer.value;
}
