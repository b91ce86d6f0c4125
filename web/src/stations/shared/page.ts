import { styled } from "styled-components";
import { space } from "../../theme/index.ts";

/** A page of one column, as wide as is read with ease. */
export const ColumnPage = styled.main`
  width: min(980px, 100%);
  margin: 0 auto;
  padding: ${space.xl} ${space.l};
  display: grid;
  gap: ${space.l};
`;
