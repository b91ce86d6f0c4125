import {
  actsAfter,
  brainDoes,
  faceOf,
  keyDown,
  keyUp,
  nextSeconds,
  placeOf,
  pressesInRow,
  setTripped,
  settles,
  shortestHold,
  told,
  waits,
  type Brain,
  type Gesture,
} from "@anvilcloud/core";
import { useEffect, useRef, useState } from "react";

/** So long a further press is waited for where several in a row mean something of their own, ms. */
const untilNextPress = 450;
/** How often time passes at the board, ms. */
const tickMs = 200;
/** Sentences that are kept of what happened. */
const mostSaid = 6;

const lookAt = (brain: Brain) => ({
  ...faceOf(brain),
  place: placeOf(brain),
  toward: brain.run?.toward,
  powered: brain.power,
  mains: brain.mains,
  battery: brain.battery,
  tripped: [...brain.tripped],
  positions: brain.positions,
});

/** What a running board shows just now. */
export type LiveShown = ReturnType<typeof lookAt>;

type Timer = ReturnType<typeof setTimeout>;

/** A board that runs in real time: what it shows, what happened, and what can be done with it. */
export function useLiveBoard(begin: () => Brain) {
  const [brain, setBrain] = useState(() => Object.assign(begin(), { live: true }));
  const [shown, setShown] = useState(() => lookAt(brain));
  const [said, setSaid] = useState<readonly string[]>([]);
  const presses = useRef<{ key: string; times: number; timer: Timer }>(undefined);
  const held = useRef<{ key: string; moves: boolean; acted: boolean; timer?: Timer }>(undefined);

  /** Does something at the board, and tells what came of it. */
  function does(act: () => void) {
    const texts = told(brain, act);
    if (texts.length) setSaid((before) => [...before, ...texts].slice(-mostSaid));
    setShown(lookAt(brain));
  }

  useEffect(() => {
    const tick = setInterval(() => {
      if (Number.isFinite(nextSeconds(brain)) || brain.panel.path.length)
        does(() => waits(brain, tickMs / 1_000));
    }, tickMs);
    return () => clearInterval(tick);
    // What is done is done at this board.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [brain]);

  /** Makes the presses that wait for another, if any do, and then this gesture. */
  function made(gesture?: Gesture) {
    const { current: waiting } = presses;
    presses.current = undefined;
    if (waiting) clearTimeout(waiting.timer);
    does(() => {
      if (waiting) brainDoes(brain, { press: { key: waiting.key, times: waiting.times } });
      if (gesture) brainDoes(brain, gesture);
    });
  }

  /** A press, or with those before it several in a row. */
  function pressed(key: string) {
    if (presses.current && presses.current.key !== key) made();
    const times = (presses.current?.times ?? 0) + 1;
    clearTimeout(presses.current?.timer);
    presses.current = undefined;
    if (times >= pressesInRow(brain, key)) made({ press: { key, times } });
    else presses.current = { key, times, timer: setTimeout(() => made(), untilNextPress) };
  }

  function down(key: string) {
    const after = actsAfter(brain, key);
    const state = { key, moves: false, acted: false };
    does(() => (state.moves = keyDown(brain, key)));
    held.current = state;
    if (after === undefined) return;
    const act = () => {
      state.acted = true;
      made({ hold: { key, seconds: after } });
    };
    held.current = Object.assign(state, { timer: setTimeout(act, after * 1_000) });
  }

  function up(key: string, seconds: number) {
    const { current: now } = held;
    held.current = undefined;
    clearTimeout(now?.timer);
    does(() => keyUp(brain));
    if (now?.moves || now?.acted) return;
    if (seconds < shortestHold) pressed(key);
    else made({ hold: { key, seconds } });
  }

  return {
    ...shown,
    shown,
    brain,
    said,
    made,
    down,
    up,
    trip: (input: string, to: boolean) => does(() => setTripped(brain, input, to)),
    letRun: () => does(() => settles(brain)),
    again: (next: Brain) => {
      clearTimeout(presses.current?.timer);
      clearTimeout(held.current?.timer);
      presses.current = undefined;
      setBrain(Object.assign(next, { live: true }));
      setSaid([]);
      setShown(lookAt(next));
    },
  };
}
