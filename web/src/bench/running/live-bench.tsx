import {
  deliveredCards,
  movingThing,
  partText,
  sentence,
  type LiveStart,
  type Subject,
} from "@anvilcloud/core";
import { RotateCcw } from "lucide-react";
import { lazy, Suspense, useEffect, useEffectEvent, useRef, useState, type ReactNode } from "react";
import { styled } from "styled-components";
import { HighlightProvider, useHighlight } from "../../data/index.ts";
import type { LiveGiven, LivePast } from "../../planner/index.ts";
import { color, font, narrow, size, space } from "../../theme/index.ts";
import { Button, Failed, Glass, Loading, Quiet, Row, Segments, Tabs } from "../../ui/index.ts";
import { BoardFace } from "../board-face.tsx";
import { deviceNumbers } from "../geometry.ts";
import { standingText } from "./sends.ts";
import { Thing } from "../thing/thing.tsx";
import { TurnDial } from "../turn.ts";
import type { BenchView } from "../view.ts";
import { Around, ByHand, Comers } from "./around.tsx";
import { RunningFaults } from "./faults.tsx";
import { KeptRuns } from "./kept.tsx";
import { RunningKeys } from "./keys.tsx";
import { LeadCard } from "./lead.tsx";
import { Readouts } from "./readouts.tsx";
import { clockText, Pace } from "./pace.tsx";
import { useRunning, type Running } from "./use-running.ts";
import { RunningWires } from "./wires.tsx";
import { coresNow, linksNow, workPart } from "./work-face.ts";

/** Drawing over time weighs as much as half a page: it comes when it is looked at. */
const RunChart = lazy(() => import("./chart.tsx").then(({ RunChart: chart }) => ({ default: chart })));

/** Board and thing beside one another; on a phone one takes the place of the other with a swipe. */
const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: ${space.l};
  align-items: start;
  ${narrow} {
    grid-template-columns: 100% 100%;
    gap: ${space.m};
    overflow-x: auto;
    scroll-snap-type: x mandatory;
    overscroll-behavior-x: contain;
    > * {
      scroll-snap-align: start;
    }
  }
`;

/** On a phone, from one to the other without a swipe. */
const Turns = styled(Row)`
  display: none;
  ${narrow} {
    display: flex;
  }
`;

const Column = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${space.m};
  min-width: 0;
`;

const Face = styled.div`
  svg {
    max-height: 46dvh;
  }
`;

const Shows = styled(Glass)`
  width: fit-content;
  min-width: 12ch;
`;

const Line = styled(Quiet)`
  min-height: 2.8em;
  font-size: ${size.small};
`;

const Told = styled.ol`
  height: 7em;
  overflow-y: auto;
  padding: ${space.s} ${space.m};
  background: ${color.sunk};
  border-radius: 6px;
  font-size: ${size.small};
  time {
    font-family: ${font.mono};
    color: ${color.quiet};
    margin-right: ${space.s};
  }
`;

/** A beep as long, and as often, as the board gives it; silent where the browser lets nobody hear. */
function useBeeps({ news: { beeps } }: Running): void {
  useEffect(() => {
    if (!beeps.length || typeof AudioContext === "undefined") return;
    const audio = new AudioContext();
    let at = audio.currentTime;
    for (const { times, long } of beeps)
      for (let n = 0; n < times; n += 1) {
        const tone = audio.createOscillator();
        tone.frequency.value = 2_100;
        tone.connect(audio.destination);
        tone.start(at);
        tone.stop(at + (long ? 0.7 : 0.12));
        at += long ? 0.9 : 0.25;
      }
    return () => void audio.close();
  }, [beeps]);
}

const viewOf = (running: Running): BenchView => {
  const { info, news, lamps } = running;
  return {
    board: info.board,
    state: { links: linksNow(running), positions: news.positions, powered: news.powered },
    lamps: lamps.lamps,
    looks: lamps.looks,
    display: news.display,
    cards: info.job.cards ?? deliveredCards(info.board),
    cores: coresNow(running),
  };
};

/** Wind that was put in, m/s. */
const windOf = (faults: Running["news"]["faults"]): number =>
  faults.reduce((sum, fault) => (fault.kind === "wind" ? sum + fault.metresPerSecond : sum), 0);

/** The board's face: what is touched on it is worked. */
function RunningFace({ running }: { running: Running }) {
  const { pickWith, lit } = useHighlight();
  const work = useEffectEvent((subject: Subject) => workPart(running, subject));
  useEffect(() => {
    pickWith(work);
    return () => pickWith(undefined);
  }, [pickWith]);
  const pointed = lit.map((subject) => partText(running.info.board, subject)).find((text) => text);
  const turn = (dial: string, clock: string) => running.does({ do: { set: { control: dial, to: clock } } });
  return (
    <TurnDial value={turn}>
      <Face>
        <BoardFace
          view={viewOf(running)}
          numbers={deviceNumbers(running.info.devices)}
          label={`${running.info.board.name}, running`}
        />
      </Face>
      <Line aria-live="polite">
        {pointed ?? "Touch a switch, a jumper or a link to move it; drag a dial."}
      </Line>
    </TurnDial>
  );
}

