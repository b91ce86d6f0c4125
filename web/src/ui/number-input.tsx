import { measureText, readMeasure, unitShown } from "@anvilcloud/core";
import { useState } from "react";
import { FieldError, Input, Label, Text, TextField } from "react-aria-components";
import { styled } from "styled-components";
import { color, size, space } from "../theme/index.ts";
import { Frame, type Common } from "./field.tsx";
import { useUnits } from "./units.ts";

interface Props extends Common {
  value: number | undefined;
  onChange: (value: number | undefined) => void;
  /** What is stored; it may be written and shown in other units. Left out, a number alone. */
  unit?: string;
  /** Told when what is written is no number. */
  onWrong?: () => void;
  /** True where nobody has measured it yet. */
  isAssumed?: boolean;
}

/** What stands behind the label of a value that nobody has measured. */
const Assumed = styled.em`
  margin-left: ${space.s};
  padding: 0 ${space.xs};
  border: 1px dashed ${color.strongLine};
  border-radius: 4px;
  color: ${color.quiet};
  font-style: normal;
  font-weight: 500;
  font-size: ${size.tiny};
  white-space: nowrap;
`;

/**
 * A number with its unit beside the label, written in any unit of its kind. Empty is undefined; what is no number stays as
 * it was written and is told, and the value before stands.
 */
export function NumberInput({ label, error, hint, value, onChange, unit = "", onWrong, isAssumed }: Props) {
  const units = useUnits();
  const [typed, setTyped] = useState<string>();
  const shown = value === undefined || Number.isNaN(value) ? "" : measureText(value, unit, units);
  const read = typed === undefined ? undefined : readMeasure(typed, unit, units);
  const wrong = read && "wrong" in read ? read.wrong : undefined;
  const said = wrong ?? error;
  function type(text: string) {
    setTyped(text);
    const next = readMeasure(text, unit, units);
    if ("value" in next) onChange(next.value);
    else onWrong?.();
  }
  return (
    <Frame>
      <TextField
        value={typed ?? shown}
        onChange={type}
        // What was written is shown as it was understood, once it is left; what was not understood stays.
        onBlur={() => wrong === undefined && setTyped(undefined)}
        isInvalid={said !== undefined}
      >
        <Label>
          {unit ? `${label}, ${unitShown(unit, units)}` : label}
          {isAssumed && <Assumed>assumed</Assumed>}
        </Label>
        <Input inputMode={units.system === "metric" ? "decimal" : "text"} />
        {hint && <Text slot="description">{hint}</Text>}
        <FieldError className="error">{said}</FieldError>
      </TextField>
    </Frame>
  );
}
