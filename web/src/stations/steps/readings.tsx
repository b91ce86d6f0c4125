import { sentence, type ReadingAsked } from "@anvilcloud/core";
import { styled } from "styled-components";
import { space } from "../../theme/index.ts";
import { NumberInput, Quiet } from "../../ui/index.ts";
import type { StepAnswer } from "./use-answer-step.ts";

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  gap: ${space.m};
`;

/** The limits of a reading with their source. */
function limitText({ least, most, unit, source }: ReadingAsked): string | undefined {
  const limits = [
    ...(least === undefined ? [] : [`at least ${least}`]),
    ...(most === undefined ? [] : [`at most ${most}`]),
  ];
  return limits.length ? `${limits.join(", ")} ${unit}${source ? `: ${source}` : ""}` : undefined;
}

interface Props {
  asked: readonly ReadingAsked[];
  answering: Pick<StepAnswer, "values" | "setValue" | "readingErrors">;
}

/** A field for each reading that is asked for, and what they are held against. */
export function Readings({ asked, answering }: Props) {
  const limits = [...new Set(asked.map(limitText))].join("; ");
  return (
    <div>
      <Fields>
        {asked.map((reading, at) => (
          <NumberInput
            key={reading.quantity}
            label={sentence(reading.quantity)}
            unit={reading.unit}
            value={answering.values[at]}
            onChange={(value) => answering.setValue(at, value)}
            error={answering.readingErrors[at]}
          />
        ))}
      </Fields>
      <Quiet>{sentence(limits)}</Quiet>
    </div>
  );
}
