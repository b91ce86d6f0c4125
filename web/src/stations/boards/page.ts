import { styled } from "styled-components";
import { narrow, space } from "../../theme/index.ts";

/** The frame of a page about boards. */
export const Page = styled.main`
  width: min(1400px, 100%);
  margin: 0 auto;
  padding: ${space.l};
  display: grid;
  gap: ${space.l};
  min-width: 0;
`;

/** The face beside what is told of it; below one another where there is no room. */
export const Beside = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: ${space.l};
  align-items: start;
  ${narrow} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
