import {
  blankBoard,
  headingOf,
  inspectBoard,
  withHeading,
  type BoardProfile,
  type Inspected,
  type Problem,
  type BoardUse,
} from "@anvilcloud/core";
import { CheckCircle2, Save } from "lucide-react";
import { useEffect, useState } from "react";
import { useBlocker, useNavigate, useParams, useSearchParams } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { useAnswer } from "../../planner/index.ts";
import { PoweredFace } from "./powered-face.tsx";
import {
  boardSourceAddress,
  boardUseKey,
  getJson,
  getText,
  HighlightProvider,
  postBoard,
  useWarnBeforeLeaving,
} from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Button, Dialog, Failed, Loading, Notice, Quiet, Row, StandingLink, Title } from "../../ui/index.ts";
import type { JsonSchema } from "./editor/suggest.ts";
import { YamlEditor } from "./editor/yaml-editor.tsx";
import { Page } from "./page.ts";

const Desk = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: ${space.l};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

const Sheet = styled.div`
  height: calc(100dvh - 210px);
  min-height: 420px;
  border: 1px solid ${color.strongLine};
  border-radius: 6px;
  overflow: hidden;
  &:focus-within {
    outline: 3px solid ${color.focus};
    outline-offset: 1px;
  }
`;

const Problems = styled.ul`
  max-height: 40dvh;
  overflow: auto;
  font-size: ${size.small};
  li {
    border-top: 1px solid ${color.line};
  }
  button {
    display: block;
    width: 100%;
    text-align: left;
    min-height: 44px;
    padding: ${space.s} 0;
    border: 0;
    background: none;
    color: inherit;
    font: inherit;
    cursor: pointer;
  }
  button:hover {
    background: ${color.sunk};
  }
`;

/** How long typing rests before the text is looked at, ms. */
const restMs = 250;

function useInspected(text: string): Inspected<BoardProfile> & { text: string } {
  const [inspected, setInspected] = useState(() => ({ ...inspectBoard(text, "profile"), text }));
  useEffect(() => {
    if (text === inspected.text) return;
    const timer = setTimeout(() => setInspected({ ...inspectBoard(text, "profile"), text }), restMs);
    return () => clearTimeout(timer);
  }, [text, inspected.text]);
  return inspected;
}

function ProblemList({ problems, onGo }: { problems: readonly Problem[]; onGo: (problem: Problem) => void }) {
  if (!problems.length)
    return (
      <Row>
        <CheckCircle2 size={20} aria-hidden /> Nothing is wrong with this profile.
      </Row>
    );
  return (
    <Problems aria-label="What is wrong">
      {problems.slice(0, 50).map((problem) => (
        <li key={`${problem.line} ${problem.path} ${problem.expected} ${problem.found}`}>
          <button type="button" onClick={() => onGo(problem)}>
            <b>
              Line {problem.line ?? 1}, {problem.path}
            </b>
            <br />
            expected {problem.expected}, found {problem.found}. {problem.remedy}
          </button>
        </li>
      ))}
      {problems.length > 50 && <li>and {problems.length - 50} more</li>}
    </Problems>
  );
}

function Face({ board }: { board: BoardProfile | undefined }) {
  if (!board) return <Quiet>The face is drawn as soon as the form of the text is right.</Quiet>;
  return (
    <HighlightProvider>
      <PoweredFace board={board} />
    </HighlightProvider>
  );
}

/** Whether the profile runs: what does not come out as it claims, once its form is right. */
function Runs({ board }: { board: BoardProfile }) {
  const report = useAnswer([JSON.stringify(board)], (planner) => planner.runs(board));
  if (!report) return <Quiet>Looking how it runs…</Quiet>;
  const { right, procedures, problems } = report;
  if (!board.programs.length)
    return (
      <Quiet>
        It has no programs: what its procedures change is claimed and nothing runs. Add programs, and each
        procedure is tried by its gestures.
      </Quiet>
    );
  if (!problems.length)
    return (
      <Row>
        <CheckCircle2 size={20} aria-hidden /> Run by its gestures, all {procedures} procedures end where they
        claim.
      </Row>
    );
  return (
    <Notice tone="caution" title={`${right} of ${procedures} procedures end where they claim`}>
      <ul aria-label="What does not come out as claimed">
        {problems.map((text) => (
          <li key={text}>{text}</li>
        ))}
      </ul>
    </Notice>
  );
}

function UseNote({ id, revision }: { id: string | undefined; revision: number | undefined }) {
  const { data } = useSWR<{ jobs: BoardUse[] }, Error>(
    id && /^[\w-]+$/.test(id) ? boardUseKey(id) : null,
    getJson,
  );
  const jobs = data?.jobs ?? [];
  if (!jobs.length) return null;
  return (
    <Quiet>
      {jobs.length === 1 ? "One job rests" : `${jobs.length} jobs rest`} on this board. Each keeps its
      revision until you take revision {revision} on the board's page under Jobs, where you see first what it
      does.
    </Quiet>
  );
}

