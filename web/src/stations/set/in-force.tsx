import { inForceAt } from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";
import { Heading, Mark, Notice, Panel, Quiet } from "../../ui/index.ts";

/** What is moved and not in force yet: what its gesture will do, and what is lost without it. */
export function InForce() {
  const { plan } = useJobBench();
  const { pending, flips } = inForceAt(plan, plan.now);
  if (!pending.length && !flips.length) return null;
  return (
    <Panel aria-label="In force">
      <Heading>In force</Heading>
      {!pending.length && <Quiet>Everything that was moved is in force.</Quiet>}
      {pending.map(({ kind, controls, gesture, will, loses }) => (
        <div key={kind}>
          <Notice tone="caution" title="Moved and not in force">
            {controls.join(", ")}. {gesture}
          </Notice>
          <ul>
            {will.map(({ label, from, to }) => (
              <li key={label}>
                {label}: {from} → <Mark>{to}</Mark>
              </li>
            ))}
          </ul>
          {loses.length > 0 && <Quiet>Left without it: {loses.join("; ")}.</Quiet>}
        </div>
      ))}
      {flips.map(({ name, when }) => (
        <Quiet key={name}>
          {name}: {when}. It shows nothing about whether a value is in force.
        </Quiet>
      ))}
    </Panel>
  );
}
