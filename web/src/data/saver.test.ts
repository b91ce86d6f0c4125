import type { Job, JobEdit, StoredJob } from "@anvilcloud/core";
import { ApiError } from "./api.ts";
import { createSaver, type SaveState } from "./saver.ts";

const stored = (title: string, version = 1) =>
  ({ version, job: { id: "j", title } as Job, board: {}, devices: [] }) as unknown as StoredJob;
const titled = (title: string): JobEdit => ({
  kind: "site",
  title,
  site: { customer: "Ada Lowther", address: "", town: "" },
  installer: "",
});
/** Once all that waits for nothing but promises has come about. */
const settled = () => new Promise((resolve) => setTimeout(resolve));

function bench(put: (job: Job, version: number) => Promise<StoredJob>) {
  let shown = stored("first");
  const states: SaveState[] = [];
  const sent: [string, number][] = [];
  const saver = createSaver(shown, {
    publish: (next) => (shown = next),
    put: (job, version) => {
      sent.push([job.title, version]);
      return put(job, version);
    },
    report: (state) => states.push(state),
    now: () => 7,
  });
  return { saver, sent, states, shown: () => shown };
}

const accept = (job: Job, version: number) => Promise.resolve({ ...stored(job.title, version + 1) });

test("a change is shown at once and saved", async () => {
  const { saver, shown, states, sent } = bench(accept);
  saver.change(titled("second"));
  expect(shown().job.title).toBe("second");
  await settled();
  expect(sent).toEqual([["second", 1]]);
  expect(shown().version).toBe(2);
  expect(states).toEqual([{ kind: "saving" }, { kind: "saved", at: 7 }]);
});

test("changes made while one is under way go as one, from the version that one left", async () => {
  const { saver, sent, shown } = bench(accept);
  for (const title of ["a", "b", "c"]) saver.change(titled(title));
  await settled();
  expect(sent).toEqual([
    ["a", 1],
    ["c", 2],
  ]);
  expect(shown()).toMatchObject({ version: 3, job: { title: "c" } });
});

test("what is fetched anew is built on, but never over what is being saved", async () => {
  const { saver, sent } = bench(accept);
  expect(saver.refresh(stored("first", 1))).toBe(false);
  expect(saver.refresh(stored("elsewhere", 4))).toBe(true);
  saver.change(titled("mine"));
  saver.refresh(stored("late", 9));
  await settled();
  expect(sent).toEqual([["mine", 4]]);
});

test("a refusal rolls back to what the server last confirmed and says why", async () => {
  const { saver, shown, states } = bench((job, version) =>
    job.title === "bad" ? Promise.reject(new ApiError(422, "title: too odd")) : accept(job, version),
  );
  saver.change(titled("good"));
  await settled();
  saver.change(titled("bad"));
  await settled();
  expect(shown()).toMatchObject({ version: 2, job: { title: "good" } });
  expect(states.at(-1)).toEqual({ kind: "refused", message: "title: too odd" });
});

test.each([401, 429, 500, 503, 507])(
  "an answer of %i stands in the way only for a while: what was typed stays and is sent again",
  async (status) => {
    let open = false;
    const { saver, shown, states } = bench((job, version) =>
      open ? accept(job, version) : Promise.reject(new ApiError(status, "not now")),
    );
    saver.change(titled("typed meanwhile"));
    await settled();
    expect(states.at(-1)).toEqual({ kind: "unsent", message: "not now" });
    expect(shown().job.title).toBe("typed meanwhile");
    open = true;
    saver.retry();
    await settled();
    expect(shown()).toMatchObject({ version: 2, job: { title: "typed meanwhile" } });
  },
);

test("without an answer the change stays on screen, is not overwritten, and goes by retry", async () => {
  let line = false;
  const { saver, shown, states, sent } = bench((job, version) =>
    line ? accept(job, version) : Promise.reject(new ApiError(0, "no answer")),
  );
  saver.change(titled("typed in a dead spot"));
  await settled();
  expect(states.at(-1)).toEqual({ kind: "unsent", message: "no answer" });
  expect(saver.refresh(stored("first", 1))).toBe(false);
  expect(shown().job.title).toBe("typed in a dead spot");
  line = true;
  saver.retry();
  saver.retry();
  await settled();
  expect(sent).toHaveLength(2);
  expect(shown()).toMatchObject({ version: 2, job: { title: "typed in a dead spot" } });
});

describe("a job changed elsewhere", () => {
  const other = stored("theirs", 5);
  const stale = (job: Job, version: number) =>
    version < 5 ? Promise.reject(new ApiError(412, "stale", { current: other })) : accept(job, version);

  test("is told with both versions, and nothing more is sent until it is settled", async () => {
    const { saver, sent, states, shown } = bench(stale);
    saver.change(titled("mine"));
    await settled();
    saver.change(titled("mine too"));
    await settled();
    expect(sent).toHaveLength(1);
    expect(states.at(-1)).toMatchObject({ kind: "conflict", current: other, yours: { title: "mine" } });
    expect(shown().job.title).toBe("mine too");
  });

  test("theirs may stand", async () => {
    const { saver, shown } = bench(stale);
    saver.change(titled("mine"));
    await settled();
    saver.settle("theirs");
    expect(shown()).toEqual(other);
  });

  test("or mine is put over it, from their version", async () => {
    const { saver, sent, shown } = bench(stale);
    saver.change(titled("mine"));
    await settled();
    saver.settle("mine");
    await settled();
    expect(sent.at(-1)).toEqual(["mine", 5]);
    expect(shown()).toMatchObject({ version: 6, job: { title: "mine" } });
  });
});
