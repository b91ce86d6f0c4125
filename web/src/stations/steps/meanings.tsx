import type { ShownPlan, Step } from "@anvilcloud/core";
import { useAnswer } from "../../planner/index.ts";
import { Loading, Quiet } from "../../ui/index.ts";

/** What it may mean that a step did not show what it should: every single fault that would look like it. */
export function Meanings({ plan, step }: { plan: ShownPlan; step: Step }) {
  const meanings = useAnswer([plan, step.id], (planner) => planner.meanings(step.id));
  if (!meanings) return <Loading what="what it may mean" />;
  if (!meanings.length) return <Quiet>Nothing is known for this board. Stop, and note what you see.</Quiet>;
  return (
    <ul style={{ display: "grid", gap: 6, listStyle: "disc", paddingLeft: 20 }}>
      {meanings.map((meaning) => (
        <li key={meaning.text}>{meaning.text}</li>
      ))}
    </ul>
  );
}
