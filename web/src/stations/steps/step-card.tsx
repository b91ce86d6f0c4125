import { handlesOf, heldBy, sentence, type Gate, type Step, type StepEntry } from "@anvilcloud/core";
import { ArrowLeft, ArrowRight, RotateCcw } from "lucide-react";
import { useRef } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { useRan } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import {
  Button,
  Heading,
  Loading,
  Notice,
  Opener,
  PageTitle,
  Quiet,
  Row,
  SubHeading,
  TextInput,
  useShortcuts,
  useInUnits,
} from "../../ui/index.ts";
import { answerText } from "../shared/answer-text.ts";
import { stationNames, stepAddress, whenText } from "../shared/words.ts";
import { AnswerBar } from "./answer-bar.tsx";
import { StepCores } from "./core-table.tsx";
import { GateNotice } from "./gate-notice.tsx";
import { HoldTimer } from "./hold-timer.tsx";
import { Instead } from "./instead/index.ts";
import { StepKeys } from "./keys/step-keys.tsx";
import { Readings } from "./readings.tsx";
import { SeenList } from "./seen-list.tsx";
import { Speaking } from "./speaking.tsx";
import { StepMotion } from "./step-motion.tsx";
import { StepPictures } from "./step-pictures.tsx";
import { useAnswerStep } from "./use-answer-step.ts";
import { byAnswer, useArmed } from "./use-armed.ts";
import type { Steps } from "./use-steps.ts";

const Card = styled.article`
  display: grid;
  gap: ${space.l};
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 10px;
  padding: ${space.l};
  ${narrow} {
    gap: ${space.m};
    border-width: 0 0 1px;
    border-radius: 0;
    margin: 0 -${space.m};
    padding: ${space.m};
  }
`;

/** What to do, with the parts it is done on beside it where there is room. */
const Action = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.m} ${space.l};
  > * {
    flex: 1 1 220px;
    min-width: 0;
  }
`;

const Says = styled.p`
  font-size: ${size.title};
  line-height: 1.3;
  font-weight: 500;
`;

interface HeadProps {
  step: Step;
  steps: Steps;
  go: (to: Step | undefined) => void;
}

const Top = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  column-gap: ${space.m};
  > :last-child {
    grid-column: 2;
    grid-row: 1 / span 2;
    align-self: start;
  }
`;

/** Where the card stands in its station, the way to its neighbours, and its title. */
function Head({ step, steps, go }: HeadProps) {
  const list = steps.of(step.station);
  const [before, after] = [steps.beside(step.id, -1), steps.beside(step.id, 1)];
  const inUnits = useInUnits();
  return (
    <Top>
      <Quiet>
        {stationNames[step.station]}, step {list.indexOf(step) + 1} of {list.length}
      </Quiet>
      <PageTitle isCard>{inUnits(step.title)}</PageTitle>
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
    </Top>
  );
}

/** Everything that was said of the step so far, the last word with a way to take it back. */
function Said({ step, withdraw }: { step: Step; withdraw: () => void }) {
  const { log, closed } = useJobBench();
  const attempts = log.filter((entry) => entry.kind === "step" && entry.step === step.id) as StepEntry[];
  const last = attempts.at(-1);
  if (!last) return null;
  return (
    <Row>
      <ol aria-label="Answers so far">
        {attempts.map((entry) => (
          <li key={entry.id}>
            <Quiet>
              {sentence(answerText(entry))}, {whenText(entry.at)}
              {entry.by && `, ${entry.by}`}
            </Quiet>
          </li>
        ))}
      </ol>
      {last.outcome !== "withdrawn" && (
        <Button $kind="quiet" isDisabled={closed} onPress={withdraw}>
          <RotateCcw size={18} aria-hidden /> Open it again
        </Button>
      )}
    </Row>
  );
}

/** Why a step takes no "seen" just now, for its button. */
function waitText(gates: readonly Gate[], closed: boolean, unread: boolean): string | undefined {
  if (closed) return "Handed over";
  if (gates.length) return "Waits";
  return unread ? "Looking…" : undefined;
}

