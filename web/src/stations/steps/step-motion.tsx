import { bothLeaves, lookSeconds, type Frame, type Ran } from "@anvilcloud/core";
import { Play, Square } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { styled } from "styled-components";
import { createFrames, Thing } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { space } from "../../theme/index.ts";
import { Button, Quiet, Row } from "../../ui/index.ts";

const Small = styled.div`
  max-width: 420px;
  margin-top: ${space.s};
  > svg {
    max-height: 30dvh;
  }
`;

/** However long a movement takes, it is shown in so many seconds at most. */
const longest = 8;
/** The leaves at a moment of a step. */
function frameAt({ samples }: Ran, seconds: number): Frame {
  const leaves: Frame["leaves"] = {};
  for (const which of bothLeaves) {
    const taken = samples[which];
    const look = taken?.[Math.min(taken.length - 1, Math.round(seconds / lookSeconds))];
    if (look) leaves[which] = { part: look[0], speed: 0, newtons: 0, amps: look[1] };
  }
  return {
    ...{ seconds, powered: true, charge: undefined, held: undefined, leaves, lamps: {}, looks: {} },
    ...{ tripped: [], worked: [], locked: [], movers: [] },
  };
}

/** A small picture of what should move, as long as it takes or quicker; it stands where the step begins until it is played. */
function MovingPicture({ ran }: { ran: Ran }) {
  const { plan } = useJobBench();
  const { board, job } = plan.bundle;
  const frames = useMemo(() => createFrames(), []);
  const [playing, setPlaying] = useState(false);
  const quicker = Math.max(1, ran.seconds / longest);
  useEffect(() => {
    frames.take(frameAt(ran, 0));
    if (!playing) return;
    const began = performance.now();
    let asked = 0;
    const goesOn = () => {
      const seconds = ((performance.now() - began) / 1_000) * quicker;
      frames.take(frameAt(ran, seconds));
      if (seconds >= ran.seconds) setPlaying(false);
      else asked = requestAnimationFrame(goesOn);
    };
    asked = requestAnimationFrame(goesOn);
    return () => cancelAnimationFrame(asked);
  }, [frames, ran, playing, quicker]);
  return (
    <Small>
      <Thing board={board} leaves={job.survey.leaves} fields={[]} watch={frames.watch} />
      <Row>
        <Button $kind="outlined" onPress={() => setPlaying(!playing)}>
          {playing ? <Square size={20} aria-hidden /> : <Play size={20} aria-hidden />}
          {playing ? "Stop" : "Show how it moves"}
        </Button>
        <Quiet>
          {Math.round(ran.seconds)} s{quicker > 1.2 && `, shown ${Math.round(quicker)} times as fast`}
        </Quiet>
      </Row>
    </Small>
  );
}

/** A picture of what moves, where something does. */
export function StepMotion({ ran }: { ran: Ran | undefined }) {
  return ran && ran.movements.length > 0 ? <MovingPicture ran={ran} /> : null;
}
