import {
  behaviour,
  behaviourText,
  type BehaviourId,
  type BehaviourValue,
  type WishLine,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { size, space } from "../../../theme/index.ts";
import { Button, Choice, NumberInput } from "../../../ui/index.ts";

const Cell = styled.div`
  display: grid;
  gap: ${space.xs};
  align-content: start;
  > button {
    justify-self: start;
    padding: 0 ${space.s};
    font-size: ${size.small};
    text-decoration: underline;
  }
`;

interface Props {
  line: WishLine;
  value: BehaviourValue | undefined;
  onChange: (value: BehaviourValue | undefined) => void;
}

const unset = { id: "unset", text: "leave as found" };

const startText = (id: BehaviourId, { value, why }: NonNullable<WishLine["start"]>) =>
  why === undefined
    ? `As delivered: ${behaviourText(id, value)}.`
    : `Usual here: ${behaviourText(id, value)}. ${why}`;

/** One behaviour: what is wanted of it, and what a job of this kind begins with. */
export function WishField({ line: { id, start, words }, value, onChange }: Props) {
  const entry = behaviour(id);
  const hint = start && startText(id, start);
  // What is left as found may be as delivered already: there is nothing to take.
  const other = start && value !== start.value && !(start.why === undefined && value === undefined);
  const field =
    entry.type === "number" ? (
      <NumberInput
        label={entry.label}
        unit={entry.unit}
        value={typeof value === "number" ? value : undefined}
        onChange={(next) => (next === undefined || next >= 0) && onChange(next)}
        hint={hint}
      />
    ) : (
      <Choice
        label={entry.label}
        value={value === undefined ? "unset" : String(value)}
        onChange={(next) =>
          onChange(next === "unset" ? undefined : entry.type === "switch" ? next === "true" : next)
        }
        options={[
          ...[...new Set([...words, ...(value === undefined ? [] : [value])])].map((word) => ({
            id: String(word),
            text: behaviourText(id, word),
          })),
          unset,
        ]}
        hint={hint}
      />
    );
  return (
    <Cell>
      {field}
      {other && (
        <Button
          $kind="quiet"
          onPress={() => onChange(start.value)}
          aria-label={`${entry.label}: take ${behaviourText(id, start.value)}`}
        >
          Take {behaviourText(id, start.value)}
        </Button>
      )}
    </Cell>
  );
}
