import { conductorText, quantityText, type ResultRow, type SiteRecord } from "@anvilcloud/core";
import { DataTable, Mark, useUnits, type Column } from "../../ui/index.ts";
import { answerText } from "../shared/answer-text.ts";
import { stationNames, whenText } from "../shared/words.ts";
import { CoreMark } from "../steps/core-table.tsx";

const stationOf = ({ station }: ResultRow) => stationNames[station as keyof typeof stationNames] ?? station;

function Result({ row }: { row: ResultRow }) {
  return (
    <>
      {row.outcome === "not-seen" ? <b>{answerText(row)}</b> : answerText(row)}
      {row.voidedBy
        ? ` (void: ${row.voidedBy.join(" ")})`
        : !row.stands && row.outcome !== "withdrawn" && " (answered again later)"}
    </>
  );
}

type Numbered = ResultRow & { number: number };

const resultColumns: Column<Numbered>[] = [
  {
    id: "title",
    head: "Step",
    cell: ({ title }) => title,
    by: ({ title }) => title,
    width: "42%",
    phone: "below",
  },
  {
    id: "result",
    head: "Result",
    cell: (row) => <Result row={row} />,
    by: ({ outcome }) => outcome,
    phone: "first",
  },
  {
    id: "when",
    head: "When, who",
    cell: ({ at, by }) => `${whenText(at)}${by && `, ${by}`}`,
    by: ({ at }) => at,
    width: "44%",
    phone: "end",
  },
];

const byStation = {
  of: stationOf,
  head: (rows: readonly Numbered[]) => rows[0] && stationOf(rows[0]),
};

/** Answers to steps, failed attempts too, under their stations. */
export function Results({ rows, label }: { rows: readonly ResultRow[]; label: string }) {
  return (
    <DataTable
      label={label}
      rows={rows.map((row, number) => ({ ...row, number }))}
      columns={resultColumns}
      rowKey={({ number }) => String(number)}
      group={byStation}
    />
  );
}

interface Stand {
  id: string;
  name: string;
  found: string;
  planned: string;
  left: string;
}

const standColumns: Column<Stand>[] = [
  {
    id: "name",
    head: "Control",
    isHead: true,
    cell: ({ name }) => name,
    by: ({ name }) => name,
    phone: "below",
  },
  { id: "found", head: "As found", cell: ({ found }) => found },
  { id: "planned", head: "Planned", cell: ({ planned }) => planned },
  {
    id: "left",
    head: "As left",
    cell: ({ left, planned }) => (left === planned ? left : <b>{left}</b>),
  },
];

/** How each switch, dial and link stood, should stand and stands; what is not as planned is bold. */
export function Stands({ record: { settings, links } }: { record: SiteRecord }) {
  const rows: Stand[] = [
    ...settings,
    ...links.map((link) => ({ ...link, id: `link ${link.between}`, name: `Link ${link.between}` })),
  ];
  return <DataTable label="Settings" rows={rows} columns={standColumns} rowKey={({ id }) => id} />;
}

type Wire = SiteRecord["wiring"][number] & { number: number };

/** Where every core sits, under its device. */
export function Wires({ record }: { record: SiteRecord }) {
  const units = useUnits();
  const columns: Column<Wire>[] = [
    { id: "pin", head: "Pin", cell: ({ pin }) => pin, phone: "first" },
    { id: "core", head: "Core", cell: ({ colour }) => <CoreMark colour={colour} /> },
    {
      id: "place",
      head: "Terminal",
      cell: ({ place, asPlanned }) => (
        <>
          <Mark>{place}</Mark>
          {asPlanned ? "" : ", not as planned"}
        </>
      ),
      by: ({ place }) => place,
      phone: "end",
    },
    {
      id: "cable",
      head: "Cable",
      cell: ({ lengthM, sizeMm2 }) =>
        lengthM !== undefined && sizeMm2 !== undefined
          ? `${quantityText(lengthM, "m", units)}, ${conductorText(sizeMm2, units)}`
          : "",
    },
    { id: "landed", head: "Landed", cell: ({ landed }) => (landed ? "yes" : <b>no</b>) },
  ];
  return (
    <DataTable
      label="Wiring"
      rows={record.wiring.map((wire, number) => ({ ...wire, number }))}
      columns={columns}
      rowKey={({ number }) => String(number)}
      group={wireGroups}
    />
  );
}

const wireGroups = {
  of: ({ device }: Wire) => device,
  head: (rows: readonly Wire[]) => rows[0]?.device,
};
