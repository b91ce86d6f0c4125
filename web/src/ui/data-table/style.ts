import { css, styled } from "styled-components";
import { color, narrowScreen, print, size, space, touch } from "../../theme/index.ts";

/** The table itself: a head that stays in sight; on a phone rows of two lines. */
export const Sheet = styled.table`
  width: 100%;
  border-collapse: separate;
  border-spacing: 0;
  font-size: ${size.small};
  thead th {
    position: sticky;
    top: 0;
    background: var(--table-ground, ${color.ground});
    text-align: left;
    font-weight: 600;
    color: ${color.quiet};
    font-size: ${size.tiny};
    vertical-align: middle;
    border-bottom: 1.5px solid ${color.strongLine};
  }
  th,
  td {
    padding: ${space.xs} ${space.s};
    vertical-align: top;
  }
  td,
  th[scope="row"] {
    border-bottom: 1px solid ${color.line};
    text-align: left;
    font-weight: 400;
  }
  [data-number] {
    text-align: right;
    white-space: nowrap;
  }
  thead [data-number] button {
    justify-content: flex-end;
  }
  && [data-marked] {
    background: ${color.accentSoft};
  }
  /* No group begins at the foot of a page. */
  tr:has(> th[scope="rowgroup"]) {
    break-after: avoid;
  }
  /* On paper the head comes again on each page: what keeps its place or is pressed does not, so its words stand alone. */
  ${print} {
    thead th {
      position: static;
    }
    thead th[data-head]::before {
      content: attr(data-head);
    }
    tr {
      break-inside: avoid;
    }
  }
  tr[data-lit="true"] > * {
    background: ${color.accentSoft};
  }
  tr[data-changed="true"] > :first-child {
    box-shadow: inset 3px 0 0 ${color.accent};
  }
  ${narrowScreen} {
    display: block;
    thead {
      display: none;
    }
    tbody {
      display: block;
    }
    tr {
      display: flex;
      flex-wrap: wrap;
      align-items: baseline;
      gap: ${space.hair} ${space.m};
      padding: ${space.s} ${space.xs};
      border-bottom: 1px solid ${color.line};
    }
    tr[data-lit="true"] {
      background: ${color.accentSoft};
    }
    td,
    th[scope="row"] {
      border: 0;
      padding: 0;
      flex: none;
      max-width: 100%;
      text-align: left;
    }
    /* A figure says what it is: its head is out of sight. */
    td[data-number]:not(:empty)::before,
    td:not([data-phone]):not(:empty)::before {
      content: attr(data-head) " ";
      color: ${color.quiet};
      font-size: ${size.tiny};
    }
    [data-phone="first"] {
      flex: 1 1 52%;
      min-width: 0;
    }
    [data-phone="end"] {
      order: 1;
      margin-left: auto;
    }
    [data-phone="below"] {
      order: 2;
      flex: 1 1 100%;
    }
    [data-phone="off"] {
      display: none;
    }
    && tr[data-changed="true"] > :first-child {
      padding-left: ${space.s};
    }
  }
`;

/** A head that can be pressed: what it says, as it would stand there otherwise. */
const press = css`
  display: flex;
  align-items: center;
  gap: ${space.xs};
  min-height: ${touch};
  padding: 0;
  border: 0;
  background: none;
  font: inherit;
  font-weight: 600;
  color: inherit;
  text-align: left;
  cursor: pointer;
`;

/** A head that sorts. */
export const Head = styled.button`
  ${press}
  width: 100%;
  min-width: ${touch};
  ${print} {
    display: none;
  }
`;

/** The head of a group. */
export const GroupHead = styled.th`
  && {
    padding: ${space.xs} ${space.s} 0;
    text-align: left;
    border-bottom: 1px solid ${color.line};
  }
  button {
    ${press}
  }
  ${narrowScreen} {
    && {
      flex: 1 1 100%;
      padding: 0;
      border: 0;
    }
    button {
      min-height: ${touch};
      min-width: ${touch};
    }
  }
  ${print} {
    svg {
      display: none;
    }
  }
`;
