import type { ImportMeets } from "@anvilcloud/core";
import { render, screen } from "@testing-library/react";
import { netloft } from "../../testing/bench.tsx";
import { ImportChoice } from "./import-choice.tsx";

const { job } = netloft();
const meets = (file: ImportMeets["file"], log: Partial<ImportMeets["log"]> = {}): ImportMeets => ({
  version: 3,
  here: job,
  file,
  log: { both: 2, onlyHere: 0, onlyFile: 0, unlike: 0, ...log },
});

const offered = (what: ImportMeets) => {
  const { unmount } = render(<ImportChoice meets={what} take={() => {}} close={() => {}} />);
  const names = screen.getAllByRole("button").map((button) => button.textContent);
  unmount();
  return names.filter((name) => name !== "Dismiss" && name !== "");
};

test("a file is offered as a later state where it says something new, and its log does not contradict", () => {
  const none = ["Do not import it", "As a copy beside it"];
  expect(offered(meets(job))).toEqual(none);
  expect(offered(meets(job, { onlyHere: 4 }))).toEqual(none);
  expect(offered(meets({ ...job, title: "Another" }))).toEqual([...none, "As its later state"]);
  expect(offered(meets(job, { onlyFile: 1 }))).toEqual([...none, "As its later state"]);
  expect(offered(meets({ ...job, title: "Another" }, { unlike: 1 }))).toEqual(none);
});
