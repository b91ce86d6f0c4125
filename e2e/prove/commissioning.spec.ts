import { setsValues, withoutJob } from "../commissioning.ts";
import { expect, test } from "../server.ts";

test("a two-leaf gate, by keyboard, from power-up to a full cycle; a slip is told, and led out of", async ({
  page,
  demo,
}) => {
  const it = await withoutJob(page, demo, /Tandrel/);
  await it.says("Set LEAVES pair.");
  await it.works(/^Slide LEAVES/, "Enter", /pair/);
  await it.says(/^Turn PUSH \(V2\) to 11:45/);
  await it.works(/^Dial PUSH/, "+", /at 11:45/);
  await it.says(/^Turn PAIR \(V3\) to 9:45/);
  await it.works(/^Dial PAIR/, "+", /at 9:45/);
  await it.says(/switch the breaker on/);
  await it.power();
  await it.says("Hold TAKE for 3 s; the board reads the dials.");
  // The slip: let go too early, and a switch flipped that nothing asks for.
  await it.holds("TAKE", 1);
  await it.card.getByText("If it goes otherwise").click();
  await it.says(/Let go too early and nothing is read/);
  await it.works(/^Switch S1/, "Enter", /, on$/);
  await it.says("S1 stands at on: it belongs at off.");
  await it.works(/^Switch S1/, "Enter", /, off$/);
  await expect(it.card.getByRole("list", { name: "What keeps it" })).toHaveCount(0);
  await it.holds("TAKE", 3);
  await it.says(/^Press TAKE three times in a row/);
  await it.presses("TAKE", 3);
  await it.says(/to half-way, engage the drives again/);
  await it.button("Half-way by hand").press("Enter");
  await it.says(/^Stand clear and press MOVE once/);
  await it.presses("MOVE");
  await it.passes(1.5);
  await it.presses("MOVE");
  await it.says(/open every leaf fully by hand/);
  await it.button("Open by hand").press("Enter");
  await it.says(/^Hold MOVE for 6 s until TRAVEL blinks/);
  await it.holds("MOVE", 6);
  await it.says(/^Watch the leaves close/);
  await it.waits(/^Press MOVE once and let the gate run to fully open/);
  await expect(page.getByText("In memory: travel.")).toBeVisible();
  await it.presses("MOVE");
  await page.getByText("10×", { exact: true }).click();
  const is = page.getByRole("group", { name: "Board and what it moves" }).locator("strong");
  await expect(is).toHaveText("The gate is open.");
  await it.presses("MOVE");
  await expect(is).toHaveText("The gate is closed.");
  await page.getByText("1×", { exact: true }).click();
  await it.says(/^Hold MOVE and TAKE together for 2 s/);
});

test("an industrial door, its values set by the keys the card tells, its ends learned, to a full cycle", async ({
  page,
  demo,
}) => {
  const it = await withoutJob(page, demo, /Hoistrum/);
  await it.says(/^Switch the breaker on/);
  await it.power();
  await it.says(/Go to 21 Force limit/);
  await setsValues(it);
  await it.says(/^Bring the door half-way/);
  await it.button("Half-way by hand").press("Enter");
  await it.says("Hold UP for a second.");
  // The list still stands open, and UP means nothing in it: that is told, with the way out.
  await it.says(/still stands open, and keys act in it: hold KNOB for 1 s/);
  await it.holds("KNOB", 1);
  await it.holds("UP", 1);
  await it.says(/^Open the fitter's list, go to 20/);
  await it.holds("KNOB", 11);
  await it.presses("KNOB");
  await it.says("Hold UP until the door stands fully open.");
  await it.holds("UP", 14);
  await it.says("Press KNOB. The display asks for the floor.");
  await it.presses("KNOB");
  await it.says("Hold DOWN until the door stands on the floor.");
  await it.holds("DOWN", 24);
  await it.says("Press KNOB. ENDS is steadily lit.");
  await it.presses("KNOB");
  await it.says(/^Press UP once/);
  await it.presses("UP");
  await it.says("Watch one full cycle.");
  await it.waits(/^Open with UP, close with DOWN/);
  await expect(page.getByText(/In memory: /).first()).toBeVisible();
});
