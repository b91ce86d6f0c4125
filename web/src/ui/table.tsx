import { styled } from "styled-components";
import { color, size, space } from "../theme/index.ts";

/** A plain table for lists that are read and printed; wide ones scroll in themselves, never the page. */
export const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.small};
  th {
    text-align: left;
    font-weight: 600;
    color: ${color.quiet};
    font-size: ${size.tiny};
  }
  th,
  td {
    padding: ${space.xs} ${space.s};
    border-bottom: 1px solid ${color.line};
    vertical-align: top;
  }
  td[data-number],
  th[data-number] {
    text-align: right;
    white-space: nowrap;
  }
  tr[data-lit="true"] td {
    background: ${color.accentSoft};
  }
  tr[data-changed="true"] td:first-child {
    box-shadow: inset 3px 0 0 ${color.accent};
  }
`;

/** Lets a wide table scroll in itself; the keyboard can reach it to do so. */
export const Scroll = styled.div.attrs({ tabIndex: 0 })`
  overflow-x: auto;
`;
