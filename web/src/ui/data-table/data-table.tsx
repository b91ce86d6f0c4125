import {
  columnGroupingFeature,
  createExpandedRowModel,
  createGroupedRowModel,
  createSortedRowModel,
  rowExpandingFeature,
  rowSortingFeature,
  sortFn_alphanumeric,
  tableFeatures,
  useTable,
  type ColumnDef,
} from "@tanstack/react-table";
import { ArrowDown, ArrowUp, ChevronDown, ChevronRight } from "lucide-react";
import {
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ComponentType,
  type HTMLAttributes,
  type ReactNode,
  type Ref,
} from "react";
import { Hidden } from "../text.tsx";
import { useInSight } from "./in-sight.ts";
import { GroupHead, Head, Sheet } from "./style.ts";

/** A column of a table. */
export interface Column<Row> {
  id: string;
  head: string;
  /** Set where only readers are told the head: each cell says by itself what it does. */
  hidesHead?: boolean;
  cell: (row: Row) => ReactNode;
  /** What its rows are sorted by; a column without it is not sorted. */
  by?: (row: Row) => string | number;
  /** Set where it says what a row is about: readers tell it with every other cell. */
  isHead?: boolean;
  /** Set where it holds figures, which stand at its right edge. */
  isNumber?: boolean;
  /** Set where it stands out among the others. */
  isMarked?: boolean;
  /** Its width, as CSS has it; left out, as wide as its content. */
  width?: string;
  /**
   * Where it stands on a phone, where a row takes two lines: first, at the end of the first, below, or not at all; `bare`
   * stays where it is, without its head before it.
   */
  phone?: "first" | "end" | "below" | "bare" | "off";
}

/** By which column, and whether downwards. */
export interface Sorting {
  by: string;
  down: boolean;
}

/** What makes a row; it gets the row's cells, and all that its element needs. */
export type RowFrame<Row> = ComponentType<
  HTMLAttributes<HTMLTableRowElement> & { of: Row; ref?: Ref<HTMLTableRowElement> }
>;

interface Props<Row> {
  label: string;
  rows: readonly Row[];
  columns: readonly Column<Row>[];
  rowKey: (row: Row) => string;
  /** Puts rows under heads, each of which folds; groups stand in the order in which they are met. */
  group?: { of: (row: Row) => string; head: (rows: readonly Row[]) => ReactNode };
  /** The order, where someone else sorts. */
  sorting?: Sorting;
  onSort?: (sorting: Sorting) => void;
  frame?: RowFrame<Row>;
  /** Asks for more rows as the last of them comes into sight. */
  onEnd?: () => void;
}

const features = tableFeatures({
  rowSortingFeature,
  columnGroupingFeature,
  rowExpandingFeature,
  sortedRowModel: createSortedRowModel(),
  groupedRowModel: createGroupedRowModel(),
  expandedRowModel: createExpandedRowModel(),
  sortFns: { alphanumeric: sortFn_alphanumeric },
});

function PlainRow<Row extends object>({
  of: _of,
  ...props
}: HTMLAttributes<HTMLTableRowElement> & { of: Row }) {
  return <tr {...props} />;
}

const spacer = (key: string, height: number, columns: number) =>
  height > 0 && (
    <tr key={key} aria-hidden style={{ height, border: 0, padding: 0 }}>
      <td colSpan={columns} style={{ padding: 0, border: 0 }} />
    </tr>
  );

/**
 * A table: sorted by its heads, grouped under heads that fold, its own head always in sight, and of many rows only those in
 * sight drawn. On a phone a row takes two lines and nothing scrolls sideways.
 */
