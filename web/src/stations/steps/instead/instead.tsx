import type { SeenInstead, Sights, SightsSoFar, Step } from "@anvilcloud/core";
import { useState } from "react";
import { useJobBench } from "../../../data/index.ts";
import { useAnswer } from "../../../planner/index.ts";
import { Choice, Loading, Quiet, Row, TextInput, useInUnits } from "../../../ui/index.ts";
import { TappedLamps } from "./lamps.tsx";
import { Likely } from "./likely.tsx";

const distinct = (texts: readonly string[]): string[] => [...new Set(texts)];

/** What was seen instead of what should be, told by lamps, display and movement as far as they tell something here. */
function Told({
  sights,
  seen,
  tell,
}: {
  sights: Sights;
  seen: SeenInstead;
  tell: (seen: SeenInstead) => void;
}) {
  const { board } = useJobBench().plan.bundle;
  const { due, faulty } = sights;
  const every = [due, ...faulty.map(({ sight }) => sight)];
  const telling = board.lamps.filter(
    ({ id }) => distinct(every.map(({ lamps }) => lamps[id] ?? "dark")).length > 1,
  );
  const moves = distinct(every.map(({ moved }) => moved));
  const shows = distinct(every.map(({ display }) => display));
  return (
    <>
      {telling.length > 0 && (
        <TappedLamps lamps={telling} told={seen.lamps ?? {}} tell={(lamps) => tell({ ...seen, lamps })} />
      )}
      <Row style={{ alignItems: "end" }}>
        {moves.length > 1 && (
          <Choice
            label="What moved"
            value={seen.moved ?? "untold"}
            onChange={(id) => tell({ ...seen, moved: id === "untold" ? undefined : id })}
            options={[
              { id: "untold", text: "not told" },
              ...moves.map((text) => ({
                id: text,
                text: text === due.moved ? `${text}, as it should` : text,
              })),
            ]}
          />
        )}
        {shows.length > 1 && (
          <TextInput
            label="What the display shows"
            value={seen.display ?? ""}
            onChange={(display) => tell({ ...seen, display: display === "" ? undefined : display })}
          />
        )}
      </Row>
    </>
  );
}

/** What to do when a step does not show what it should: what was seen instead, and the single faults that would look like it. */
export function Instead({ step }: { step: Step }) {
  const { plan } = useJobBench();
  const inUnits = useInUnits();
  const [seen, setSeen] = useState<SeenInstead>({});
  const [soFar, setSoFar] = useState<SightsSoFar>();
  const known = useAnswer([plan, step.id], (planner) => planner.sights(step.id, setSoFar));
  const { board } = plan.bundle;
  const sights = known ?? soFar;
  const tried = known ? 1 : (soFar?.tried ?? 0);
  return (
    <div style={{ display: "grid", gap: 12 }}>
      {step.ifNot && <p>{inUnits(step.ifNot)}</p>}
      {tried < 1 && <Loading what={`every single fault, ${Math.round(tried * 100)} % tried`} />}
      {known?.faulty.length === 0 && (
        <Quiet>No single fault of what is wired shows in this step. Stop, and note what you see.</Quiet>
      )}
      {sights && sights.faulty.length > 0 && (
        <>
          <Told sights={sights} seen={seen} tell={setSeen} />
          <Likely seen={seen} sights={sights} board={board} isAll={tried === 1} />
        </>
      )}
    </div>
  );
}
