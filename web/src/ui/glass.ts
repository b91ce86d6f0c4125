import { styled } from "styled-components";
import { font, plate, space } from "../theme/index.ts";

/** What stands on a board's display, as it glows there. */
export const Glass = styled.span`
  display: inline-block;
  vertical-align: middle;
  padding: ${space.xs} ${space.s};
  border-radius: 4px;
  background: ${plate.slot};
  color: ${plate.glow};
  font-family: ${font.mono};
  font-weight: 700;
  white-space: pre;
`;
