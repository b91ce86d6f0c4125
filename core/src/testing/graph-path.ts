import Graph from "graphology";
import { dijkstra } from "graphology-shortest-path";
import type { BoardProfile, Gesture } from "../board/index.ts";
import {
  panelAfterEach,
  panelAlone,
  panelAtRest,
  panelWaits,
  type Change,
  type PanelState,
  type PanelStep,
} from "../panel/index.ts";
import { gestureMs } from "../panel/path/cost.ts";

const ask = panelAlone(true);

/** Every gesture that anyone could make at a board's keys, and the waits that something comes of. */
function anyGesture({ keys, panel }: BoardProfile): Gesture[] {
  const asWritten = JSON.stringify(panel);
  const twice = (key: string) => asWritten.includes(JSON.stringify({ key, times: 2 }));
  return [
    ...keys.flatMap(({ id: key }): Gesture[] => [
      { press: { key, times: 1 } },
      ...(twice(key) ? [{ press: { key, times: 2 } }] : []),
      ...Array.from({ length: 11 }, (_, n): Gesture => ({ hold: { key, seconds: n + 1 } })),
      { turn: { key, to: "left", clicks: 1 } },
      { turn: { key, to: "right", clicks: 1 } },
    ]),
    ...[panel?.pauseSeconds, panel?.timeoutSeconds].flatMap((wait) => (wait ? [{ wait }] : [])),
  ];
}

/** What one gesture comes to; undefined where it moves, starts or loses something, or changes another value. */
function safely(
  board: BoardProfile,
  { item, to }: Change,
  from: PanelState,
  made: readonly Gesture[],
): { state: PanelState; ms: number } | undefined {
  const [only] = made;
  const { state, events }: PanelStep =
    only && "wait" in only ? panelWaits(board, from, only.wait) : panelAfterEach(board, ask, from, made);
  const saves = events.some(({ kind }) => kind === "kept");
  const starts = events.some(
    ({ kind }) => kind === "outside" || kind === "reverted" || (kind === "started" && !saves),
  );
  const others = Object.keys(state.values).some((id) => id !== item && state.values[id] !== from.values[id]);
  const wrong = state.values[item] !== from.values[item] && state.values[item] !== to;
  if (starts || others || wrong) return undefined;
  const storing = saves ? (board.panel!.storing?.seconds ?? 0) * 1000 : 0;
  return { state, ms: made.reduce((sum, each) => sum + gestureMs(each), storing) };
}

const keyOf = ({ path, editing, values, kept, begun }: PanelState, { item }: Change) =>
  JSON.stringify([path, editing, values[item], kept[item], begun]);

/** Every place from which something follows, by trying every gesture everywhere, with what follows. */
function* everyStep(board: BoardProfile, change: Change, from = panelAtRest(board)) {
  const gestures = anyGesture(board);
  const seen = new Set([keyOf(from, change)]);
  const queue = [from];
  for (let at = queue.pop(); at; at = queue.pop())
    for (const made of gestures) {
      const step = safely(board, change, at, [made]);
      if (!step) continue;
      const key = keyOf(step.state, change);
      yield { a: keyOf(at, change), b: key, ms: step.ms };
      if (seen.has(key)) continue;
      seen.add(key);
      queue.push(step.state);
    }
}

const goalOf = (board: BoardProfile, change: Change) => {
  const rest = panelAtRest(board);
  const set = { ...rest.values, [change.item]: change.to };
  return keyOf({ ...rest, values: set, kept: set }, change);
};

/** A board's menus as a graph of a general package: what every gesture does everywhere. */
export function graphOf(board: BoardProfile, change: Change): Graph {
  const graph = new Graph();
  for (const { a, b, ms } of everyStep(board, change)) {
    graph.mergeNode(a);
    graph.mergeNode(b);
    graph.mergeEdge(a, b);
    graph.updateEdgeAttribute(a, b, "ms", (least?: number) => Math.min(least ?? Infinity, ms));
  }
  return graph;
}

/** The least time to a value that the package finds in that graph. */
export function pathByPackage(
  board: BoardProfile,
  change: Change,
  graph = graphOf(board, change),
): number | undefined {
  const goal = goalOf(board, change);
  if (!graph.hasNode(goal)) return undefined;
  const nodes = dijkstra.bidirectional(graph, keyOf(panelAtRest(board), change), goal, "ms");
  return nodes
    ?.slice(1)
    .reduce((sum, node, n) => sum + Number(graph.getEdgeAttribute(nodes[n], node, "ms")), 0);
}

/** The same by going over every step again and again until nothing gets quicker: no graph, no queue. */
export function pathByExhaustion(board: BoardProfile, change: Change): number | undefined {
  const rest = panelAtRest(board);
  const steps = [...everyStep(board, change)];
  const least = new Map([[keyOf(rest, change), 0]]);
  for (let quicker = true; quicker;) {
    quicker = false;
    for (const { a, b, ms } of steps) {
      const far = (least.get(a) ?? Infinity) + ms;
      if (far >= (least.get(b) ?? Infinity)) continue;
      least.set(b, far);
      quicker = true;
    }
  }
  return least.get(goalOf(board, change));
}

/** Values deep in the largest shipped menu, far from where they stand. */
export const farValues: readonly Change[] = [
  { item: "pause-walk", to: "117" },
  { item: "delay-close", to: "7.5" },
  { item: "relay-two", to: "3" },
];
