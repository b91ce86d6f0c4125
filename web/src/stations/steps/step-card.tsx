import {
  heldBy,
  readingMisfit,
  sentence,
  stepMeanings,
  type ReadingAsked,
  type Step,
} from "@anvilcloud/core";
import { ArrowLeft, ArrowRight, Check, RotateCcw, Volume2, VolumeX, X } from "lucide-react";
import { memo, useEffect, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { benchBox, BoardFace, cropBoxes, deviceNumbers, stepView } from "../../bench/index.ts";
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
import { StepCores } from "./core-table.tsx";
import { setSpeaks, speak, speaks } from "./cues.ts";
import { HoldTimer } from "./hold-timer.tsx";
import { SeenList } from "./seen-list.tsx";
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

const Picture = styled.div`
  border-radius: 6px;
  overflow: hidden;
  background: ${color.sunk};
  svg {
    max-height: 250px;
  }
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

function Meanings({ step }: { step: Step }) {
  const { plan } = useJobBench();
  const meanings = stepMeanings(plan, step);
  if (!meanings.length) return <Quiet>Nothing is known for this board. Stop, and note what you see.</Quiet>;
  return (
    <ul style={{ display: "grid", gap: 6, listStyle: "disc", paddingLeft: 20 }}>
      {meanings.map((meaning) => (
        <li key={meaning.text}>{meaning.text}</li>
      ))}
    </ul>
  );
}

function Speaking({ text }: { text: string }) {
  const [on, setOn] = useState(speaks);
  useEffect(() => speak(text), [text]);
  const toggle = () => {
    setSpeaks(!on);
    setOn(!on);
    if (!on) speak(text);
  };
  return (
    <Button
      $kind="quiet"
      aria-label={on ? "Cues are spoken" : "Cues are silent"}
      aria-pressed={on}
      onPress={toggle}
      style={{ padding: "0 10px" }}
    >
      {on ? <Volume2 size={20} aria-hidden /> : <VolumeX size={20} aria-hidden />}
    </Button>
  );
}

/** The parts of the board the step is about, as they look once it is done. */
const StepPictures = memo(function StepPictures({ step }: { step: Step }) {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const changed = step.see.flatMap((seen) =>
    seen.kind === "lamp" && seen.is !== seen.was ? [seen.lamp] : [],
  );
  const lamps = changed.length > 3 ? [] : changed.map((id) => ({ kind: "lamp" as const, id }));
  const view = stepView(plan, step);
  const numbers = deviceNumbers(plan.wiring.devices);
  return cropBoxes(board, [...step.subjects, ...lamps], benchBox(board, view.cores)).map((box) => (
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
  ));
});

/** The limits of a reading with their source, beside its field. */
function limitText({ least, most, unit, source }: ReadingAsked): string | undefined {
  const limits = [
    ...(least === undefined ? [] : [`at least ${least}`]),
    ...(most === undefined ? [] : [`at most ${most}`]),
  ];
  return limits.length ? `${limits.join(", ")} ${unit}${source ? `: ${source}` : ""}` : undefined;
}

interface AnswerState {
  note: string;
  value: number | undefined;
}

/** One step: one action, what should be seen, seen or not seen, and what it means if not. */
export function StepCard({ step, steps }: { step: Step; steps: Steps }) {
  const { job, plan, answer } = useJobBench();
  const navigate = useNavigate();
  const entry = steps.said.get(step.id);
  const [{ note, value }, setAnswer] = useState<AnswerState>({
    note: entry?.note ?? "",
    value: entry?.reading?.value,
  });
  const [why, setWhy] = useState(entry?.outcome === "not-seen");
  const [asked, setAsked] = useState(false);
  const answering = useRef(false);
  const { board } = plan.bundle;

  const misfit = step.reading && value !== undefined ? readingMisfit(step.reading, value) : undefined;
  const missing = step.reading && value === undefined;

  const go = (to: Step | undefined) => to && void navigate(stepAddress(job.id, to.station, to.id));

  async function say(outcome: "seen" | "not-seen" | "withdrawn") {
    if (outcome === "seen" && (missing || misfit)) {
      setAsked(true);
      return;
    }
    const reading =
      step.reading && value !== undefined && outcome !== "withdrawn"
        ? { quantity: step.reading.quantity, value, unit: step.reading.unit }
        : undefined;
    const next = steps.nextOpen(step.id);
    if (answering.current) return;
    answering.current = true;
    try {
      await answer(step, outcome, {
        ...(note.trim() ? { note: note.trim() } : {}),
        ...(reading ? { reading } : {}),
      });
    } catch {
      answering.current = false;
      return; // The save mark says why; the card stays so that nothing typed is lost.
    }
    // Seen leads on to another card: this one takes no second answer on its way out.
    answering.current = outcome === "seen";
    setWhy(outcome === "not-seen");
    if (outcome === "seen")
      void navigate(next ? stepAddress(job.id, next.station, next.id) : `/jobs/${job.id}/hand-over`);
  }

  const before = steps.beside(step.id, -1);
  const after = steps.beside(step.id, 1);
  useShortcuts({
    s: () => void say("seen"),
    n: () => void say("not-seen"),
    j: () => go(after),
    ArrowRight: () => go(after),
    k: () => go(before),
    ArrowLeft: () => go(before),
  });

  const held = step.gesture && heldBy(step.gesture);
  const list = steps.of(step.station);
  return (
    <Card aria-label={step.title}>
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
      {step.caution && <Notice tone="caution">{step.caution}</Notice>}
      <Says>{step.says}</Says>
      <StepCores step={step} />
      <StepPictures step={step} />
      {held && <HoldTimer key={step.id} seconds={held.seconds} keyLabel={held.what} />}
      <div>
        <Heading>You should now see</Heading>
        <SeenList see={step.see} board={board} />
      </div>
      {step.reading && (
        <NumberInput
          label={sentence(step.reading.quantity)}
          unit={step.reading.unit}
          value={value}
          onChange={(next) => setAnswer((now) => ({ ...now, value: next }))}
          error={misfit ?? (asked && missing ? "Write the reading first." : undefined)}
          hint={limitText(step.reading)}
        />
      )}
      <TextInput
        label="Note"
        value={note}
        onChange={(next) => setAnswer((now) => ({ ...now, note: next }))}
        hint="kept with the answer"
      />
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
      <details open={why} onToggle={(event) => setWhy(event.currentTarget.open)}>
        <summary style={{ cursor: "pointer", minHeight: 44, display: "flex", alignItems: "center" }}>
          <SubHeading as="span">If you do not see it</SubHeading>
        </summary>
        {why && <Meanings step={step} />}
      </details>
      {step.source && (
        <Quiet>
          Known from: {step.source.from}. Holds for firmware {board.firmware.join(", ")}.
        </Quiet>
      )}
    </Card>
  );
}
