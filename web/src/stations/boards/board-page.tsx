import { purposeLabel, type BoardProfile } from "@anvilcloud/core";
import { Columns2, Copy, Download, Pencil, Play } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import useSWR from "swr";
import { FaceViewer, saveText, useBoardView } from "../../bench/index.ts";
import { boardKey, boardSourceAddress, getJson, getText, HighlightProvider } from "../../data/index.ts";
import {
  Button,
  Failed,
  Loading,
  Notice,
  OffPaper,
  Quiet,
  Row,
  Segments,
  SubHeading,
  Tabs,
  Title,
} from "../../ui/index.ts";
import { BoardFacts } from "./board-facts.tsx";
import { BoardPanel } from "./board-panel.tsx";
import { BoardMemory, BoardProcedures } from "./board-procedures.tsx";
import { BoardRevisions } from "./board-revisions.tsx";
import { BoardJobs } from "./board-use.tsx";
import { Beside, Page } from "./page.ts";

const moments = [
  { id: "rest", text: "As delivered" },
  { id: "powered", text: "Power on, new" },
  { id: "learned", text: "Set up" },
] as const;

type Moment = (typeof moments)[number]["id"];

function Tools({ board }: { board: BoardProfile }) {
  const navigate = useNavigate();
  const [refusal, setRefusal] = useState<string>();
  async function exportYaml() {
    try {
      saveText(`${board.id}.yaml`, "application/yaml", await getText(boardSourceAddress(board.id)));
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }
  return (
    <OffPaper>
      <Row>
        <Button $kind="outlined" onPress={() => void navigate(`/boards/${board.id}/live`)}>
          <Play size={20} aria-hidden /> Run it
        </Button>
        <Button $kind="outlined" onPress={() => void navigate(`/boards/compare?a=${board.id}`)}>
          <Columns2 size={20} aria-hidden /> Compare
        </Button>
        <Button $kind="outlined" onPress={() => void exportYaml()}>
          <Download size={20} aria-hidden /> YAML
        </Button>
        <Button $kind="outlined" onPress={() => void navigate(`/boards/new?from=${board.id}`)}>
          <Copy size={20} aria-hidden /> Copy
        </Button>
        <Button $kind="filled" onPress={() => void navigate(`/boards/${board.id}/edit`)}>
          <Pencil size={20} aria-hidden /> Edit
        </Button>
      </Row>
      {refusal && (
        <Notice tone="fault" title="Not exported">
          {refusal}
        </Notice>
      )}
    </OffPaper>
  );
}

/** The jobs made on a board, and its revisions, of which those no job was made with may go. */
function RestsOnIt({ board }: { board: BoardProfile }) {
  return (
    <>
      <BoardJobs board={board} />
      <SubHeading style={{ marginTop: 24 }}>Revisions</SubHeading>
      <BoardRevisions board={board} />
    </>
  );
}

function BoardView({ board }: { board: BoardProfile }) {
  const [moment, setMoment] = useState<Moment>("powered");
  const view = useBoardView(board, moment);
  return (
    <>
      <Row style={{ justifyContent: "space-between" }}>
        <div>
          <Title>
            {board.maker} {board.name}
          </Title>
          <Quiet>
            {purposeLabel(board.purpose)}, revision {board.revision}, firmware {board.firmware.join(", ")}.
            Known from: {board.source.from}.
          </Quiet>
        </div>
        <Tools board={board} />
      </Row>
      <p>{board.summary}</p>
      <Beside>
        <HighlightProvider>
          <FaceViewer
            view={view}
            label={`Face of ${board.name}`}
            fileName={board.id}
            lead={<Segments label="Moment" value={moment} onChange={setMoment} options={moments} />}
          />
        </HighlightProvider>
        <Tabs
          label="About this board"
          pages={[
            { id: "facts", title: "Facts", content: <BoardFacts board={board} /> },
            { id: "menus", title: "Menus", content: <BoardPanel board={board} /> },
            { id: "procedures", title: "Procedures", content: <BoardProcedures board={board} /> },
            { id: "memory", title: "Memory and codes", content: <BoardMemory board={board} /> },
            { id: "jobs", title: "Jobs", content: <RestsOnIt board={board} /> },
          ]}
        />
      </Beside>
    </>
  );
}

/** One board: its face, what it is, how it is worked, and the jobs that rest on it. */
export function Component() {
  const { id = "" } = useParams();
  const { data, error, mutate } = useSWR<BoardProfile, Error>(boardKey(id), getJson);
  return (
    <Page>
      {error && <Failed what="This board" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="the board" />}
      {data && <BoardView key={`${data.id} ${data.revision}`} board={data} />}
    </Page>
  );
}
