import TinyQueue from "tinyqueue";
import { isSaved, type PanelState } from "../state.ts";
import { edgesFrom, type Edge, type Walk } from "./edges.ts";

/** A way through the menus: gestures in order, each with where the panel stands after it. */
export interface Way {
  edges: readonly Edge[];
  to: PanelState;
  ms: number;
}

interface Reached {
  state: PanelState;
  ms: number;
  edge?: Edge;
  before?: Reached;
}

/** What tells two states apart on a way: where they stand, what is not kept yet, and the one value that may change. */
const stateKey = (
  { item }: Pick<Walk, "item">,
  { path, editing, values, kept, begun }: PanelState,
): string => {
  let key = `${editing ?? ""}|${item === undefined ? "" : `${values[item]}|${kept[item]}`}|${begun.length}`;
  for (const { menu, entry } of path) key += `|${menu}:${entry}`;
  return isSaved({ values, kept }) ? key : `${key}|unsaved`;
};

function wayTo(reached: Reached): Way {
  const edges: Edge[] = [];
  for (let at: Reached | undefined = reached; at?.edge; at = at.before) edges.unshift(at.edge);
  return { edges, to: reached.state, ms: reached.ms };
}

/**
 * The quickest safe way from where a panel stands to where `ends` holds, by Dijkstra's algorithm over the machine itself;
 * undefined where there is none. Of ways that take the same time the first found, which is the same each time.
 */
export function quickestWay(
  walk: Walk,
  from: PanelState,
  ends: (state: PanelState) => boolean,
): Way | undefined {
  const queue = new TinyQueue<Reached & { order: number }>(
    [{ state: from, ms: 0, order: 0 }],
    (a, b) => a.ms - b.ms || a.order - b.order,
  );
  const done = new Set<string>();
  let order = 0;
  for (let at = queue.pop(); at; at = queue.pop()) {
    const key = stateKey(walk, at.state);
    if (done.has(key)) continue;
    done.add(key);
    if (ends(at.state)) return wayTo(at);
    for (const edge of edgesFrom(walk, at.state))
      if (!done.has(stateKey(walk, edge.to)))
        queue.push({ state: edge.to, ms: at.ms + edge.ms, edge, before: at, order: (order += 1) });
  }
  return undefined;
}
