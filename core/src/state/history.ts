import { displayPositions, entryName, menuValues, selectorsOf, type BoardProfile } from "../board/index.ts";
import { foundPositions, type Positions } from "../controls/index.ts";
import type { Subject } from "../finding/index.ts";
import { clockText } from "../quantity/index.ts";
import { foundLinks, type LinkPosition } from "../wiring/index.ts";
import type { BenchState, Planned } from "./bench.ts";
import { stateAfter } from "./log.ts";

/** Where everything stood at one moment: as found, as planned, as left. */
export interface HistoryColumn {
  id: string;
  kind: "found" | "planned" | "left";
  /** When, ISO 8601; of the first finding and of the plan there is no moment. */
  at?: string;
  positions: Positions;
  links: Readonly<Record<string, LinkPosition>>;
}

/** One control or link in every column. */
export interface HistoryRow {
  id: string;
  subject: Subject;
  label: string;
  /** By column; what it says is told as people read it. */
  stands: { column: string; text: string }[];
  /** Planned and left differ: something is still to do, or was left otherwise. */
  differs: boolean;
  /** Found otherwise than it was left the last time, or than a new board has it. */
  changed: boolean;
}

const linksOf = ({ links }: BenchState) => links;

/** The moments of a job at which its controls are known, in their order; the plan last. */
function columnsOf(planned: Planned): HistoryColumn[] {
  const { bundle, controls, wiring } = planned;
  const { board, job, log } = bundle;
  const columns: HistoryColumn[] = [
    {
      id: "found",
      kind: "found",
      positions: foundPositions(board, job.found),
      links: foundLinks(board, job.found.links),
    },
  ];
  log.forEach((entry, at) => {
    const state = () => stateAfter({ bundle }, log.slice(0, at + 1));
    const column = (kind: HistoryColumn["kind"]): HistoryColumn => {
      const { positions, ...rest } = state();
      return { id: entry.id, kind, at: entry.at, positions, links: linksOf({ positions, ...rest }) };
    };
    if (entry.kind === "handed-over") columns.push(column("left"));
    if (entry.kind === "settings" && entry.as === "found") columns.push(column("found"));
  });
  const now = stateAfter({ bundle }, log);
  const closed = log.at(-1)?.kind === "handed-over";
  return [
    ...columns,
    {
      id: "planned",
      kind: "planned",
      positions: controls.positions,
      links: Object.fromEntries(wiring.links.map((link) => [link.id, link.planned])),
    },
    ...(closed ? [] : [{ id: "now", kind: "left" as const, positions: now.positions, links: now.links }]),
  ];
}

interface Part {
  id: string;
  subject: Subject;
  label: string;
  at: (column: HistoryColumn) => string;
}

/** Everything of a board that can be set, with how it is told. */
function partsOf(board: BoardProfile): Part[] {
  return [
    ...board.links.map(({ id, between }): Part => ({
      ...{ id: `link ${id}`, subject: { kind: "link", id }, label: `Link ${between.join("–")}` },
      at: ({ links }) => links[id] ?? "",
    })),
    ...selectorsOf(board).map(({ id, kind, label, delivered }): Part => ({
      ...{ id: `switch ${id}`, subject: { kind, id }, label },
      at: ({ positions }) => positions.switches[id] ?? delivered,
    })),
    ...board.dials.map(({ id, label, sweep, delivered }): Part => ({
      ...{ id: `dial ${id}`, subject: { kind: "dial", id }, label: `${label} (${id})` },
      at: ({ positions }) => clockText(positions.dials[id] ?? delivered, sweep),
    })),
    ...menuValues(board).map(({ item, delivered }): Part => ({
      ...{
        id: `value ${item.id}`,
        subject: { kind: "value", id: item.id },
        label: entryName(item),
      },
      at: ({ positions }) => {
        const shows = positions.values[item.id] ?? delivered;
        const reads = item.choices?.find((choice) => choice.shows === shows)?.reads;
        const known = displayPositions(item).includes(shows);
        return reads
          ? `${shows}, ${reads}`
          : known
            ? `${shows}${item.number?.unit ? ` ${item.number.unit}` : ""}`
            : shows;
      },
    })),
  ];
}

/** As found, planned and left, of every visit: what differs first. */
export function settingsHistory(planned: Planned): { columns: HistoryColumn[]; rows: HistoryRow[] } {
  const columns = columnsOf(planned);
  const plan = columns.find(({ id }) => id === "planned")!;
  const left =
    columns.at(-1)!.id === "planned" ? columns.findLast(({ kind }) => kind === "left") : columns.at(-1);
  const rows = partsOf(planned.bundle.board).map((part): HistoryRow => {
    const stands = columns.map((column) => ({ column: column.id, text: part.at(column) }));
    const changed = columns.some((column, n) => {
      const before = columns.slice(0, n).findLast(({ kind }) => kind === "left");
      return column.kind === "found" && before !== undefined && part.at(before) !== part.at(column);
    });
    return {
      ...{ id: part.id, subject: part.subject, label: part.label, stands, changed },
      differs: left !== undefined && part.at(left) !== part.at(plan),
    };
  });
  const rank = ({ differs, changed, stands }: HistoryRow) =>
    differs ? 0 : changed ? 1 : new Set(stands.map(({ text }) => text)).size > 1 ? 2 : 3;
  return { columns, rows: rows.toSorted((a, b) => rank(a) - rank(b)) };
}
