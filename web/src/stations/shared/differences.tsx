import { differences } from "../../data/index.ts";
import { DataTable, Quiet, type Column } from "../../ui/index.ts";

type Difference = ReturnType<typeof differences>[number];

interface Props {
  theirs: object;
  yours: object;
  /** What each of the two is called. */
  heads: readonly [string, string];
  /** Said where they do not differ. */
  none: string;
}

/** Where two versions of a job differ, place by place. */
export function Differences({ theirs, yours, heads, none }: Props) {
  const rows = differences(theirs, yours);
  if (!rows.length) return <Quiet>{none}</Quiet>;
  const columns: Column<Difference>[] = [
    { id: "path", head: "Where", cell: ({ path }) => path, phone: "below" },
    { id: "theirs", head: heads[0], cell: (row) => row.theirs, phone: "first" },
    { id: "yours", head: heads[1], cell: (row) => <b>{row.yours}</b>, phone: "end" },
  ];
  return (
    <div style={{ maxHeight: "40dvh", overflow: "auto" }} tabIndex={0} role="region" aria-label="Differences">
      <DataTable label="Differences" rows={rows} columns={columns} rowKey={({ path }) => path} />
    </div>
  );
}
