import { bothLeaves, leafName } from "@anvilcloud/core";
import {
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
  type ChartDataset,
} from "chart.js";
import { useEffect, useRef, useState } from "react";
import { styled } from "styled-components";
import { Segments } from "../../ui/index.ts";
import { color, font } from "../../theme/index.ts";
import type { Running } from "./use-running.ts";

Chart.defaults.font.family = font.text;
Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Legend, Tooltip);

const Frame = styled.div`
  position: relative;
  height: 220px;
  /* Its canvas is as wide as it was drawn: a window that shrinks is not held open by it. */
  min-width: 0;
  overflow: hidden;
`;

/** What is drawn over time, each with its unit. */
const quantities = [
  { id: "part", text: "Way", unit: "%", times: 100 },
  { id: "speed", text: "Speed", unit: "mm/s", times: 1_000 },
  { id: "newtons", text: "Push", unit: "N", times: 1 },
  { id: "amps", text: "Current", unit: "A", times: 1 },
] as const;
type Quantity = (typeof quantities)[number]["id"];

/** So far back it shows, s. */
const back = 60;
/** How often it is drawn anew, ms. */
const drawnMs = 250;
const named = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();

/** What the leaves did over the last minute; something that happened is a mark on the line of time. */
export function RunChart({ running }: { running: Running }) {
  const { info, points, told } = running;
  const [shown, setShown] = useState<Quantity | "charge">("part");
  const canvas = useRef<HTMLCanvasElement>(null);
  const marks = useRef<number[]>([]);
  useEffect(() => {
    marks.current = told.map(({ at }) => at);
  }, [told]);

  useEffect(() => {
    const paper = canvas.current?.getContext("2d");
    if (!paper) return;
    const quantity = quantities.find(({ id }) => id === shown) ?? { text: "Battery", unit: "%", times: 100 };
    const colours = [named("--accent"), named("--danger")];
    const lines: ChartDataset<"line", { x: number; y: number }[]>[] =
      shown === "charge"
        ? [{ label: "battery", data: [] }]
        : info.layout.leaves.map((which) => ({
            label: leafName(info.board, info.job.survey.leaves[bothLeaves.indexOf(which)]!.id),
            data: [],
          }));
    lines.forEach((line, n) =>
      Object.assign(line, {
        borderColor: colours[n],
        borderWidth: 2,
        pointRadius: 0,
        borderDash: n ? [6, 4] : [],
      }),
    );
    const ink = named("--quiet");
    const grid = { color: named("--line") };
    const chart = new Chart(paper, {
      type: "line",
      data: {
        datasets: [
          ...lines,
          { label: "happened", data: [], showLine: false, pointRadius: 4, pointStyle: "triangle" },
        ],
      },
      options: {
        animation: false,
        parsing: false,
        maintainAspectRatio: false,
        scales: {
          x: { type: "linear", title: { display: true, text: "s", color: ink }, ticks: { color: ink }, grid },
          y: {
            beginAtZero: true,
            title: { display: true, text: quantity.unit, color: ink },
            ticks: { color: ink },
            grid,
          },
        },
        plugins: { legend: { labels: { color: ink, usePointStyle: true } } },
      },
    });
    const draw = () => {
      const taken = points();
      const last = taken.at(-1)?.at ?? 0;
      lines.forEach((line, n) => {
        line.data = taken.map(({ at, of }) => ({ x: at, y: (of[shown]?.[n] ?? 0) * quantity.times }));
      });
      const { datasets } = chart.data;
      lines.forEach((line, n) => void (datasets[n]!.data = line.data));
      datasets.at(-1)!.data = marks.current.filter((at) => at > last - back).map((at) => ({ x: at, y: 0 }));
      Object.assign(chart.options.scales!.x!, { min: Math.max(0, last - back), max: Math.max(back, last) });
      chart.update("none");
    };
    const timer = setInterval(draw, drawnMs);
    draw();
    return () => {
      clearInterval(timer);
      chart.destroy();
    };
  }, [shown, info, points]);

  const options = [
    ...quantities.map(({ id, text }) => ({ id, text })),
    ...(info.hasBattery ? [{ id: "charge" as const, text: "Battery" }] : []),
  ];
  return (
    <section aria-label="Over time">
      <Segments label="What is drawn over time" value={shown} onChange={setShown} options={options} />
      <Frame>
        <canvas
          ref={canvas}
          role="img"
          aria-label={`The last minute: ${options.find(({ id }) => id === shown)?.text}`}
          style={{ color: color.ink }}
        />
      </Frame>
    </section>
  );
}
