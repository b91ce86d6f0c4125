import { differences } from "./differences.ts";

test("both values stand beside each place that differs", () => {
  const theirs = { title: "a", survey: { leaves: [{ massKg: 120 }] }, gone: true };
  const yours = { title: "b", survey: { leaves: [{ massKg: 140 }] }, added: 1 };
  expect(differences(theirs, yours).sort((x, y) => x.path.localeCompare(y.path))).toEqual([
    { path: "added", theirs: "—", yours: "1" },
    { path: "gone", theirs: "true", yours: "—" },
    { path: "survey › leaves › 0 › massKg", theirs: "120", yours: "140" },
    { path: "title", theirs: "a", yours: "b" },
  ]);
});

test("a place that is a list here and a mapping there is told whole, and so is one that is missing", () => {
  expect(differences({ a: [1], b: { c: 1 } }, { a: { 0: 1 } })).toEqual([
    { path: "a", theirs: "[1]", yours: '{"0":1}' },
    { path: "b", theirs: '{"c":1}', yours: "—" },
  ]);
  const same = { a: [{ b: null }], c: "x" };
  expect(differences(same, { a: [{ b: null }], c: "x" })).toEqual([]);
});
