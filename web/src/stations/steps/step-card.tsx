import { heldBy, sentence, type ReadingAsked, type Step } from "@anvilcloud/core";
import { ArrowLeft, ArrowRight, Check, RotateCcw, X } from "lucide-react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import {
  Button,
  Heading,
  Notice,
  NumberInput,
  Quiet,
  Row,
  SubHeading,
  TextInput,
  Title,
  useShortcuts,
} from "../../ui/index.ts";
import { stationNames, stepAddress, whenText } from "../shared/words.ts";
import { AnsweredElsewhereNotice } from "./answered-elsewhere.tsx";
import { StepCores } from "./core-table.tsx";
import { HoldTimer } from "./hold-timer.tsx";
import { Meanings } from "./meanings.tsx";
import { SeenList } from "./seen-list.tsx";
import { Speaking } from "./speaking.tsx";
import { StepPictures } from "./step-pictures.tsx";
import { useAnswerStep } from "./use-answer-step.ts";
import type { Steps } from "./use-steps.ts";

const Card = styled.article`
  display: grid;
  gap: ${space.l};
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 10px;
  padding: ${space.l};
  ${narrow} {
    border-width: 0 0 1px;
    border-radius: 0;
    margin: 0 -${space.m};
    padding: ${space.m};
  }
`;

const Says = styled.p`
  font-size: ${size.title};
  line-height: 1.3;
  font-weight: 500;
`;

const Answers = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: ${space.m};
  button {
    min-height: 56px;
    font-size: ${size.lead};
  }
  ${narrow} {
    position: sticky;
    bottom: 0;
    z-index: 1;
    margin: 0 -${space.m};
    padding: ${space.s} ${space.m};
    background: ${color.surface};
    border-top: 1px solid ${color.line};
  }
`;

/** The limits of a reading with their source, beside its field. */
function limitText({ least, most, unit, source }: ReadingAsked): string | undefined {
  const limits = [
    ...(least === undefined ? [] : [`at least ${least}`]),
    ...(most === undefined ? [] : [`at most ${most}`]),
  ];
  return limits.length ? `${limits.join(", ")} ${unit}${source ? `: ${source}` : ""}` : undefined;
}

interface HeadProps {
  step: Step;
  steps: Steps;
  go: (to: Step | undefined) => void;
}

/** Where the card stands in its station, the way to its neighbours, and its title. */
function Head({ step, steps, go }: HeadProps) {
  const list = steps.of(step.station);
  const [before, after] = [steps.beside(step.id, -1), steps.beside(step.id, 1)];
  return (
    <div>
      <Row style={{ justifyContent: "space-between" }}>
        <Quiet>
          {stationNames[step.station]}, step {list.indexOf(step) + 1} of {list.length}
        </Quiet>
        <Row style={{ gap: 0 }}>
          <Speaking text={step.spoken ?? step.says} />
          <Button
            $kind="quiet"
            aria-label="Step before"
            isDisabled={!before}
            onPress={() => go(before)}
            style={{ padding: "0 10px" }}
          >
            <ArrowLeft size={20} aria-hidden />
          </Button>
          <Button
            $kind="quiet"
            aria-label="Next step"
            isDisabled={!after}
            onPress={() => go(after)}
            style={{ padding: "0 10px" }}
          >
            <ArrowRight size={20} aria-hidden />
          </Button>
        </Row>
      </Row>
      <Title>{step.title}</Title>
    </div>
  );
}

/** One step: one action, what should be seen, seen or not seen, and what it means if not. */
export function StepCard({ step, steps }: { step: Step; steps: Steps }) {
  const { job, plan, answer } = useJobBench();
  const navigate = useNavigate();
  const entry = steps.said.get(step.id);
  const next = steps.nextOpen(step.id);
  const go = (to: Step | undefined) => to && void navigate(stepAddress(job.id, to.station, to.id));
  const { note, value, say, ...answering } = useAnswerStep({
    step,
    entry,
    send: (outcome, extra) => answer(step, outcome, extra),
    onSeen: () => (next ? go(next) : void navigate(`/jobs/${job.id}/hand-over`)),
  });
  useShortcuts({
    s: () => void say("seen"),
    n: () => void say("not-seen"),
    j: () => go(steps.beside(step.id, 1)),
    ArrowRight: () => go(steps.beside(step.id, 1)),
    k: () => go(steps.beside(step.id, -1)),
    ArrowLeft: () => go(steps.beside(step.id, -1)),
  });
  const held = step.gesture && heldBy(step.gesture);
  const { conflict } = answering;
  return (
    <Card aria-label={step.title}>
      <Head step={step} steps={steps} go={go} />
      {step.caution && <Notice tone="caution">{step.caution}</Notice>}
      <Says>{step.says}</Says>
      <StepCores step={step} />
      <StepPictures step={step} />
      {held && <HoldTimer key={step.id} seconds={held.seconds} keyLabel={held.what} />}
      <div>
        <Heading>You should now see</Heading>
        <SeenList see={step.see} board={plan.bundle.board} />
      </div>
      {step.reading && (
        <NumberInput
          label={sentence(step.reading.quantity)}
          unit={step.reading.unit}
          value={value}
          onChange={answering.setValue}
          error={answering.readingError}
          hint={limitText(step.reading)}
        />
      )}
      <TextInput label="Note" value={note} onChange={answering.setNote} hint="kept with the answer" />
      {conflict && (
        <AnsweredElsewhereNotice
          theirs={conflict.theirs}
          mine={{ outcome: conflict.mine, note }}
          keepTheirs={answering.keepTheirs}
          sayMine={() => void say(conflict.mine)}
        />
      )}
      <Answers>
        <Button $kind="danger" onPress={() => void say("not-seen")}>
          <X size={22} aria-hidden /> Not seen
        </Button>
        <Button $kind="filled" onPress={() => void say("seen")}>
          <Check size={22} aria-hidden /> Seen
        </Button>
      </Answers>
      {entry && (
        <Row>
          <Quiet>
            {entry.outcome === "seen" ? "Seen" : "Not seen"} {whenText(entry.at)}
            {entry.by && `, ${entry.by}`}
          </Quiet>
          <Button $kind="quiet" onPress={() => void say("withdrawn")}>
            <RotateCcw size={18} aria-hidden /> Open it again
          </Button>
        </Row>
      )}
      <details open={answering.why} onToggle={(event) => answering.setWhy(event.currentTarget.open)}>
        <summary style={{ cursor: "pointer", minHeight: 44, display: "flex", alignItems: "center" }}>
          <SubHeading as="span">If you do not see it</SubHeading>
        </summary>
        {answering.why && <Meanings plan={plan} step={step} />}
      </details>
      {step.source && (
        <Quiet>
          Known from: {step.source.from}. Holds for firmware {plan.bundle.board.firmware.join(", ")}.
        </Quiet>
      )}
    </Card>
  );
}
