/** A clock that goes on when it is told to, for what runs by itself. */
export function createClock() {
  let now = 0;
  const ticks = new Set<{ does: () => void; ms: number; next: number }>();
  return {
    clock: {
      now: () => now,
      every(ms: number, does: () => void) {
        const tick = { does, ms, next: now + ms };
        ticks.add(tick);
        return () => void ticks.delete(tick);
      },
    },
    /** Lets so many milliseconds pass. */
    passes(ms: number) {
      for (const end = now + ms; now < end;) {
        now = Math.min(end, ...[...ticks].map(({ next }) => next));
        for (const tick of ticks)
          if (tick.next <= now) {
            tick.next = now + tick.ms;
            tick.does();
          }
      }
    },
  };
}
