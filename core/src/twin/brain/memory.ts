import { leavesOf } from "./ask.ts";
import { memoriesIn, menuValues } from "../../board/index.ts";
import { foundPositions } from "../../controls/index.ts";
import { panelAtRest } from "../../panel/index.ts";
import { say, type Brain, type Running } from "./brain.ts";

const holdsOf = ({ board }: Brain, id: string) => board.memories.find((memory) => memory.id === id);

/** True where a program knows both ends of every leaf, and they are not one place. */
function knowsEnds(brain: Brain, { ends }: Running): boolean {
  return leavesOf(brain).every((leaf) => {
    const { open, closed } = ends[leaf];
    return open !== undefined && closed !== undefined && open !== closed;
  });
}

/** Memories hold something from here on. Travel is held only once both ends are known; force and speed come of it. */
export function learn(brain: Brain, ids: string | string[] | undefined, running?: Running): void {
  for (const id of memoriesIn(ids)) {
    const memory = holdsOf(brain, id);
    if (!memory) continue;
    if (memory.holds === "travel" && running) {
      if (!knowsEnds(brain, running)) return;
      if (brain.world?.learns() === false) return;
    }
    if (memory.holds === "travel")
      for (const other of brain.board.memories) if (other.afterTravel) forget(brain, other.id);
    brain.held[id] = Math.max(1, brain.held[id] ?? 0);
    brain.damaged.delete(id);
    say(brain, { kind: "learned", memory: id });
  }
}

export function forget(brain: Brain, ids: string | string[] | undefined): void {
  for (const id of memoriesIn(ids)) {
    if (!holdsOf(brain, id)) continue;
    const held = brain.held[id] ?? 0;
    brain.held[id] = 0;
    brain.damaged.delete(id);
    if (held > 0) say(brain, { kind: "forgot", memory: id });
  }
}

/** One thing more in a memory; a full one takes no more. */
export function add(brain: Brain, id: string): void {
  const { capacity = Infinity } = holdsOf(brain, id) ?? {};
  const held = brain.held[id] ?? 0;
  if (held >= capacity) return;
  brain.held[id] = held + 1;
  brain.filled = id;
  say(brain, { kind: "added", memory: id });
}

export function drop(brain: Brain, id: string): void {
  const held = brain.held[id] ?? 0;
  if (held === 0) return;
  brain.held[id] = held - 1;
  say(brain, { kind: "dropped", memory: id });
}

/** The board reads its controls of a kind. */
export function commit(brain: Brain, which: "switches" | "dials" | "values"): void {
  brain.inForce = { ...brain.inForce, [which]: brain.positions[which] };
  say(brain, { kind: "committed", which });
}

/** Menu values as delivered; everything is that and every memory empty. */
export function restore(brain: Brain, what: "values" | "everything"): void {
  const { values } = foundPositions(brain.board);
  brain.positions = { ...brain.positions, values };
  brain.inForce = { ...brain.inForce, values };
  brain.panel = panelAtRest(brain.board, values);
  if (what === "everything")
    forget(
      brain,
      brain.board.memories.map(({ id }) => id),
    );
  say(brain, { kind: "restored", what });
}

/** Values as the panel keeps them. */
export function keep(brain: Brain, kept: Readonly<Record<string, string>>): void {
  const ids = menuValues(brain.board).map(({ item }) => item.id);
  const values = Object.fromEntries(Object.entries(kept).filter(([id]) => ids.includes(id)));
  brain.positions = { ...brain.positions, values };
  brain.inForce = { ...brain.inForce, values };
  const { storing } = brain.board.panel ?? {};
  if (storing) brain.storing = storing.seconds;
  say(brain, { kind: "committed", which: "values" });
}

/** True once every memory of the travel is filled. */
export const knowsTravel = ({ board, held }: Brain): boolean =>
  board.memories.filter(({ holds }) => holds === "travel").every(({ id }) => (held[id] ?? 0) > 0);
