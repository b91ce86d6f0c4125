import { brainAt, type Change, type GuideChange, type GuideStep, type JobPlan } from "@anvilcloud/core";
import { Check, CornerUpLeft } from "lucide-react";
import { useEffect, useState } from "react";
import { styled } from "styled-components";
import { LiveKeys } from "../../../bench/index.ts";
import { useJobBench } from "../../../data/index.ts";
import { color, print, size, space } from "../../../theme/index.ts";
import { Button, Heading, Notice, Opener, Quiet, Row, Segments, Toggle } from "../../../ui/index.ts";
import { speak } from "../cues.ts";
import { HoldTimer } from "../hold-timer.tsx";
import { Astray } from "./astray.tsx";
import { Screen } from "./screen.tsx";
import { useKeyGuide } from "./use-key-guide.ts";

const Box = styled.section`
  display: grid;
  gap: ${space.m};
  padding: ${space.m};
  background: ${color.sunk};
  border-radius: 8px;
  ${print} {
    display: none;
  }
`;

const Now = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: ${space.m} ${space.l};
  align-items: center;
  > p {
    font-size: ${size.title};
    font-weight: 600;
  }
`;

const Line = styled.ol`
  display: grid;
  gap: ${space.xs};
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: ${space.m};
    align-items: center;
    padding: ${space.xs} 0;
    border-top: 1px solid ${color.line};
    font-size: ${size.small};
  }
