import type { Ran, Step } from "@anvilcloud/core";
import { memo } from "react";
import { styled } from "styled-components";
import { benchBox, BoardFace, cropBoxes, deviceNumbers, stepView } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { color, narrow } from "../../theme/index.ts";

const Picture = styled.div`
  border-radius: 6px;
  overflow: hidden;
  background: ${color.sunk};
  svg {
    max-height: 220px;
    ${narrow} {
      max-height: 165px;
    }
  }
`;

/** Most lamps that a picture follows; where more change, the list tells them. */
const mostLamps = 3;

/** The parts of the board the step is about, as they look once it is done. */
export const StepPictures = memo(function StepPictures({ step, ran }: { step: Step; ran: Ran | undefined }) {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const see = ran?.see ?? [];
  const changed = see.flatMap((seen) => (seen.kind === "lamp" && seen.is !== seen.was ? [seen.lamp] : []));
  const lamps = changed.length > mostLamps ? [] : changed.map((id) => ({ kind: "lamp" as const, id }));
  // A display that changes is shown whole.
  const display = see.some(({ kind }) => kind === "display")
    ? [{ kind: "display" as const, id: "display" }]
    : [];
  const view = stepView(plan, step, ran);
  const numbers = deviceNumbers(plan.wiring.devices);
  return cropBoxes(board, [...step.subjects, ...lamps, ...display], benchBox(board, view.cores)).map(
    (box) => (
      <Picture key={`${box.x} ${box.y}`}>
        <BoardFace
          view={view}
          numbers={numbers}
          box={box}
          marked={step.subjects}
          label="How this part of the board looks once it is done"
          interactive={false}
        />
      </Picture>
    ),
  );
});
