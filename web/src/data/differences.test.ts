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
