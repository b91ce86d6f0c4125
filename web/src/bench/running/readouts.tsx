import { bothLeaves, leafName, plainNumber } from "@anvilcloud/core";
import { useRef } from "react";
import { styled } from "styled-components";
import { color, font, size, space } from "../../theme/index.ts";
import { useFrames, type Running } from "./use-running.ts";

const Grid = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.small};
  th {
    text-align: left;
    font-weight: 600;
    color: ${color.quiet};
  }
  td {
    font-family: ${font.mono};
    text-align: right;
  }
  th,
  td {
    padding: ${space.hair} ${space.s} ${space.hair} 0;
  }
`;

const columns = ["way", "speed", "push", "current"] as const;

/** How many decimals each is told with. */
const told = {
  way: (part: number) => `${plainNumber(Math.round(part * 100))} %`,
  speed: (metresPerSecond: number) => `${plainNumber(Math.round(metresPerSecond * 1_000))} mm/s`,
  push: (newtons: number) => `${plainNumber(Math.round(newtons))} N`,
  current: (amps: number) => `${amps.toFixed(1)} A`,
};

/** Where each leaf is, how fast, what its drive pushes with and draws; and the battery. Written frame by frame. */
export function Readouts({ running }: { running: Running }) {
  const { info, watch } = running;
  const cells = useRef<Record<string, HTMLElement | null>>({});
  const write = (id: string, text: string) => {
    const cell = cells.current[id];
    if (cell && cell.textContent !== text) cell.textContent = text;
  };
  useFrames(watch, ({ leaves, charge }) => {
    for (const which of bothLeaves) {
      const leaf = leaves[which];
      if (!leaf) continue;
      write(`${which} way`, told.way(leaf.part));
      write(`${which} speed`, told.speed(leaf.speed));
      write(`${which} push`, told.push(leaf.newtons));
      write(`${which} current`, told.current(leaf.amps));
    }
    if (charge !== undefined) write("charge", `${Math.round(charge * 100)} %`);
  });
  const cell = (id: string) => <td key={id} ref={(element) => void (cells.current[id] = element)} />;
  const rows = bothLeaves
    .slice(0, info.job.survey.leaves.length)
    .filter((which) => info.layout.leaves.includes(which));
  return (
    <Grid aria-label="Readings of the leaves">
      <thead>
        <tr>
          <th scope="col">Leaf</th>
          <th scope="col">Way open</th>
          <th scope="col">Speed</th>
          <th scope="col">Push</th>
          <th scope="col">Current</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((which, n) => (
          <tr key={which}>
            <th scope="row">{leafName(info.board, info.job.survey.leaves[n]!.id)}</th>
            {columns.map((column) => cell(`${which} ${column}`))}
          </tr>
        ))}
        {info.hasBattery && (
          <tr>
            <th scope="row">Battery</th>
            {cell("charge")}
          </tr>
        )}
      </tbody>
    </Grid>
  );
}
