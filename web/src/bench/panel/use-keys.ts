import {
  actsAfter,
  brainDoes,
  faceOf,
  keyDown,
  keyUp,
  nextSeconds,
  pressesInRow,
  shortestHold,
  waits,
  type Brain,
  type Gesture,
} from "@anvilcloud/core";
import { useEffect, useRef, useState } from "react";

/** So long a further press is waited for where several in a row mean something of their own, ms. */
const untilNextPress = 450;
/** How often time passes at the board, ms. */
const tickMs = 200;
type Timer = ReturnType<typeof setTimeout>;

/** A board's keys and display in real time, without what it moves. */
export function useKeys(begin: () => Brain) {
  const [brain] = useState(() => Object.assign(begin(), { live: true }));
  const [display, setDisplay] = useState(() => faceOf(brain).display);
  const presses = useRef<{ key: string; times: number; timer: Timer }>(undefined);
  const held = useRef<{ key: string; moves: boolean; acted: boolean; timer?: Timer }>(undefined);

  /** Does something at the board, and looks what it shows. */
  function does(act: () => void) {
    act();
    setDisplay(faceOf(brain).display);
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

  return { brain, display, made, down, up };
}
