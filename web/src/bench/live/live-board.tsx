import {
  arrange,
  brainAtRest,
  deliveredCards,
  heardBy,
  type BoardProfile,
  type Brain,
  type Gesture,
} from "@anvilcloud/core";
import { useEffect, useState, type ReactNode } from "react";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Button, Glass, Quiet, Row, Segments, SubHeading, Toggle } from "../../ui/index.ts";
import { LampMark } from "./lamp-mark.tsx";
import { sends, standingText } from "./sends.ts";
import { Keys, type Live } from "./keys.tsx";
import { useLiveBoard, type LiveShown } from "./use-live-board.ts";

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
  ol {
    min-height: 5.5em;
    font-size: ${size.small};
  }
`;

const moments = [
  { id: "new", text: "New" },
  { id: "learned", text: "Set up" },
] as const;

const remoteGesture = (sent: string): Gesture => ({
  remote: { sends: sent as "press", times: 1, says: "at the transmitter" },
});

/** Its keys, what it can hear, and time. */
function Handles({ live }: { live: Live }) {
  const { board } = live.brain;
  return (
    <>
      <Row>
        <Keys live={live} />
      </Row>
      <Row>
        {heardBy(board).map((sent) => (
          <Button key={sent} $kind="outlined" onPress={() => live.made(remoteGesture(sent))}>
            {sends[sent] ?? sent}
          </Button>
        ))}
        <Button $kind="outlined" onPress={live.letRun}>
          Let it run to its end
        </Button>
      </Row>
    </>
  );
}

/** Protections that can be tripped, and the supply that can be taken away. */
function Around({ live }: { live: Live }) {
  const { board } = live.brain;
  const falls = board.falls.length > 0;
  return (
    <Row>
      <Toggle label="Power" value={live.powered} onChange={(on) => live.made({ power: on ? "on" : "off" })} />
      {board.inputs
        .filter(({ guards }) => guards.length > 0)
        .map(({ id, label }) => (
          <Toggle
            key={id}
            label={`${label} tripped`}
            value={live.tripped.includes(id)}
            onChange={(to) => live.trip(id, to)}
          />
        ))}
      {falls && (
        <Toggle
          label="Mains lost"
          value={!live.mains}
          onChange={(lost) => live.made(lost ? { fails: "mains" } : { returns: "mains" })}
        />
      )}
    </Row>
  );
}

interface Props {
  begin: () => Brain;
  again?: (live: Live) => ReactNode;
  /** Told whenever the board shows something else, and of nothing once it is no longer tried. */
  onShow: (shown: LiveShown | undefined) => void;
}

/** A board to be tried: its keys, its display and lamps, and what it does by itself, in real time. */
export function LiveBoard({ begin, again, onShow }: Props) {
  const live = useLiveBoard(begin);
  const { shown } = live;
  useEffect(() => onShow(shown), [shown, onShow]);
  useEffect(() => () => onShow(undefined), [onShow]);
  const { board } = live.brain;
  return (
    <Bench aria-label="The board, to be tried">
      <SubHeading>Try it</SubHeading>
      {again?.(live)}
      <Row>
        {board.display && (
          <Glass role="status" aria-label="Display">
            {live.display ? live.display.split("|").join("\n") : "—"}
          </Glass>
        )}
        {board.leaves > 0 && <strong>{standingText(board, live)}</strong>}
      </Row>
      <Row role="group" aria-label="Lamps">
        {board.lamps.map((lamp) => {
          const is = live.lamps[lamp.id] ?? "dark";
          return <LampMark key={lamp.id} lamp={lamp} is={is} look={live.looks[lamp.id]} />;
        })}
      </Row>
      <Handles live={live} />
      <Around live={live} />
      <ol aria-live="polite" aria-label="What happened">
        {live.said.map((text, at) => (
          <li key={`${at} ${text}`}>{text}</li>
        ))}
        {!live.said.length && <Quiet as="li">Press, or hold for as long as the profile says.</Quiet>}
      </ol>
    </Bench>
  );
}

/** A shipped board by itself, new or set up, in each of its firmwares. */
export function LiveProfile({ board: profile, onShow }: { board: BoardProfile; onShow: Props["onShow"] }) {
  const [moment, setMoment] = useState<(typeof moments)[number]["id"]>("new");
  const [firmware, setFirmware] = useState(profile.firmware.at(-1)!);
  const beginAt = (now: typeof moment, version: string): Brain => {
    const brain = brainAtRest(profile, {
      cards: deliveredCards(profile).length
        ? deliveredCards(profile)
        : profile.cards.slice(0, 1).map(({ id }) => id),
      firmware: version,
    });
    brain.power = true;
    if (now === "learned")
      arrange(
        brain,
        brain.board.memories.filter(({ holds }) => holds === "travel").map(({ id }) => ({ learned: id })),
      );
    return brain;
  };
  return (
    <LiveBoard
      begin={() => beginAt(moment, firmware)}
      onShow={onShow}
      again={(live) => (
        <Row>
          <Segments
            label="Moment"
            value={moment}
            onChange={(to) => {
              setMoment(to);
              live.again(beginAt(to, firmware));
            }}
            options={moments}
          />
          {profile.firmware.length > 1 && (
            <Segments
              label="Firmware"
              value={firmware}
              onChange={(to) => {
                setFirmware(to);
                live.again(beginAt(moment, to));
              }}
              options={profile.firmware.map((each) => ({ id: each, text: `Firmware ${each}` }))}
            />
          )}
        </Row>
      )}
    />
  );
}
