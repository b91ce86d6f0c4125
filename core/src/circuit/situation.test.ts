import { atWork, railLives, situationNames, situations } from "./index.ts";

const dc = (live: Parameters<typeof railLives>[0]["live"]) =>
  situations.filter((each) => railLives({ live, kind: "dc" }, each));

test("what is always on lives through everything, on battery only where it is d.c.", () => {
  expect(dc("always")).toEqual([...situations]);
  expect(railLives({ live: "always", kind: "ac" }, "battery")).toBe(false);
});

test("a switched rail lives while the leaf is under way, one that sleeps while the board is awake", () => {
  expect(dc("moving")).toEqual(["opening", "closing"]);
  expect(dc("opening")).toEqual(["opening"]);
  expect(dc("not-closed")).toEqual(["opening", "open", "closing"]);
  expect(dc("awake")).toEqual(["awake", "testing", "opening", "open", "closing"]);
  expect(dc("unlocking")).toEqual(["opening"]);
  expect(dc("testing")).toEqual(["testing"]);
});

test("devices work while the leaf is under way or open, and every situation has its name", () => {
  expect(situations.filter(atWork)).toEqual(["opening", "open", "closing"]);
  expect(new Set(Object.values(situationNames)).size).toBe(situations.length);
});