/** One step: one action, what should be seen, seen or not seen, and what it means if not. */
export function StepCard({ step, steps }: { step: Step; steps: Steps }) {
  const { job, plan, planning, answer, unstored, closed } = useJobBench();
  const navigate = useNavigate();
  const armed = useArmed();
  const entry = unstored.find((each) => each.entry.step === step.id)?.entry ?? steps.said.get(step.id);
  const gates = steps.gates(step);
  const lost = steps.voided.get(step.id);
  const next = steps.nextOpen(step.id);
  const go = (to: Step | undefined) => to && void navigate(stepAddress(job.id, to.station, to.id));
  const onSeen = () =>
    void navigate(next ? stepAddress(job.id, next.station, next.id) : `/jobs/${job.id}/hand-over`, {
      state: byAnswer,
    });
  // Power is given only once the plan knows of every answer before it.
  const unread = planning && step.effects.some((effect) => effect.kind === "power" && effect.on);
  const waits = waitText(gates, closed, unread);
  // Only an answer given now brings what it may mean into view: one given before would pass over the cautions above.
  const asksWhy = useRef(false);
  const send = (outcome: StepEntry["outcome"], extra: Pick<StepEntry, "note" | "readings">) => {
    asksWhy.current = outcome === "not-seen";
    return answer(step, outcome, extra);
  };
  const { note, say, ...answering } = useAnswerStep({
    step,
    entry,
    waits: waits !== undefined,
    send,
    onSeen,
  });
  const answers = (outcome: "seen" | "not-seen") => (event: KeyboardEvent) =>
    armed && !event.repeat && !closed && say(outcome);
  useShortcuts({
    s: answers("seen"),
    n: answers("not-seen"),
    j: () => go(steps.beside(step.id, 1)),
    ArrowRight: () => go(steps.beside(step.id, 1)),
    k: () => go(steps.beside(step.id, -1)),
    ArrowLeft: () => go(steps.beside(step.id, -1)),
  });
  const ran = useRan(plan, step);
  const held = step.gesture && heldBy(step.gesture, handlesOf(plan.bundle.board));
  const inUnits = useInUnits();
  return (
    <Card aria-label={inUnits(step.title)}>
      <Head step={step} steps={steps} go={go} />
      {lost && (
        <Notice tone="note" title="Open again">
          {lost.reasons.join(" ")} {sentence(answerText(lost.entry))}, {whenText(lost.entry.at)}, no longer
          holds.
        </Notice>
      )}
      {step.begun && (
        <Notice tone="note" title="Begun on demand">
          {step.begun.reason}
        </Notice>
      )}
      {gates.length > 0 && <GateNotice gates={gates} steps={steps} />}
      {step.caution && <Notice tone="caution">{inUnits(step.caution)}</Notice>}
      <Action>
        <Says>{inUnits(step.says)}</Says>
        <StepPictures step={step} ran={ran} />
      </Action>
      <StepCores step={step} />
      <StepKeys key={`keys ${step.id}`} step={step} />
      {held && <HoldTimer key={step.id} seconds={held.seconds} keyLabel={held.what} />}
      <div>
        <Heading>You should now see</Heading>
        {ran ? <SeenList see={ran.see} board={plan.bundle.board} /> : <Loading what="what should be seen" />}
        <StepMotion ran={ran} />
      </div>
      {step.readings && <Readings asked={step.readings} answering={answering} />}
      <TextInput label="Note" value={note} onChange={answering.setNote} hint="kept with the answer" />
      <Said step={step} withdraw={() => say("withdrawn")} />
      <details
        open={answering.why}
        style={{ scrollMarginTop: 16 }}
        onToggle={({ currentTarget }) => {
          answering.setWhy(currentTarget.open);
          if (currentTarget.open && asksWhy.current) currentTarget.scrollIntoView({ block: "start" });
          asksWhy.current = false;
        }}
      >
        <Opener>
          <SubHeading as="span">If you do not see it</SubHeading>
        </Opener>
        {answering.why && <Instead key={step.id} step={step} />}
      </details>
      {step.source && (
        <Quiet>
          {step.claimed && "Claimed by the profile, not computed: it has no program that causes this. "}
          Known from: {step.source.from}. Holds for firmware {plan.bundle.board.firmware.join(", ")}.
        </Quiet>
      )}
      <AnswerBar waits={waits} resting={!armed || closed} say={say} />
    </Card>
  );
}
