import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { PlannerProvider } from "../planner/index.ts";
import { createPlanner } from "../planner/planner.ts";
import { netloft } from "../testing/bench.tsx";
import { usePlan } from "./plan.ts";

test("progress that comes after the plan leaves nothing under way", async () => {
  const planner = createPlanner();
  let late = (): void => {};
  const slow: typeof planner = {
    ...planner,
    plan: async (bundle, tell) => {
      late = () => void tell?.("checks");
      return planner.plan(bundle, tell);
    },
  };
  const { job, board, devices, log } = netloft();
  const stored = { version: 1, job, board, devices };
  const wrapper = ({ children }: { children: ReactNode }) => (
    <PlannerProvider value={slow}>{children}</PlannerProvider>
  );
  const { result } = renderHook(() => usePlan({ stored, devices, log }), { wrapper });
  await act(async () => {});
  expect(result.current.made).toBeDefined();
  act(() => late());
  expect(result.current.stage).toBeUndefined();
});
