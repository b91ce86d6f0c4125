/** What the process has computed, ms: all its threads together, so no task ever computed more. */
export const computedMs = (): number => {
  const { user, system } = process.cpuUsage();
  return (user + system) / 1_000;
};

/** What waits for something else than its turn to compute is over after so many times as long. */
const mostTimes = 10;

/**
 * Calls `over` once a task has had so long to compute: as much time has passed, and the process has computed as much
 * meanwhile. What a machine gives to others is not laid to the task. Returns what ends the watch.
 */
export function limit(mostMs: number, over: () => void, computed = computedMs): () => void {
  const before = computed();
  let [passed, timer]: [number, NodeJS.Timeout | undefined] = [0, undefined];
  const wait = (ms: number) => {
    timer = setTimeout(() => {
      passed += ms;
      const left = mostMs - (computed() - before);
      if (left <= 0 || passed >= mostTimes * mostMs) over();
      else wait(Math.max(left, mostMs / 10));
    }, ms);
  };
  wait(mostMs);
  return () => clearTimeout(timer);
}
