import { FastForward, Pause, Play } from "lucide-react";
import { useRef, useState } from "react";
import { styled } from "styled-components";
import { font, size } from "../../theme/index.ts";
import { Button, Row, Segments, useShortcuts } from "../../ui/index.ts";
import { useFrames, type Running } from "./use-running.ts";

const Clock = styled.output`
  font-family: ${font.mono};
  font-size: ${size.lead};
  min-width: 7ch;
`;

/** Minutes, seconds and tenths. */
export const clockText = (seconds: number): string => {
  const whole = Math.floor(seconds);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}.${Math.floor((seconds - whole) * 10)}`;
};

const paces = [
  { id: "1", text: "1×" },
  { id: "10", text: "10×" },
] as const;

/** Time on the bench, written frame by frame. */
function Time({ running }: { running: Running }) {
  const out = useRef<HTMLOutputElement>(null);
  useFrames(running.watch, ({ seconds }) => {
    if (out.current) out.current.textContent = clockText(seconds);
  });
  return <Clock ref={out} aria-label="Time on the bench" aria-live="off" />;
}

/** Stops time, lets it run, as it is or faster, or on to the next thing that happens. */
export function Pace({ running }: { running: Running }) {
  const { host, news } = running;
  const [pace, setPace] = useState<(typeof paces)[number]["id"]>("1");
  const go = (to: typeof pace) => {
    setPace(to);
    void host.pace(Number(to));
  };
  const stopOrGo = () => void host.pace(news.paused ? Number(pace) : 0);
  useShortcuts({ p: stopOrGo });
  return (
    <Row role="group" aria-label="Time">
      <Button $kind="filled" onPress={stopOrGo}>
        {news.paused ? <Play size={20} aria-hidden /> : <Pause size={20} aria-hidden />}
        {news.paused ? "Go on" : "Pause"}
      </Button>
      <Segments label="How fast time runs" value={pace} onChange={go} options={paces} />
      <Button $kind="outlined" onPress={() => void host.toEvent()}>
        <FastForward size={20} aria-hidden /> Next event
      </Button>
      <Time running={running} />
    </Row>
  );
}