`;

const seconds = (ms: number) => `${Math.round(ms / 1000)} s`;

/** Which firmware the board has: the keys differ, or may. */
function FirmwareQuestion({ found, known }: { found: string; known: readonly string[] }) {
  const { change } = useJobBench();
  return (
    <Notice tone="caution" title="Which firmware?">
      {found
        ? `Noted is ${found}, and this profile holds for ${known.join(", ")}: its keys may be others, and none are told.`
        : "Keys differ from one firmware to the next. Read it at power-up, or on the label."}
      <Row>
        {known.map((each) => (
          <Button key={each} $kind="outlined" onPress={() => change({ kind: "firmware", firmware: each })}>
            It is {each}
          </Button>
        ))}
      </Row>
    </Notice>
  );
}

function ValueList({ app, values }: { app: string; values: readonly GuideChange[] }) {
  return (
    <div>
      <Quiet>Set in {app}; no keys lead there.</Quiet>
      <Line as="ul">
        {values.map(({ item, name, from, to }) => (
          <li key={item}>
            <span>{name}</span>
            <b>
              {from} → {to}
            </b>
          </li>
        ))}
      </Line>
    </div>
  );
}

/** The step to be made: its gesture, the screen that follows, and what the keys do there. */
function OneStep({ step, number, of }: { step: GuideStep; number: number; of: number }) {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  useEffect(() => speak(step.spoken), [step.spoken, number]);
  return (
    <>
      <Quiet>
        Key {number} of {of}
      </Quiet>
      <Now>
        <p>{step.says}</p>
        <div>
          <Quiet>Then it shows</Quiet>
          <Screen board={board} lines={step.shows} />
        </div>
      </Now>
      {step.held && <HoldTimer key={number} seconds={step.held.seconds} keyLabel={step.held.what} />}
      {step.counted !== undefined && (
        <Notice tone="caution" title="Count">
          The entries here show the same: only the count tells which one it is. The value is looked at once
          more at the end.
        </Notice>
      )}
      <details>
        <Opener>What the keys do there</Opener>
        <ul>
          {step.keys.map(({ says, does }) => (
            <li key={`${says} ${does}`}>
              <Quiet>
                <b>{says}</b>: {does}
              </Quiet>
            </li>
          ))}
        </ul>
      </details>
    </>
  );
}

/** What the board has learned now, or will have by the time of a step. */
const learnedAt = ({ now, sheet }: JobPlan, step: string | undefined): readonly string[] => [
  ...new Set([...now.learned, ...(sheet.find(({ id }) => id === step)?.during.learned ?? [])]),
];

const modes = [
  { id: "one", text: "One key at a time" },
  { id: "line", text: "The whole line" },
] as const;

/** Keys for some values, led through one after the other, with a way back from wherever a slip leads to. */
export function KeyGuide({ changes, step }: { changes: readonly Change[]; step?: string }) {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const [mode, setMode] = useState<"one" | "line">("one");
  const [trying, setTrying] = useState(false);
  const guide = useKeyGuide(changes, step, plan);
  const { keys, now, state } = guide;
  if (!guide.guide || !changes.length) return null;
  if (guide.guide.kind === "firmware")
    return <FirmwareQuestion found={guide.guide.found} known={guide.guide.known} />;
  if (guide.guide.kind === "app") return <ValueList app={guide.guide.app} values={guide.guide.values} />;
  if (!keys) return null;
  if (!keys.steps.length)
    return (
      <Notice tone="note" title="No keys lead there now">
        {keys.unreached.map(({ name }) => name).join(", ")}: the entry is not shown as the board stands.
      </Notice>
    );
  const slips = [keys.steps[state.at - 1]?.shows, keys.steps[state.at + 1]?.shows].flatMap((lines) =>
    lines?.length && lines.join("|") !== now?.shows.join("|") ? [lines.join("|")] : [],
  );
  return (
    <Box aria-label="Key guide">
      <Row style={{ justifyContent: "space-between" }}>
        <Heading>Keys</Heading>
        <Segments label="How the keys are told" value={mode} onChange={setMode} options={modes} />
      </Row>
      <ul>
        {keys.changes.map(({ item, name, from, to }) => (
          <Quiet key={item} as="li">
            {name}: {from} → {to}
          </Quiet>
        ))}
        <Quiet as="li">
          {keys.steps.length} keys, about {seconds(keys.ms)}
        </Quiet>
      </ul>
      {keys.unreached.length > 0 && (
        <Quiet>Not reached from here: {keys.unreached.map(({ name }) => name).join(", ")}.</Quiet>
      )}
      {state.astray ? (
        <Astray
          board={board}
          state={state.astray}
          likely={[...new Set(slips)]}
          sees={(shown) => void guide.sees(shown)}
          couldBe={(could) => void guide.couldBe(could)}
          outside={guide.outside}
          never={guide.never}
        />
      ) : mode === "line" ? (
        <>
          <p>{keys.line}</p>
          <Line>
            {keys.steps.map((each, at) => (
              <li key={at} aria-current={at === state.at ? "step" : undefined}>
                <span>
                  {at + 1}. {each.says}
                </span>
                <Screen board={board} lines={each.shows} />
              </li>
            ))}
          </Line>
          <Button $kind="outlined" onPress={guide.stray}>
            It shows something else
          </Button>
        </>
      ) : now ? (
        <>
          {state.from && state.at === 0 && (
            <Notice tone="note" title="Found">
              On from where it is.
            </Notice>
          )}
          <OneStep step={now} number={state.at + 1} of={keys.steps.length} />
          <Row>
            <Button $kind="filled" onPress={guide.goOn}>
              <Check size={20} aria-hidden /> It shows that
            </Button>
            <Button $kind="outlined" onPress={guide.stray}>
              It shows something else
            </Button>
            {state.at > 0 && (
              <Button $kind="quiet" onPress={guide.goBack}>
                <CornerUpLeft size={18} aria-hidden /> Key before
              </Button>
            )}
          </Row>
        </>
      ) : (
        <>
          <p role="status">
            <b>Done.</b> {keys.changes.map(({ name, to }) => `${name} stands at ${to}`).join("; ")}.
          </p>
          <Row>
            <Button $kind="quiet" onPress={guide.again}>
              From the beginning
            </Button>
          </Row>
        </>
      )}
      <Toggle label="Try them on a running board" value={trying} onChange={setTrying} />
      {trying && (
        <LiveKeys
          begin={() =>
            brainAt(plan, { ...plan.now, powered: true, learned: learnedAt(plan, step) }, plan.asWired.now)
          }
          onPanel={guide.follows}
        />
      )}
    </Box>
  );
}
