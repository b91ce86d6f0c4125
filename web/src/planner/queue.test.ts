import { createPlanQueue } from "./queue.ts";

/** A queue whose work ends when the test says so. */
function bench() {
  const begun: string[] = [];
  const ends: (() => void)[] = [];
  const published: string[] = [];
  const failed: string[] = [];
  const queue = createPlanQueue<string, string>({
    work: (wanted) => {
      begun.push(wanted);
      return new Promise((resolve, reject) =>
        ends.push(() => (wanted === "bad" ? reject(new Error("bad")) : resolve(`plan of ${wanted}`))),
      );
    },
    publish: (result) => published.push(result),
    fail: (error) => failed.push(error.message),
  });
  /** Ends the work under way, and lets everything follow that waits for it. */
  const end = async () => {
    ends.shift()?.();
    for (let n = 0; n < 5; n++) await Promise.resolve();
  };
  return { queue, begun, published, failed, end };
}

test("one is worked out at a time, and of those that wait only the newest", async () => {
  const { queue, begun, published, end } = bench();
  for (const wanted of ["a", "b", "c"]) queue.want(wanted);
  expect(begun).toEqual(["a"]);
  await end();
  expect(begun).toEqual(["a", "c"]);
  await end();
  expect(published).toEqual(["plan of a", "plan of c"]);
});

test("what fails is told, and the next one is worked out all the same", async () => {
  const { queue, published, failed, end } = bench();
  queue.want("bad");
  queue.want("good");
  await end();
  await end();
  expect([failed, published]).toEqual([["bad"], ["plan of good"]]);
});

test("what waits and is wanted no more is never begun", async () => {
  const { queue, begun, end } = bench();
  queue.want("a");
  queue.want("b");
  queue.forget();
  await end();
  expect(begun).toEqual(["a"]);
  queue.want("c");
  expect(begun).toEqual(["a", "c"]);
});
