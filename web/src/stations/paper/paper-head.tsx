import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, print, size, space } from "../../theme/index.ts";
import { titleOf } from "./paper.ts";

const Head = styled.header`
  display: none;
  ${print} {
    display: flex;
    justify-content: space-between;
    gap: ${space.l};
    margin-bottom: ${space.m};
    padding-bottom: ${space.xs};
    border-bottom: 1.5px solid ${color.ink};
    font-size: ${size.tiny};
    p:last-child {
      text-align: right;
    }
  }
`;

/** What a printed page says of its job; on the screen the page says it otherwise. */
export function PaperHead() {
  const { plan } = useJobBench();
  const { job, site, board, installer, date } = titleOf(plan, new Date());
  return (
    <Head>
      <p>
        <b>{job}</b>
        <br />
        {site}
      </p>
      <p>
        {board}
        <br />
        {[installer, date].filter(Boolean).join(", ")}
      </p>
    </Head>
  );
}
