import { foundPositions, tellPositions } from "@anvilcloud/core";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Mark, Notice, Quiet, SubHeading } from "../../ui/index.ts";

const Lines = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: ${space.s} ${space.m};
    padding: ${space.xs} 0;
    border-top: 1px solid ${color.line};
    font-size: ${size.small};
  }
`;

/** What the controls, where they were found, come to as behaviour: what differs from a new board first. */
export function ToldFound() {
  const { job, plan } = useJobBench();
  const { board } = plan.bundle;
  const { behaviours, unusual } = tellPositions(
    board,
    foundPositions(board, job.found),
    job.survey.leaves.length,
  );
  const changed = behaviours.filter(({ delivered }) => delivered !== undefined);
  const rest = behaviours.filter(({ delivered }) => delivered === undefined);
  if (!behaviours.length) return null;
  return (
    <div>
      <SubHeading>What it does as found</SubHeading>
      {unusual.length > 0 && (
        <Notice tone="note" title="Unusual">
          {unusual.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </Notice>
      )}
      <Lines>
        {[...changed, ...rest].map(({ id, label, text, by, delivered }) => (
          <li key={id}>
            <span>
              {label}: <Mark>{text}</Mark>
              {delivered !== undefined && <Quiet>delivered: {delivered}</Quiet>}
            </span>
            <Quiet>{by.length ? by.join("; ") : "by itself"}</Quiet>
          </li>
        ))}
      </Lines>
    </div>
  );
}
