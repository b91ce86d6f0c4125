import { planJob, stateAsFound, type BenchState } from "@anvilcloud/core";
import { cleanup, fireEvent, screen } from "@testing-library/react";
import { netloft, renderInJob } from "../testing/bench.tsx";
import { Bench } from "./bench.tsx";
import { Meter } from "./meter.tsx";
import { layerState } from "./view.ts";

const plan = planJob(netloft());
const meter = (state: BenchState) => renderInJob(netloft(), <Meter plan={plan} state={state} />);
const figure = () => document.querySelector("output[aria-live]")?.textContent;

afterEach(cleanup);

describe("the meter on the bench", () => {
  test("begins on a rail that is always on, with its volts and the reason", () => {
    meter(layerState(plan, "planned"));
    expect(figure()).toBe("24 V DC");
    expect(screen.getByText("the two poles of Accessory rail, always on")).toBeTruthy();
  });

  test("with the probes exchanged the sign turns; without power it is on ohms", () => {
    meter(layerState(plan, "planned"));
    fireEvent.click(screen.getByRole("button", { name: "Exchange the probes" }));
    expect(figure()).toBe("-24 V DC");
    fireEvent.click(screen.getByRole("radio", { name: "Power off, ohms" }));
    expect(figure()).toBe("open");
  });

  test("reads the bench as it is shown: as found nothing is landed yet", () => {
    expect(layerState(plan, "found")).toEqual(stateAsFound(plan.bundle));
    expect(layerState(plan, "planned").landed.length).toBe(plan.wiring.cores.length);
    const last = plan.sheet.at(-1)!;
    expect(layerState(plan, "step", last)).toBe(last.during);
  });

  test("stands under the face, beside the layers", () => {
    renderInJob(netloft(), <Bench plan={plan} start="planned" />);
    expect(screen.getByRole("region", { name: "Meter" })).toBeTruthy();
  });
});
