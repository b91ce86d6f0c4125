import { boardWords, purposeLabel, type BoardProfile } from "@anvilcloud/core";
import { Columns2, FilePlus2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { BoardFace, restView } from "../../bench/index.ts";
import { boardsKey, getJson, HighlightProvider, postBoard } from "../../data/index.ts";
import { color, narrow, size, space } from "../../theme/index.ts";
import {
  Button,
  Choice,
  Empty,
  FileButton,
  Failed,
  Loading,
  Notice,
  Quiet,
  Row,
  PageTitle,
  TextInput,
} from "../../ui/index.ts";
import { Page } from "./page.ts";

const Cards = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: ${space.l};
`;

const Card = styled.li`
  border: 1px solid ${color.line};
  border-radius: 8px;
  background: ${color.surface};
  overflow: hidden;
  display: grid;
  grid-template-rows: 190px auto;
  > div {
    padding: ${space.s};
    overflow: hidden;
    background: ${color.sunk};
    display: grid;
    place-items: center;
  }
  > div svg {
    max-height: 174px;
  }
  > a {
    display: grid;
    align-content: start;
    gap: ${space.xs};
    padding: ${space.m};
    color: inherit;
    text-decoration: none;
  }
  > a strong {
    font-size: ${size.lead};
  }
  &:hover {
    border-color: ${color.strongLine};
  }
`;

const Filter = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr);
  gap: ${space.m};
  width: min(720px, 100%);
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;

function BoardCard({ board, jobs }: { board: BoardProfile; jobs: number }) {
  return (
    <Card>
      <div aria-hidden>
        <HighlightProvider>
          <BoardFace view={restView(board)} numbers={{}} label="" interactive={false} bare />
        </HighlightProvider>
      </div>
      <Link to={`/boards/${board.id}`}>
        <strong>
          {board.maker} {board.name}
        </strong>
        <span>{purposeLabel(board.purpose)}</span>
        <Quiet as="span">{board.summary}</Quiet>
        <Quiet as="span">
          revision {board.revision}, {jobs === 0 ? "no job" : jobs === 1 ? "1 job" : `${jobs} jobs`}
        </Quiet>
      </Link>
    </Card>
  );
}

function ImportBoard({ onError }: { onError: (message: string | undefined) => void }) {
  const navigate = useNavigate();
  return (
    <FileButton
      label="Import YAML"
      accepts={[".yaml", ".yml"]}
      most={1_000_000}
      onError={onError}
      take={async (file) => {
        const board = await postBoard(await file.text());
        void navigate(`/boards/${board.id}`);
      }}
    />
  );
}

const all = "all";

/** Every board of the catalogue, by what it is made for. */
export function Component() {
  const { data, error, mutate } = useSWR<{ boards: BoardProfile[]; jobs: Record<string, number> }, Error>(
    boardsKey,
    getJson,
  );
  const [find, setFind] = useState("");
  const [purpose, setPurpose] = useState<string>(all);
  const [refusal, setRefusal] = useState<string>();
  const navigate = useNavigate();
  const boards = data?.boards ?? [];
  const purposes = [...new Set(boards.map((board) => board.purpose))];
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  const isFound = (board: BoardProfile) => {
    const said = `${boardWords(board)} ${board.summary}`.toLowerCase();
    return words.every((word) => said.includes(word));
  };
  const shown = boards.filter((board) => (purpose === all || board.purpose === purpose) && isFound(board));
  return (
    <Page>
      <Row style={{ justifyContent: "space-between" }}>
        <PageTitle>Boards</PageTitle>
        <Row>
          <Button $kind="outlined" onPress={() => void navigate("/boards/compare")}>
            <Columns2 size={20} aria-hidden /> Compare two
          </Button>
          <ImportBoard onError={setRefusal} />
          <Button $kind="filled" onPress={() => void navigate("/boards/new")}>
            <FilePlus2 size={20} aria-hidden /> New board
          </Button>
        </Row>
      </Row>
      {refusal && (
        <Notice tone="fault" title="Not imported">
          <span style={{ whiteSpace: "pre-line", overflowWrap: "anywhere" }}>{refusal}</span>
        </Notice>
      )}
      {error && <Failed what="The list of boards" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="boards" />}
      {data && (
        <>
          <Filter>
            <TextInput
              label="Find a board"
              placeholder="two leaves, menu, radio, encoder …"
              value={find}
              onChange={setFind}
            />
            <Choice
              label="Made for"
              value={purpose}
              onChange={setPurpose}
              options={[
                { id: all, text: "everything" },
                ...purposes.map((id) => ({ id, text: purposeLabel(id) })),
              ]}
            />
          </Filter>
          {!shown.length && <Empty>No board is like that. Try fewer words, or write its profile.</Empty>}
          <Cards>
            {shown.map((board) => (
              <BoardCard key={board.id} board={board} jobs={data.jobs[board.id] ?? 0} />
            ))}
          </Cards>
        </>
      )}
    </Page>
  );
}
