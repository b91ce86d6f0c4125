import { sentence, type ReadingAsked } from "@anvilcloud/core";
import { styled } from "styled-components";
import { space } from "../../theme/index.ts";
import { NumberInput, Quiet, useInUnits } from "../../ui/index.ts";
import type { StepAnswer } from "./use-answer-step.ts";

/** Keeps room for what may be wrong with a reading: it is told as the field is left, which is as an answer is pressed. */
const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
  gap: ${space.m};
  > div {
    padding-bottom: calc(44px + ${space.xs});
  }
  > div:has(.error) {
    padding-bottom: 0;
  }
  .error {
    min-height: 44px;
  }
`;

/** The limits of a reading with their source. */
function limitText({ least, most, unit, source }: ReadingAsked): string | undefined {
  const limits = [
    ...(least === undefined ? [] : [`at least ${least} ${unit}`]),
    ...(most === undefined ? [] : [`at most ${most} ${unit}`]),
  ];
  return limits.length ? `${limits.join(", ")}${source ? `: ${source}` : ""}` : undefined;
}

interface Props {
  asked: readonly ReadingAsked[];
  answering: Pick<StepAnswer, "values" | "setValue" | "readingErrors">;
}

/** A field for each reading that is asked for, and what they are held against. */
export function Readings({ asked, answering }: Props) {
  const inUnits = useInUnits();
  const wrong = (at: number) => {
    const error = answering.readingErrors[at];
    return error === undefined ? undefined : inUnits(error);
  };
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
            onWrong={() => answering.setValue(at, undefined)}
            error={wrong(at)}
          />
        ))}
      </Fields>
      <Quiet>{inUnits(sentence(limits))}</Quiet>
    </div>
  );
}