function Editor({ start, title }: { start: string; title: string }) {
  const [text, setText] = useState(start);
  const [goTo, setGoTo] = useState<{ line: number; column: number }>();
  const [refusal, setRefusal] = useState<string>();
  const [saving, setSaving] = useState(false);
  const navigate = useNavigate();
  const { value, problems, text: lookedAt } = useInspected(text);
  const [last, setLast] = useState<BoardProfile | undefined>(value);
  if (value && value !== last) setLast(value);
  const { data: schema } = useSWR<JsonSchema, Error>("/api/schemas/board.json", getJson);
  const heading = headingOf(lookedAt);
  const unsaved = text !== start;

  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) =>
      unsaved && !saving && currentLocation.pathname !== nextLocation.pathname,
  );

  useWarnBeforeLeaving(unsaved);

  async function save() {
    setRefusal(undefined);
    setSaving(true);
    try {
      const board = await postBoard(text);
      void navigate(`/boards/${board.id}`);
    } catch (error) {
      setRefusal((error as Error).message);
    } finally {
      setSaving(false);
    }
  }

  return (
    <>
      <Row style={{ justifyContent: "space-between" }}>
        <div>
          <Title>{title}</Title>
          <UseNote id={heading.id} revision={heading.revision} />
        </div>
        <Row>
          <StandingLink to="/boards">All boards</StandingLink>
          <Button
            $kind="filled"
            isDisabled={saving || problems.length > 0 || lookedAt !== text}
            onPress={() => void save()}
          >
            <Save size={20} aria-hidden /> Save revision {heading.revision ?? "?"}
          </Button>
        </Row>
      </Row>
      {refusal && (
        <Notice tone="fault" title="Not saved">
          <span style={{ whiteSpace: "pre-line", overflowWrap: "anywhere" }}>{refusal}</span>
        </Notice>
      )}
      <Dialog
        title="Leave without saving?"
        isOpen={blocker.state === "blocked"}
        onClose={() => blocker.reset?.()}
      >
        <p>What was written here since the last save is lost when you leave.</p>
        <Row style={{ justifyContent: "flex-end" }}>
          <Button $kind="outlined" onPress={() => blocker.reset?.()}>
            Stay
          </Button>
          <Button $kind="danger" onPress={() => blocker.proceed?.()}>
            Leave
          </Button>
        </Row>
      </Dialog>
      <Desk>
        <Sheet>
          <YamlEditor
            start={start}
            onChange={setText}
            problems={problems}
            schema={schema}
            board={last}
            goTo={goTo}
          />
        </Sheet>
        <div style={{ display: "grid", gap: 12, minWidth: 0 }}>
          <Face board={last} />
          <ProblemList
            problems={problems}
            onGo={(problem) => setGoTo({ line: problem.line ?? 1, column: problem.column ?? 1 })}
          />
          {value && <Runs board={value} />}
          <Quiet>
            Ctrl and space: what can stand here. Escape, then Tab, leaves the text. The{" "}
            <a href="/api/schemas/board.json">schema</a> saved beside a file lets any editor complete it.
          </Quiet>
        </div>
      </Desk>
    </>
  );
}

/** Where the text begins: a new revision of a board, a copy under another name, or the least a profile needs. */
function begin(text: string, copy: boolean): string {
  const { id = "board", name = "Board", revision = 1 } = headingOf(text);
  return copy
    ? withHeading(text, { id: `${id}-copy`.slice(0, 60), name: `${name}, copy`.slice(0, 80), revision: 1 })
    : withHeading(text, { revision: revision + 1 });
}

/** Writes a profile: its text on one side, its face and what is wrong with it on the other. */
export function Component() {
  const { id } = useParams();
  const [search] = useSearchParams();
  const source = id ?? search.get("from");
  const { data, error, mutate } = useSWR<string, Error>(source ? boardSourceAddress(source) : null, getText, {
    revalidateOnFocus: false,
    revalidateOnReconnect: false,
  });
  if (!source)
    return (
      <Page>
        <Editor start={blankBoard()} title="New board" />
      </Page>
    );
  return (
    <Page>
      {error && <Failed what="This profile" error={error} retry={() => void mutate()} />}
      {data === undefined && !error && <Loading what="the profile" />}
      {data !== undefined && (
        <Editor
          key={data}
          start={begin(data, id === undefined)}
          title={id === undefined ? "Copy of a board" : "New revision"}
        />
      )}
    </Page>
  );
}
