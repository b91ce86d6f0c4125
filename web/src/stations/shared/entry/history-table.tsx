import { settingsHistory, type HistoryColumn } from "@anvilcloud/core";
import { styled } from "styled-components";
import { useJobBench, useLights } from "../../../data/index.ts";
import { color } from "../../../theme/index.ts";
import { Heading, Mark, Opener, Panel, Quiet, Scroll, Table } from "../../../ui/index.ts";
import { whenText } from "../../shared/words.ts";

type Row = ReturnType<typeof settingsHistory>["rows"][number];

const Line = styled.tr`
  th {
    min-width: 9em;
  }
  &[data-lit="true"] {
    background: ${color.accentSoft};
  }
`;

const headOf = ({ kind, at }: HistoryColumn) =>
  kind === "planned"
    ? "Planned"
    : kind === "found"
      ? at
        ? `Found ${whenText(at)}`
        : "As found"
      : at
        ? `Left ${whenText(at)}`
        : "Now";

function HistoryLine({ row, columns }: { row: Row; columns: readonly HistoryColumn[] }) {
  const lights = useLights([row.subject]);
  const texts = row.stands.map(({ text }) => text);
  return (
    <Line {...lights}>
      <th scope="row">
        {row.label}
        {row.changed && <Quiet>changed between visits</Quiet>}
      </th>
      {columns.map((column, at) => (
        <td key={column.id}>
          {at > 0 && texts[at] !== texts[at - 1] ? <Mark>{texts[at]}</Mark> : texts[at]}
        </td>
      ))}
    </Line>
  );
}

function Lines({ rows, columns }: { rows: readonly Row[]; columns: readonly HistoryColumn[] }) {
  return (
    <Scroll>
      <Table>
        <thead>
          <tr>
            <th scope="col">Control</th>
            {columns.map((column) => (
              <th key={column.id} scope="col">
                {headOf(column)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <HistoryLine key={row.id} row={row} columns={columns} />
          ))}
        </tbody>
      </Table>
    </Scroll>
  );
}

/** As found, planned and left, over every visit: what differs stands first. */
export function HistoryTable() {
  const { plan } = useJobBench();
  const { columns, rows } = settingsHistory(plan);
  const differ = rows.filter((row) => row.differs || row.changed);
  const same = rows.filter((row) => !differ.includes(row));
  return (
    <Panel aria-label="Found, planned, left">
      <Heading>Found, planned, left</Heading>
      {differ.length ? (
        <Lines rows={differ} columns={columns} />
      ) : (
        <Quiet>Everything stands as it is planned.</Quiet>
      )}
      <details>
        <Opener>{same.length} that stand as planned</Opener>
        <Lines rows={same} columns={columns} />
      </details>
    </Panel>
  );
}
