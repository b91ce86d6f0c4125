import type { Change, Found, GuideStep, KeyGuide, PanelState } from "@anvilcloud/core";
import { useRef, useState } from "react";
import { useAnswer, usePlanner } from "../../../planner/index.ts";

type Keys = Extract<KeyGuide, { kind: "keys" }>;

/** What someone is doing who sees another screen than was said. */
export type Astray = { kind: "asked" } | Exclude<Found, { kind: "known" }>;

/** Where a guide stands. */
export interface GuideState {
  /** The step to be made; past the last once all are made. */
  at: number;
  astray?: Astray;
  /** Where it was found again, and the way on from there. */
  from?: PanelState;
}

const place = ({ path, editing }: PanelState) => JSON.stringify([path, editing]);

/** True for a place outside of the menus. */
const outside = ({ path }: PanelState) => path.length === 0;

/**
 * Leads through the keys for some changes: one step after the other, and from wherever the panel is found when it shows
 * something else.
 * @param version what the plan was made from: another begins anew
 */
export function useKeyGuide(changes: readonly Change[], step: string | undefined, version: unknown) {
  const planner = usePlanner();
  const [state, setState] = useState<GuideState>({ at: 0 });
  const tried = useRef<string>(undefined);
  const { from } = state;
  const question = JSON.stringify([changes, from ?? null]);
  const answer = useAnswer([question, step, version], (ask) =>
    ask.keys(changes, step, from).then((keys) => ({ keys, question })),
  );
  // The way from before stands until the way from here is found; none of its keys may be pressed meanwhile.
  const guide = answer?.question === question ? answer.keys : undefined;
  const steps: readonly GuideStep[] = guide?.kind === "keys" ? guide.steps : [];
  const now = steps[state.at];

  /** Goes on from where the panel is found to be. */
  const resume = (at?: PanelState) => setState({ at: 0, ...(at && !outside(at) ? { from: at } : {}) });

  function takes(found: Found | undefined) {
    if (!found) return;
    if (found.kind === "known") resume(found.at);
    else setState((before) => ({ ...before, astray: found }));
  }

  return {
    guide: guide as KeyGuide | undefined,
    keys: guide?.kind === "keys" ? (guide as Keys) : undefined,
    state,
    now,
    done: steps.length > 0 && state.at >= steps.length,
    /** It shows what was said. */
    goOn: () => setState((before) => ({ ...before, at: Math.min(before.at + 1, steps.length) })),
    goBack: () => setState((before) => ({ ...before, at: Math.max(before.at - 1, 0) })),
    again: () => resume(),
    /** It shows something else. */
    stray: () => setState((before) => ({ ...before, astray: { kind: "asked" } })),
    /** It is where it was thought to be all the same. */
    never: () => setState(({ astray: _gone, ...before }) => before),
    outside: () => resume(),
    sees: (shown: readonly string[]) => planner.find({ shown }, step).then(takes),
    couldBe: (could: readonly PanelState[]) => {
      const [only, ...more] = could;
      if (only && (!more.length || outside(only))) return resume(only);
      return planner.find({ could }, step).then(takes);
    },
    /** A panel that is tried stands here: on with the guide, or from wherever it went. */
    follows: (panel: PanelState) => {
      if (place(panel) === tried.current) return;
      tried.current = place(panel);
      if (!now || place(panel) === place(now.before)) return;
      if (place(panel) === place(now.after))
        setState(({ from: begun, at }) => ({ at: at + 1, ...(begun ? { from: begun } : {}) }));
      else setState({ at: 0, from: panel });
    },
  };
}
