/** What a queue works with: how something is worked out, and who is shown the result. */
interface Parts<Wanted, Result> {
  work: (wanted: Wanted) => Promise<Result>;
  publish: (result: Result, wanted: Wanted) => void;
  fail: (error: Error) => void;
}

/**
 * Works out one thing after the other, always the newest that is wanted: what was wanted in between while the one before
 * was under way is passed over, so that quick changes never pile up.
 */
export function createPlanQueue<Wanted, Result>({ work, publish, fail }: Parts<Wanted, Result>) {
  let next: { wanted: Wanted } | undefined;
  let running = false;

  async function run(): Promise<void> {
    running = true;
    while (next) {
      const { wanted } = next;
      next = undefined;
      try {
        const result = await work(wanted);
        publish(result, wanted);
      } catch (error) {
        fail(error as Error);
      }
    }
    running = false;
  }

  return {
    want(wanted: Wanted): void {
      next = { wanted };
      if (!running) void run();
    },
    /** What still waits is wanted no more. */
    forget(): void {
      next = undefined;
    },
  };
}
