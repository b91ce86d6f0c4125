import {
  readFrame,
  type Frame,
  type LampLook,
  type LampState,
  type LiveAct,
  type LiveStart,
} from "@anvilcloud/core";
import { useEffect, useRef, useState } from "react";
import {
  useLiveMaker,
  type LiveGiven,
  type LiveHost,
  type LiveInfo,
  type LiveNews,
  type LivePast,
} from "../../planner/index.ts";

/** Whoever draws from frames: told of each, once before the page is painted. */
export type Watch = (draw: (frame: Frame) => void) => () => void;

/** Lamps change now and then; they are drawn by React, everything that moves is not. */
interface Lamps {
  lamps: Record<string, LampState>;
  looks: Record<string, LampLook>;
  tripped: readonly string[];
}

/** Sentences that are kept of what happened. */
const mostTold = 40;

/** A live bench as a page has it. */
export interface Running {
  host: LiveHost;
  info: LiveInfo;
  news: LiveNews;
  lamps: Lamps;
  told: readonly { at: number; text: string }[];
  watch: Watch;
  /** The last minute. */
  points: () => readonly Point[];
  does: (act: LiveAct) => void;
}

interface Begun {
  host?: LiveHost;
  info?: LiveInfo;
  news?: LiveNews;
  lamps?: Lamps;
  told: Running["told"];
  error?: Error;
}

const lampsOf = ({ lamps, looks, tripped }: Frame): Lamps => ({ lamps, looks, tripped });

/** What a chart draws of a moment: each leaf by quantity, and the battery. */
interface Point {
  at: number;
  of: Record<"part" | "speed" | "newtons" | "amps" | "charge", readonly number[]>;
}

/** So far back points are kept, s, and this often one is taken, s. */
const [back, every] = [60, 0.1];

const pointOf = ({ seconds, leaves, charge }: Frame): Point => {
  const all = Object.values(leaves);
  return {
    at: seconds,
    of: {
      part: all.map(({ part }) => part),
      speed: all.map(({ speed }) => speed),
      newtons: all.map(({ newtons }) => newtons),
      amps: all.map(({ amps }) => amps),
      charge: [charge ?? 0],
    },
  };
};

/** Everyone who draws, and the newest frame, which is drawn once before each painting. */
export function createFrames() {
  const draws = new Set<(frame: Frame) => void>();
  let newest: Frame | undefined;
  let asked = false;
  const points: Point[] = [];
  return {
    points: (): readonly Point[] => points,
    watch(draw: (frame: Frame) => void) {
      draws.add(draw);
      if (newest) draw(newest);
      return () => void draws.delete(draw);
    },
    take(frame: Frame) {
      newest = frame;
      const last = points.at(-1);
      if (!last || frame.seconds - last.at >= every) points.push(pointOf(frame));
      while (points.length && points[0]!.at < frame.seconds - back) points.shift();
      if (asked) return;
      asked = true;
      requestAnimationFrame(() => {
        asked = false;
        if (newest) for (const draw of draws) draw(newest);
      });
    },
  };
}

/** A live bench of a job or a board; whoever begins anew shows it anew. */
export function useRunning(
  given: LiveGiven,
  start: LiveStart,
  past?: LivePast,
): { running?: Running; error?: Error } {
  const make = useLiveMaker();
  const [begun, setBegun] = useState<Begun>({ told: [] });
  const [frames] = useState(createFrames);
  const shown = useRef("");

  useEffect(() => {
    const live = make();
    let layout: LiveInfo["layout"] | undefined;
    let over = false;
    let first: Float64Array | undefined;
    const frame = (numbers: Float64Array) => {
      if (over) return;
      // The first comes before it is known how to read it.
      if (!layout) {
        first = numbers;
        return;
      }
      const now = readFrame(layout, numbers);
      frames.take(now);
      const lamps = lampsOf(now);
      const text = JSON.stringify(lamps);
      if (text === shown.current) return;
      shown.current = text;
      setBegun((before) => ({ ...before, lamps }));
    };
    const news = (next: LiveNews) => {
      if (!over)
        setBegun((before) => ({
          ...before,
          news: next,
          told: [...before.told, ...next.told].slice(-mostTold),
        }));
    };
    live.begin(given, start, { frame, news }, past).then(
      (info) => {
        layout = info.layout;
        if (first) frame(first);
        if (!over) setBegun((before) => ({ ...before, host: live, info }));
      },
      (error: Error) => !over && setBegun((before) => ({ ...before, error })),
    );
    return () => {
      over = true;
      void live.end();
    };
  }, [make, given, start, past, frames]);

  const { host, info, news, lamps, told, error } = begun;
  if (!host || !info || !news || !lamps) return error ? { error } : {};
  const does = (act: LiveAct) => void host.does(act);
  return { running: { host, info, news, lamps, told, watch: frames.watch, points: frames.points, does } };
}

/** Draws each frame by `draw`, for as long as it is there. */
export function useFrames(watch: Watch, draw: (frame: Frame) => void): void {
  const newest = useRef(draw);
  useEffect(() => {
    newest.current = draw;
  });
  useEffect(() => watch((frame) => newest.current(frame)), [watch]);
}