export function DataTable<Row extends object>({
  label,
  rows,
  columns,
  rowKey,
  group,
  sorting,
  onSort,
  frame,
  onEnd,
}: Props<Row>) {
  const [own, setOwn] = useState<Sorting>();
  const sortedBy = sorting ?? own;
  const grouped = group !== undefined;
  const groupOf = group?.of;
  const defs = useMemo((): ColumnDef<typeof features, Row>[] => {
    const of = (column: Column<Row>): ColumnDef<typeof features, Row> => ({
      id: column.id,
      accessorFn: (row: Row) => column.by?.(row) ?? "",
      enableSorting: column.by !== undefined,
      sortFn: "alphanumeric",
    });
    return [
      ...(groupOf ? [{ id: "group", accessorFn: groupOf } as ColumnDef<typeof features, Row>] : []),
      ...columns.map(of),
    ];
  }, [columns, groupOf]);
  const data = useMemo(() => [...rows], [rows]);
  const table = useTable({
    features,
    columns: defs,
    data,
    getRowId: (row: Row) => rowKey(row),
    manualSorting: onSort !== undefined,
    autoResetExpanded: false,
    initialState: { expanded: true as const },
    state: {
      grouping: grouped ? ["group"] : [],
      sorting: sortedBy ? [{ id: sortedBy.by, desc: sortedBy.down }] : [],
    },
  });
  const model = table.getRowModel().rows;
  const sheet = useRef<HTMLTableElement>(null);
  const { shown, before, after, measure } = useInSight(model.length, sheet);
  const atEnd = shown.at(-1) === model.length - 1;
  useLayoutEffect(() => {
    if (atEnd) onEnd?.();
  }, [atEnd, onEnd]);
  const Frame = frame ?? (PlainRow as RowFrame<Row>);
  const sort = (id: string) => {
    const next = { by: id, down: sortedBy?.by === id && !sortedBy.down };
    setOwn(next);
    onSort?.(next);
  };
  return (
    <Sheet ref={sheet} aria-label={label} role="table" aria-rowcount={model.length + 1}>
      <thead role="rowgroup">
        <tr role="row">
          {columns.map(({ id, head, hidesHead, by, isNumber, isMarked, width }) => (
            <th
              key={id}
              role="columnheader"
              scope="col"
              data-number={isNumber || undefined}
              data-marked={isMarked || undefined}
              data-head={by ? head : undefined}
              style={width === undefined ? undefined : { width }}
              aria-sort={by && sortedBy?.by === id ? (sortedBy.down ? "descending" : "ascending") : undefined}
            >
              {by ? (
                <Head type="button" onClick={() => sort(id)}>
                  {head}
                  {sortedBy?.by === id &&
                    (sortedBy.down ? <ArrowDown size={14} aria-hidden /> : <ArrowUp size={14} aria-hidden />)}
                </Head>
              ) : hidesHead ? (
                <Hidden>{head}</Hidden>
              ) : (
                head
              )}
            </th>
          ))}
        </tr>
      </thead>
      <tbody role="rowgroup">
        {spacer("before", before, columns.length)}
        {shown.map((index) => {
          const row = model[index];
          if (!row) return null;
          if (row.getIsGrouped())
            return (
              <tr key={row.id} role="row" ref={measure} data-index={index}>
                <GroupHead role="rowheader" scope="rowgroup" colSpan={columns.length}>
                  <button
                    type="button"
                    aria-expanded={row.getIsExpanded()}
                    onClick={row.getToggleExpandedHandler()}
                  >
                    {row.getIsExpanded() ? (
                      <ChevronDown size={16} aria-hidden />
                    ) : (
                      <ChevronRight size={16} aria-hidden />
                    )}
                    {group?.head(row.subRows.map(({ original }) => original))}
                  </button>
                </GroupHead>
              </tr>
            );
          return (
            <Frame key={row.id} of={row.original} role="row" ref={measure} data-index={index}>
              {columns.map(({ id, head, cell, isHead, isNumber, isMarked, phone }) => {
                const Cell = isHead ? "th" : "td";
                return (
                  <Cell
                    key={id}
                    role={isHead ? "rowheader" : "cell"}
                    scope={isHead ? "row" : undefined}
                    data-head={head}
                    data-number={isNumber || undefined}
                    data-marked={isMarked || undefined}
                    data-phone={phone}
                  >
                    {cell(row.original)}
                  </Cell>
                );
              })}
            </Frame>
          );
        })}
        {spacer("after", after, columns.length)}
      </tbody>
    </Sheet>
  );
}
