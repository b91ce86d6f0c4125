import TinyQueue from "tinyqueue";
import { displayPositions, type Gesture, type MenuItem, type Panel } from "../../board/index.ts";
import { steppedTo, stepsHeld } from "../machine.ts";
import { gestureMs } from "./cost.ts";

/** Longest hold of a key that runs a value, s; a longer one is hardly let go in time. */
const longestRun = 10;

interface Jump {
  made: Gesture;
  by: number;
  ms: number;
}

/** What changes a value: one step by a press or a click, and many while a key is held, where the profile says how fast. */
function jumpsOf(panel: Panel, item: MenuItem): Jump[] {
  const runs = item.number && (panel.fast || panel.repeatsPerSecond);
  return (
    [
      [panel.more, 1],
      [panel.less, -1],
    ] as const
  ).flatMap(([by, way]): Jump[] => {
    if (!by) return [];
    const single: Jump = { made: by, by: way, ms: gestureMs(by) };
    if (!runs || !("press" in by)) return [single];
    const held = Array.from({ length: longestRun }, (_, n): Jump => {
      const made: Gesture = { hold: { key: by.press.key, seconds: n + 1 } };
      return { made, by: way * stepsHeld(panel, item, n + 1), ms: gestureMs(made) };
    });
    // Holds stand first: what one overshoots the presses after it mend.
    return [...held, single];
  });
}

/**
 * The quickest gestures that bring a value which is being changed from what it shows to what it shall show; undefined
 * where none do. Dijkstra's algorithm over its steps alone.
 */
export function runTo(panel: Panel, item: MenuItem, from: string, to: string): Gesture[] | undefined {
  const all = displayPositions(item);
  const [start, end] = [all.indexOf(from), all.indexOf(to)];
  if (start < 0 || end < 0) return undefined;
  const jumps = jumpsOf(panel, item);
  const before: ({ at: number; jump: Jump } | undefined)[] = [];
  const least = all.map(() => Infinity);
  least[start] = 0;
  const queue = new TinyQueue<{ at: number; ms: number }>([{ at: start, ms: 0 }], (a, b) => a.ms - b.ms);
  for (let now = queue.pop(); now && now.at !== end; now = queue.pop()) {
    if (now.ms > least[now.at]!) continue;
    for (const jump of jumps) {
      const at = steppedTo(item, all.length, now.at, jump.by);
      const ms = now.ms + jump.ms;
      if (ms >= least[at]!) continue;
      least[at] = ms;
      before[at] = { at: now.at, jump };
      queue.push({ at, ms });
    }
  }
  if (least[end] === Infinity) return undefined;
  const made: Gesture[] = [];
  for (let step = before[end]; step; step = step.at === start ? undefined : before[step.at])
    made.unshift(step.jump.made);
  return made;
}
