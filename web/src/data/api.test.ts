import { getLog } from "./api.ts";

/** A server that answers with these pages of a log, one for each place to read after. */
function pages(all: Record<number, { log: object[]; next: number | null }>): string[] {
  const asked: string[] = [];
  globalThis.fetch = ((address: string) => {
    asked.push(address);
    const after = Number(new URL(address, "http://x").searchParams.get("after"));
    return Promise.resolve({ ok: true, status: 200, json: () => Promise.resolve(all[after]) });
  }) as unknown as typeof fetch;
  return asked;
}

test("a log is read page by page to its end, in its order", async () => {
  const asked = pages({
    0: { log: [{ id: "a" }, { id: "b" }], next: 7 },
    7: { log: [{ id: "c" }], next: 9 },
    9: { log: [], next: null },
  });
  expect((await getLog("/api/jobs/x/log")).log.map(({ id }) => id)).toEqual(["a", "b", "c"]);
  expect(asked).toEqual([0, 7, 9].map((after) => `/api/jobs/x/log?after=${after}`));
});
