import { workAtHome } from "../home.ts";
import { test } from "../server.ts";

test("home, at the desk: what is next, found, narrowed, put away, deleted and taken back", ({ page, demo }) =>
  workAtHome(page, demo, { width: 1280, height: 800 }));
