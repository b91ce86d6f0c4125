import { behaviour, behaviourIds, type BehaviourId, type BehaviourValue } from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";
import { Choice, NumberInput, Quiet } from "../../ui/index.ts";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";

interface FieldProps {
  id: BehaviourId;
  value: BehaviourValue | undefined;
  onChange: (value: BehaviourValue | undefined) => void;
}

const unset = { id: "unset", text: "leave as found" };

function WishField({ id, value, onChange }: FieldProps) {
  const entry = behaviour(id);
  if (entry.type === "number")
    return (
      <NumberInput
        label={entry.label}
        unit={entry.unit}
        value={typeof value === "number" ? value : undefined}
        onChange={(next) => (next === undefined || next >= 0) && onChange(next)}
        hint={value === undefined ? "empty: leave as found" : undefined}
      />
    );
  const choices = entry.type === "switch" ? { true: "on", false: "off" } : (entry.choices ?? {});
  return (
    <Choice
      label={entry.label}
      value={value === undefined ? "unset" : String(value)}
      onChange={(next) =>
        onChange(next === "unset" ? undefined : entry.type === "switch" ? next === "true" : next)
      }
      options={[...Object.entries(choices).map(([key, text]) => ({ id: key, text })), unset]}
    />
  );
}

/** What the gate should do, asked by behaviour; the board's controls follow under Set. */
export function WishesForm() {
  const { job, plan, change } = useJobBench();
  const settable = new Set(
    plan.controls.controls.flatMap((control) => control.gives.map((given) => given.behaviour)),
  );
  const ids = behaviourIds.filter(
    (id) => id !== "leaf-count" && (settable.has(id) || job.wishes[id] !== undefined),
  );
  const set = (id: BehaviourId, value: BehaviourValue | undefined) =>
    change({ kind: "wish", behaviour: id, value });
  return (
    <Section title="What it should do">
      <Quiet style={{ marginBottom: 12 }}>
        Only what this board can be set to is asked. Where the controls must stand is worked out under Set.
      </Quiet>
      <Grid>
        {ids.map((id) => (
          <WishField key={id} id={id} value={job.wishes[id]} onChange={(value) => set(id, value)} />
        ))}
      </Grid>
    </Section>
  );
}
