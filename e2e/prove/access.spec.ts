import { faultsOn } from "../axe.ts";
import { expect, test } from "../server.ts";

const views = [
  ["jobs", "/"],
  ["survey", "/jobs/netloft/survey"],
  ["wire", "/jobs/netloft/wire"],
  ["cables", "/jobs/netloft/wire?view=cables"],
  ["as wired", "/jobs/netloft/wire?view=as-wired"],
  ["labels", "/jobs/netloft/wire?view=labels"],
  ["set", "/jobs/netloft/set"],
  ["found and left", "/jobs/ropewalk/set?view=stands"],
  ["keys", `/jobs/ropewalk/power-up/${encodeURIComponent("set:delay-close:4")}`],
  ["other work", "/jobs/netloft/work"],
  ["steps", "/jobs/netloft/wire?view=steps"],
  ["step", `/jobs/netloft/power-up/${encodeURIComponent("do:power-up:on")}`],
  ["a job, running", "/jobs/ropewalk/live"],
  ["a board, running", "/boards/copperfold-skarlune/live"],
  ["hand over", "/jobs/sailloft/hand-over"],
  ["record", "/jobs/sailloft/record"],
  ["boards", "/boards"],
  ["one board", "/boards/lammerlow-thrussel"],
  ["comparison", "/boards/compare?a=furzel-slathorn&b=tarn-grellock"],
  ["editor", "/boards/sorrel-tinkell/edit"],
  ["on a phone", "/phone"],
] as const;

/** Views in which the board drawn is looked at with all else: in a job, by itself, as its profile is written. */
const drawn: readonly string[] = ["wire", "one board", "editor"];

for (const half of [0, 1])
  test(`every main view passes axe and none scrolls sideways, by day and by night on a phone, ${half + 1} of 2`, async ({
    page,
    demo,
  }) => {
    for (const [name, address] of views.filter((_, at) => at % 2 === half)) {
      await page.goto(demo + address);
      await expect(page.getByRole("heading", { level: 1 })).toBeVisible();
      // What is still being fetched would be passed over.
      await page.waitForLoadState("networkidle");
      expect([name, await faultsOn(page, drawn.includes(name))]).toEqual([name, []]);
    }
  });
