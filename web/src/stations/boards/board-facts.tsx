import { boardFacts, type BoardProfile } from "@anvilcloud/core";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";

/** Facts of a thing: names beside what is so. */
export const FactList = styled.dl`
  display: grid;
  grid-template-columns: minmax(110px, max-content) minmax(0, 1fr);
  font-size: ${size.small};
  dt,
  dd {
    margin: 0;
    padding: ${space.xs} ${space.m} ${space.xs} 0;
    border-top: 1px solid ${color.line};
  }
  dt {
    color: ${color.quiet};
  }
`;

/** What a board is and has. */
export function BoardFacts({ board }: { board: BoardProfile }) {
  return (
    <FactList>
      {boardFacts(board).map(({ label, value }) => (
        <div key={label} style={{ display: "contents" }}>
          <dt>{label}</dt>
          <dd>{value}</dd>
        </div>
      ))}
    </FactList>
  );
}
