import { boardFacts, type BoardProfile } from "@anvilcloud/core";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { styled } from "styled-components";
import useSWR from "swr";
import { PoweredFace } from "./powered-face.tsx";
import { boardsKey, getJson, HighlightProvider } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Choice, Empty, Failed, Loading, Quiet, Scroll, PageTitle, Toggle } from "../../ui/index.ts";
import { Page } from "./page.ts";

const Two = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: ${space.l};
`;

const Sides = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.small};
  th,
  td {
    text-align: left;
    vertical-align: top;
    padding: ${space.s};
    border-top: 1px solid ${color.line};
    min-width: 110px;
  }
  tr[data-differs="true"] td {
    background: ${color.accentSoft};
  }
`;

function Side({
  label,
  boards,
  board,
  onChange,
}: {
  label: string;
  boards: readonly BoardProfile[];
  board: BoardProfile | undefined;
  onChange: (id: string) => void;
}) {
  return (
    <div style={{ display: "grid", gap: 12, minWidth: 0, alignContent: "start" }}>
      <Choice
        label={label}
        value={board?.id}
        onChange={onChange}
        options={boards.map(({ id, maker, name }) => ({ id, text: `${maker} ${name}` }))}
      />
      {board && (
        <HighlightProvider>
          <PoweredFace board={board} />
        </HighlightProvider>
      )}
    </div>
  );
}

function Facts({ a, b }: { a: BoardProfile; b: BoardProfile }) {
  const [all, setAll] = useState(false);
  const left = boardFacts(a);
  const right = boardFacts(b);
  const rows = left
    .map(({ label, value }) => {
      const other = right.find((fact) => fact.label === label)?.value ?? "none";
      return { label, value, other, differs: value !== other };
    })
    .filter((row) => all || row.differs);
  return (
    <>
      <Toggle label="Also what both have alike" value={all} onChange={setAll} />
      {rows.length === 0 && <Quiet>The two have everything alike.</Quiet>}
      <Scroll>
        <Sides>
          <thead>
            <tr>
              <td />
              <th scope="col">{a.name}</th>
              <th scope="col">{b.name}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.label} data-differs={row.differs && all}>
                <th scope="row">{row.label}</th>
                <td>{row.value}</td>
                <td>{row.other}</td>
              </tr>
            ))}
          </tbody>
        </Sides>
      </Scroll>
    </>
  );
}

/** Two boards side by side: faces, and the facts in which they differ. */
export function Component() {
  const { data, error, mutate } = useSWR<{ boards: BoardProfile[] }, Error>(boardsKey, getJson);
  const [search, setSearch] = useSearchParams();
  const boards = data?.boards ?? [];
  const side = (key: "a" | "b") => boards.find((board) => board.id === search.get(key));
  const choose = (key: "a" | "b") => (id: string) =>
    setSearch((now) => {
      now.set(key, id);
      return now;
    });
  const [a, b] = [side("a"), side("b")];
  return (
    <Page>
      <PageTitle>Compare two boards</PageTitle>
      {error && <Failed what="The list of boards" error={error} retry={() => void mutate()} />}
      {!data && !error && <Loading what="boards" />}
      {data && (
        <Two>
          <Side label="One board" boards={boards} board={a} onChange={choose("a")} />
          <Side label="The other" boards={boards} board={b} onChange={choose("b")} />
        </Two>
      )}
      {data && (!a || !b) && <Empty>Choose two boards to see in what they differ.</Empty>}
      {a && b && <Facts a={a} b={b} />}
    </Page>
  );
}
