import type { Subject } from "@anvilcloud/core";
import type { HTMLAttributes, Ref } from "react";
import { useHighlight, useLights } from "../../data/index.ts";
import type { RowFrame } from "../../ui/index.ts";

interface Props<Row> extends HTMLAttributes<HTMLTableRowElement> {
  of: Row;
  ref?: Ref<HTMLTableRowElement>;
}

/**
 * Rows that light what they are about on the bench: while they are pointed at, and from a click on until the next one.
 * @param subjectsOf what a row is about
 * @param isChanged true for a row that is marked as one that differs
 */
export function litRow<Row>(
  subjectsOf: (row: Row) => readonly Subject[],
  isChanged: (row: Row) => boolean = () => false,
): RowFrame<Row> {
  return function LitRow({ of, ...props }: Props<Row>) {
    const subjects = subjectsOf(of);
    const { kept, keep } = useHighlight();
    const isKept = kept.length > 0 && JSON.stringify(kept) === JSON.stringify(subjects);
    return (
      <tr
        {...props}
        {...useLights(subjects)}
        data-changed={isChanged(of)}
        onClick={() => keep(isKept ? [] : subjects)}
      />
    );
  };
}
