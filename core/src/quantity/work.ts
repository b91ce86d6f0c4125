/** Work that takes time, in the units in which it is counted. */
export type Work = "plans" | "circuits" | "steps" | "seconds";

type Watcher = (work: Work, count: number) => void;

let watcher: Watcher | undefined;

/**
 * Has all work of some size told as it is done, for who counts it: a test suite keeps to a ceiling. Undefined ends it.
 * @returns who was told until then
 */
export function watchWork(watch: Watcher | undefined): Watcher | undefined {
  const before = watcher;
  watcher = watch;
  return before;
}

/** Tells that so much was done: a job planned, a circuit solved, a step played, seconds simulated. */
export function countWork(work: Work, count = 1): void {
  watcher?.(work, count);
}
