import { planJob } from "../../plan/index.ts";
import { bundleOn, planOn, usualDevices } from "../../testing/shipped.ts";
import type { Step } from "../index.ts";

const settingOf = (sheet: readonly Step[], entry: string): Step =>
  sheet.find((step) => step.id.startsWith(`set:${entry}:`))!;

test("the way to an entry is the one that the menus have at that station: a new door's own menu, then the whole one", () => {
  const wishes = { "low-energy": true, "opening-speed": 40 };
  const { sheet } = planOn("lammerlow-thrussel", usualDevices("lammerlow-thrussel"), wishes);
  const [type, speed] = ["low-energy", "v-open"].map((entry) => settingOf(sheet, entry).says);
  expect(type).toMatch(/^Press ↓ to open the menu of a new door, go to .*Door type.* and open it\./);
  expect(speed).toMatch(/^Press ↓ to open the menu, go to .*Motion.* and open it\./);
});

test("keys that move the gate outside the menus are cautioned about, but not where an app sets the value", () => {
  const wishes = { "photocell-test": true, "automatic-closing": true };
  const bundle = bundleOn("furzel-slathorn", usualDevices("furzel-slathorn"), wishes);
  const cautions = () => {
    const { sheet } = planJob(structuredClone(bundle));
    return ["auto", "test-beam"].map((entry) => settingOf(sheet, entry).caution);
  };
  const byKeys = "Outside the menus +, ƒ and − move the gate: look at the display before each press.";
  expect(cautions()).toEqual([byKeys, byKeys]);
  const menu = bundle.board.panel!.menus.find(({ id }) => id === "protection")!;
  Object.assign(menu, { kind: "app", label: "the maker's app" });
  expect(cautions()).toEqual([byKeys, undefined]);
});
