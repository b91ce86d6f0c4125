import { settingsHistory, type HistoryColumn } from "@anvilcloud/core";
import { useJobBench } from "../../../data/index.ts";
import { DataTable, Heading, Mark, Opener, Panel, Quiet, Scroll, type Column } from "../../../ui/index.ts";
import { litRow } from "../lit-row.tsx";
import { whenText } from "../../shared/words.ts";

type Row = ReturnType<typeof settingsHistory>["rows"][number];

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

const HistoryRow = litRow<Row>(({ subject }) => [subject]);

/** How a control stood at one moment; marked where it stood otherwise before. */
function Stand({ row, at }: { row: Row; at: number }) {
  const text = row.stands[at]?.text;
  return at > 0 && text !== row.stands[at - 1]?.text ? <Mark>{text}</Mark> : text;
}

function Lines({
  label,
  rows,
  columns,
}: {
  label: string;
  rows: readonly Row[];
  columns: readonly HistoryColumn[];
}) {
  return (
    <Scroll>
      <DataTable
        label={label}
        rows={rows}
        rowKey={({ id }) => id}
        frame={HistoryRow}
        columns={[
          {
            id: "control",
            head: "Control",
            isHead: true,
            cell: (row) => (
              <>
                <b>{row.label}</b>
                {row.changed && <Quiet>changed between visits</Quiet>}
              </>
            ),
            by: ({ label: name }) => name,
            phone: "below",
          },
          ...columns.map((column, at): Column<Row> => ({
            id: column.id,
            head: headOf(column),
            cell: (row) => <Stand row={row} at={at} />,
          })),
        ]}
      />
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
        <Lines label="What differs" rows={differ} columns={columns} />
      ) : (
        <Quiet>Everything stands as it is planned.</Quiet>
      )}
      <details>
        <Opener>{same.length} that stand as planned</Opener>
        <Lines label="What stands as planned" rows={same} columns={columns} />
      </details>
    </Panel>
  );
}
