import { afterEach, beforeEach, describe, expect, jest, test } from "@jest/globals";
import { computedMs, limit } from "./limit.ts";

describe("a task's limit", () => {
  let computed = 0;
  let over = 0;
  const begin = () =>
    limit(
      1_000,
      () => (over += 1),
      () => computed,
    );
  /** Time passes, of which the process gets some part. */
  const pass = (ms: number, part: number) => {
    for (let at = 0; at < ms; at += 100) {
      computed += 100 * part;
      jest.advanceTimersByTime(100);
    }
  };

  beforeEach(() => {
    jest.useFakeTimers();
    // What was computed before the task counts for nothing.
    [computed, over] = [5_000, 0];
  });
  afterEach(() => {
    jest.useRealTimers();
  });

  test("is over once it has computed so long", () => {
    begin();
    pass(900, 1);
    expect(over).toBe(0);
    pass(200, 1);
    expect(over).toBe(1);
    pass(5_000, 1);
    expect(over).toBe(1);
  });

  test("is not over sooner than so much time has passed, though other threads compute beside it", () => {
    begin();
    pass(900, 4);
    expect(over).toBe(0);
    pass(100, 4);
    expect(over).toBe(1);
  });

  test("waits for a machine that is busy with something else", () => {
    begin();
    pass(4_900, 0.2);
    expect(over).toBe(0);
    pass(200, 0.2);
    expect(over).toBe(1);
  });

  test("is over in the end where a task computes nothing", () => {
    begin();
    pass(9_900, 0);
    expect(over).toBe(0);
    pass(200, 0);
    expect(over).toBe(1);
  });

  test("is over no more once the watch has ended", () => {
    const end = begin();
    pass(900, 1);
    end();
    pass(90_000, 1);
    expect(over).toBe(0);
  });
});

test("what the process computes grows as it computes", () => {
  const before = computedMs();
  let sum = 0;
  for (let n = 0; n < 20_000_000; n++) sum += Math.sqrt(n);
  expect(sum).toBeGreaterThan(0);
  expect(computedMs()).toBeGreaterThan(before);
});
