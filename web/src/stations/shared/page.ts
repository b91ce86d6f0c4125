import { styled } from "styled-components";
import { space } from "../../theme/index.ts";

/** A page of lists, as wide as a desk's window. */
export const WidePage = styled.main`
  width: min(1320px, 100%);
  margin: 0 auto;
  padding: ${space.l};
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${space.l};
`;

/** A page of one column, as wide as is read with ease. */
export const ColumnPage = styled.main`
  width: min(980px, 100%);
  margin: 0 auto;
  padding: ${space.xl} ${space.l};
  display: grid;
  gap: ${space.l};
`;
