import { readFileSync } from "node:fs";
import { join } from "node:path";
import { root } from "./testing/serve.ts";

test.each(["core", "server", "web"])(
  "every package that %s needs at run time has its line of why",
  (workspace) => {
    const file = readFileSync(join(root, workspace, "package.json"), "utf8");
    const { dependencies } = JSON.parse(file) as { dependencies: Record<string, string> };
    const wanted = Object.keys(dependencies).filter((name) => !name.startsWith("@anvilcloud/"));
    const [, section = ""] = readFileSync(join(root, "docs/packages.md"), "utf8").split(`## ${workspace}/`);
    const [own = ""] = section.split("\n## ");
    const told = [...own.matchAll(/^\| `(\S+)`\s+\| (\S.*)\|$/gm)].map(([, name]) => name);
    expect(told.sort()).toEqual(wanted.sort());
  },
);
