import { Link } from "react-router";
import { styled } from "styled-components";
import { touch } from "../theme/index.ts";

/** A link that stands by itself, beside buttons and as easily hit. */
export const StandingLink = styled(Link)`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  min-height: ${touch};
  min-width: ${touch};
`;

/** The line that opens what is folded under it. */
export const Opener = styled.summary`
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: ${touch};
  cursor: pointer;
  &::before {
    content: "▸";
  }
  details[open] > &::before {
    content: "▾";
  }
`;
