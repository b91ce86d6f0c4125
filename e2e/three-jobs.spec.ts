import { expect, test } from "./server.ts";
import { sites, sizes, walkJob } from "./three-jobs.ts";

test("rooflights on a phone in one hand: from an empty list to a job handed over, in as few presses as are enough", async ({
  page,
  empty,
}) => {
  const rooflights = sites.find(({ what }) => what.includes("rooflights"))!;
  const phone = sizes.find(([where]) => where === "on a phone")!;
  await walkJob(page, empty, rooflights, phone);
  await expect(page.getByRole("link", { name: /^Prove, settled/ })).toBeVisible();
});
