import {
  deliveredCards,
  entryAt,
  entryName,
  fitBoard,
  handlesOf,
  listed,
  menuValues,
  mostPresses,
  panelAfterEach,
  panelAlone,
  panelAtRest,
  panelShows,
  panelWaits,
  type BoardProfile,
  type Gesture,
  type PanelEvent,
  type PanelStep,
} from "@anvilcloud/core";
import { useEffect, useRef, useState } from "react";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Button, Glass, Quiet, Row, Segments, SubHeading } from "../../ui/index.ts";

const Bench = styled.section`
  display: grid;
  gap: ${space.m};
  padding: ${space.m};
  margin-bottom: ${space.l};
  background: ${color.sunk};
  border-radius: 8px;
  ${Glass} {
    min-width: 9ch;
    min-height: 1.9em;
    font-size: ${size.lead};
  }
`;

/** Shorter than this it is a press, longer a hold, s. */
const shortestHold = 0.6;
/** So long a further press is waited for where several in a row mean something of their own, ms. */
const untilNextPress = 450;

const moments = [
  { id: "new", text: "New" },
  { id: "learned", text: "Set up" },
] as const;

/** What an entry starts, as it is called: a program, or in a profile without one the procedure that tells of it. */
const startedText = ({ programs, procedures }: BoardProfile, id: string): string =>
  programs.find((each) => each.id === id)?.label ?? procedures.find((each) => each.id === id)?.title ?? id;

/** What came of a gesture, in a sentence. */
function eventText(board: BoardProfile, event: PanelEvent): string {
  const values = menuValues(board);
  const nameOf = (id: string) => {
    const item = values.find((each) => each.item.id === id)?.item;
    return item ? entryName(item) : id;
  };
  switch (event.kind) {
    case "opened":
      return `Opened ${board.panel!.menus.find(({ id }) => id === event.menu)!.label}.`;
    case "left":
      return "Outside of the menus.";
    case "kept":
      return `Kept: ${listed(Object.entries(event.values).map(([id, shows]) => `${nameOf(id)}: ${shows}`))}.`;
    case "reverted":
      return `Not saved, and as before: ${listed(event.items.map(nameOf))}.`;
    case "started":
      return `Starts: ${startedText(board, event.program)}.`;
    case "outside":
      return `Outside of the menus ${handlesOf(board)(event.key)} acts: ${board.keys.find(({ id }) => id === event.key)!.outside!}`;
  }
}

/** A key that is pressed or held, and tells for how long. */
function LiveKey({ label, onDone }: { label: string; onDone: (seconds: number) => void }) {
  const since = useRef<number>(undefined);
  const [held, setHeld] = useState(0);
  const [isDown, setDown] = useState(false);
  useEffect(() => {
    if (!isDown) return;
    const tick = setInterval(() => setHeld((performance.now() - since.current!) / 1_000), 100);
    return () => clearInterval(tick);
  }, [isDown]);
  return (
    <Button
      $kind="outlined"
      onPressStart={() => {
        since.current = performance.now();
        setHeld(0);
        setDown(true);
      }}
      onPressEnd={() => {
        setDown(false);
        onDone((performance.now() - since.current!) / 1_000);
      }}
    >
      {isDown && held >= shortestHold ? `${label} ${Math.floor(held)} s` : label}
    </Button>
  );
}

/** The keys and the display of a board, to be tried: pressed, held and turned as at the cabinet. */
export function LivePanel({ board: profile }: { board: BoardProfile }) {
  const [moment, setMoment] = useState<(typeof moments)[number]["id"]>("new");
  const [firmware, setFirmware] = useState(profile.firmware.at(-1)!);
  const board = fitBoard(profile, { cards: deliveredCards(profile), firmware });
  const [state, setState] = useState(() => panelAtRest(board));
  const [said, setSaid] = useState<string>();
  const presses = useRef<{ key: string; times: number; timer: ReturnType<typeof setTimeout> }>(undefined);

  // Presses that wait for another are made of whatever stands there then.
  const now = useRef(state);

  function take({ state: next, events }: PanelStep) {
    now.current = next;
    setState(next);
    if (events.length) setSaid(events.map((event) => eventText(board, event)).join(" "));
  }

  /** Makes the presses that wait for another, if any do, and then this gesture. */
  function made(gesture?: Gesture) {
    const { current: waiting } = presses;
    presses.current = undefined;
    if (waiting) clearTimeout(waiting.timer);
    const all: Gesture[] = waiting ? [{ press: { key: waiting.key, times: waiting.times } }] : [];
    if (gesture) all.push(gesture);
    take(panelAfterEach(board, panelAlone(moment === "learned"), now.current, all));
  }

  /** A press, or with those before it several in a row. */
  function pressed(key: string) {
    if (presses.current && presses.current.key !== key) made();
    const times = (presses.current?.times ?? 0) + 1;
    clearTimeout(presses.current?.timer);
    presses.current = undefined;
    if (times >= mostPresses(board, now.current, key)) made({ press: { key, times } });
    else presses.current = { key, times, timer: setTimeout(() => made(), untilNextPress) };
  }
  const done = (key: string) => (seconds: number) =>
    seconds < shortestHold ? pressed(key) : made({ hold: { key, seconds } });

  const { pauseSeconds, timeoutSeconds } = board.panel!;
  useEffect(() => {
    const waits = [pauseSeconds, timeoutSeconds].filter((seconds) => seconds !== undefined);
    const timers = waits.map((seconds) =>
      setTimeout(() => {
        const step = panelWaits(board, now.current, seconds);
        if (step.state !== now.current) take(step);
      }, seconds * 1_000),
    );
    return () => timers.forEach(clearTimeout);
    // Every key begins the time anew.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [state]);

  function again(change: () => void) {
    change();
    clearTimeout(presses.current?.timer);
    presses.current = undefined;
    take({ state: panelAtRest(board), events: [] });
    setSaid(undefined);
  }
  const item = entryAt(board, state);
  return (
    <Bench aria-label="Keys and display, to be tried">
      <SubHeading>Try the keys</SubHeading>
      <Row>
        <Segments label="Moment" value={moment} onChange={(to) => again(() => setMoment(to))} options={moments} />
        {profile.firmware.length > 1 && (
          <Segments
            label="Firmware"
            value={firmware}
            onChange={(to) => again(() => setFirmware(to))}
            options={profile.firmware.map((each) => ({ id: each, text: `Firmware ${each}` }))}
          />
        )}
      </Row>
      <Row>
        <Glass role="status" aria-label="Display">
          {(panelShows(board, state) ?? ["—"]).join("\n")}
        </Glass>
        <span>
          {item ? item.label : "outside of the menus"}
          {state.editing !== undefined && <Quiet>its value is being changed</Quiet>}
        </span>
      </Row>
      <Row>
        {board.keys.map(({ id, label, kind }) =>
          kind === "turn-and-press" ? (
            <Row key={id}>
              <Button $kind="outlined" onPress={() => made({ turn: { key: id, to: "left", clicks: 1 } })}>
                {label} ↺
              </Button>
              <LiveKey label={label} onDone={done(id)} />
              <Button $kind="outlined" onPress={() => made({ turn: { key: id, to: "right", clicks: 1 } })}>
                {label} ↻
              </Button>
            </Row>
          ) : (
            <LiveKey key={id} label={label} onDone={done(id)} />
          ),
        )}
      </Row>
      <Quiet aria-live="polite">{said ?? "Press, or hold for as long as the way in says below."}</Quiet>
    </Bench>
  );
}