function Shown({ running }: { running: Running }) {
  const { info, news, told } = running;
  const { board } = info;
  const thing = movingThing(board);
  useBeeps(running);
  const both = useRef<HTMLDivElement>(null);
  const turnTo = (n: number) =>
    both.current?.children[n]?.scrollIntoView({ behavior: "smooth", block: "nearest", inline: "start" });
  return (
    <>
      <Turns>
        <Button $kind="outlined" onPress={() => turnTo(0)}>
          The board
        </Button>
        <Button $kind="outlined" onPress={() => turnTo(1)}>
          {sentence(`the ${thing}`)}
        </Button>
        <Quiet>or swipe</Quiet>
      </Turns>
      <Beside ref={both} tabIndex={0} role="group" aria-label="Board and what it moves">
        <Column>
          <RunningFace running={running} />
          {board.display && (
            <Shows role="status" aria-label="Display">
              {news.display ? news.display.split("|").join("\n") : "—"}
            </Shows>
          )}
          <RunningKeys running={running} />
          <Around running={running} />
        </Column>
        <Column>
          {info.layout.leaves.length > 0 ? (
            <Thing
              board={board}
              leaves={info.job.survey.leaves}
              fields={info.fields}
              watch={running.watch}
              locks={info.layout.locks.length}
              wind={windOf(news.faults)}
            />
          ) : (
            <Quiet>Nothing moves on this board.</Quiet>
          )}
          {board.leaves > 0 && <strong aria-live="polite">{standingText(board, news)}</strong>}
          {info.layout.leaves.length > 0 && <ByHand running={running} />}
          {info.layout.leaves.length > 0 && <Comers running={running} />}
          {info.layout.leaves.length > 0 && <Readouts running={running} />}
          <Told aria-live="polite" aria-label="What happened">
            {[...told].reverse().map(({ at, text }) => (
              <li key={`${at} ${text}`}>
                <time>{clockText(at)}</time>
                {text}
              </li>
            ))}
            {!told.length && <Quiet as="li">Switch the power on, press a key, or send someone.</Quiet>}
          </Told>
        </Column>
      </Beside>
      <Tabs
        label="At the running bench"
        pages={[
          { id: "chart", title: "Over time", content: <Chart running={running} /> },
          { id: "wires", title: "Wiring", content: <RunningWires running={running} /> },
          { id: "faults", title: "Faults", content: <RunningFaults running={running} /> },
          { id: "kept", title: "Keep and play", content: <KeptRuns running={running} /> },
        ]}
      />
    </>
  );
}

function Chart({ running }: { running: Running }) {
  return (
    <Suspense fallback={<Loading what="the chart" />}>
      <RunChart running={running} />
    </Suspense>
  );
}

const starts = [
  { id: "wired", text: "Wired only" },
  { id: "now", text: "As it is now" },
  { id: "done", text: "All done" },
] as const;

interface Props {
  given: LiveGiven;
  /** From where it begins first. */
  from: LiveStart["from"];
  /** What was done before it begins first; it stands still at that moment. */
  past?: LivePast;
}

interface BegunProps {
  given: LiveGiven;
  start: LiveStart;
  past?: LivePast;
  again: () => void;
  /** Stands beside the handles of time. */
  lead: ReactNode;
}

function Begun({ given, start, past, again, lead }: BegunProps) {
  const { running, error } = useRunning(given, start, past);
  if (error) return <Failed what="This bench" error={error} retry={again} />;
  if (!running) return <Loading what="the bench" />;
  return (
    <>
      <Row style={{ justifyContent: "space-between" }}>
        <Pace running={running} />
        {lead}
      </Row>
      {start.from === "wired" && <LeadCard running={running} />}
      <Shown running={running} />
    </>
  );
}

/** A job, or a board with what fits it, running: it is pressed, turned, flipped, bridged, met and broken as on site. */
export function LiveBench({ given, from, past }: Props) {
  const [{ times, start }, setBegin] = useState({
    times: 0,
    start: { seed: 1, spread: 0, from } as LiveStart,
  });
  const begin = (next: LiveStart) => setBegin({ times: times + 1, start: next });
  return (
    <HighlightProvider>
      <Column>
        <Begun
          key={times}
          given={given}
          start={start}
          {...(times === 0 && past ? { past } : {})}
          again={() => begin(start)}
          lead={
            <Row>
              <Segments
                label="From where it begins"
                value={start.from}
                onChange={(next) => begin({ ...start, from: next })}
                options={given.kind === "job" ? starts : starts.filter(({ id }) => id !== "now")}
              />
              <Button $kind="quiet" onPress={() => begin(start)}>
                <RotateCcw size={20} aria-hidden /> Begin again
              </Button>
            </Row>
          }
        />
      </Column>
    </HighlightProvider>
  );
}
