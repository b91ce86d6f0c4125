import { cleanup, fireEvent, screen } from "@testing-library/react";
import { showPlan, planJob } from "@anvilcloud/core";
import { netloft, renderInJob, settled } from "../testing/bench.tsx";
import { Bench } from "./bench.tsx";
import { Meter } from "./meter.tsx";

const plan = showPlan(planJob(netloft()));

async function meter(bench: Parameters<typeof Meter>[0]["bench"]) {
  await renderInJob(netloft(), <Meter plan={plan} bench={bench} />);
  await settled();
}
async function press(role: "button" | "radio", name: string) {
  fireEvent.click(screen.getByRole(role, { name }));
  await settled();
}
const figure = () => document.querySelector("output[aria-live]")?.textContent;

afterEach(cleanup);

describe("the meter on the bench", () => {
  test("begins on a rail that is always on, with its volts and the reason", async () => {
    await meter("planned");
    expect(figure()).toBe("24 V DC");
    expect(screen.getByText("the two poles of Accessory rail, always on")).toBeTruthy();
  });

  test("with the probes exchanged the sign turns; without power it is on ohms", async () => {
    await meter("planned");
    await press("button", "Exchange the probes");
    expect(figure()).toBe("-24 V DC");
    await press("radio", "Power off, ohms");
    expect(figure()).toBe("open");
  });

  test("reads the bench of a step, and shows nothing on the bench of a step that is gone", async () => {
    await meter({ step: plan.sheet.at(-1)!.id });
    expect(figure()).toBe("24 V DC");
    cleanup();
    await meter({ step: "no such step" });
    expect(figure()).toBe("…");
  });

  test("stands under the face, beside the layers", async () => {
    await renderInJob(netloft(), <Bench plan={plan} start="planned" />);
    await settled();
    expect(screen.getByRole("region", { name: "Meter" })).toBeTruthy();
  });
});
