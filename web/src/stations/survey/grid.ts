import { styled } from "styled-components";
import { space } from "../../theme/index.ts";

/** Fields side by side, as many as have room. */
export const Grid = styled.div<{ $least?: string }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${({ $least }) => $least ?? "180px"}, 1fr));
  gap: ${space.m} ${space.l};
  align-items: start;
`;
