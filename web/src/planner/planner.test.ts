import { jobOn, netloft } from "../testing/bench.tsx";
import { createPlanner } from "./planner.ts";

const ignore = () => {};

describe("what is asked about the last plan", () => {
  test("a step is played once, and anew for another plan", async () => {
    const planner = createPlanner();
    expect(await planner.ran("do:power-up:on")).toBeUndefined();
    await planner.plan(netloft(), ignore);
    const first = await planner.ran("do:power-up:on");
    expect(first!.lamps["lamp-beam"]).toBe("lit");
    expect(await planner.ran("do:power-up:on")).toBe(first);
    await planner.plan(netloft(), ignore);
    expect(await planner.ran("do:power-up:on")).not.toBe(first);
    expect(await planner.ran("no such step")).toBeUndefined();
  });

  test("how it would look with each fault: told how far it is, and kept; a newer question ends an older one", async () => {
    const planner = createPlanner();
    await planner.plan(netloft(), ignore);
    const parts: number[] = [];
    const older = planner.sights("do:power-up:on", ignore);
    const newer = planner.sights("sense:cell-street/beam:beam", ({ tried }) => void parts.push(tried));
    expect(await older).toBeUndefined();
    const told = await newer;
    expect(told!.faulty.length).toBeGreaterThan(3);
    expect(parts.at(-1)).toBe(1);
    expect(parts).toEqual(parts.toSorted((a, b) => a - b));
    expect(await planner.sights("sense:cell-street/beam:beam", ignore)).toBe(told);
    expect(await planner.sights("no such step", ignore)).toBeUndefined();
  });

  test("of another plan that came meanwhile nothing is told", async () => {
    const planner = createPlanner();
    await planner.plan(netloft(), ignore);
    const asked = planner.sights("do:power-up:on", ignore);
    await planner.plan(jobOn("tarn-grellock", []), ignore);
    expect(await asked).toBeUndefined();
  });

  test("its run: once for each plan, and none where nothing moves", async () => {
    const planner = createPlanner();
    expect(await planner.trial()).toBeUndefined();
    await planner.plan(netloft(), ignore);
    const trial = await planner.trial();
    expect(trial!.findings).toEqual([]);
    expect(await planner.trial()).toBe(trial);
  });
});
