import { test } from "../server.ts";
import { sites, sizes, walkJob } from "../three-jobs.ts";

for (const site of sites)
  for (const size of sizes)
    test(`${site.what}, ${size[0]}: from an empty list to a job handed over`, ({ page, empty }) =>
      walkJob(page, empty, site, size));
