import type { LiveAct, Purpose } from "@anvilcloud/core";
import { styled } from "styled-components";
import { size, space } from "../../theme/index.ts";
import { Button, Row, Toggle } from "../../ui/index.ts";
import type { Running } from "./use-running.ts";

const Small = styled(Button)`
  padding: 0 ${space.m};
  font-size: ${size.small};
`;

type Comes = NonNullable<LiveAct["comes"]>;

/** Who can come, in the words of the buttons. */
const comers: readonly { text: string; comes: Comes }[] = [
  { text: "Walk in", comes: { is: "person", goes: "in" } },
  { text: "Walk out", comes: { is: "person", goes: "out" } },
  {
    text: "Stand in the way",
    comes: { is: "person", goes: "in", stands: { at: 0.2, seconds: 12 } },
  },
  { text: "Pass outside", comes: { is: "person", goes: "past" } },
  { text: "Drive in", comes: { is: "vehicle", goes: "in" } },
  { text: "Drive out", comes: { is: "vehicle", goes: "out" } },
];

/** Nobody drives through these. */
const forPeople: readonly Purpose[] = ["pedestrian-door", "rooflight", "window"];
/** Nobody walks through these. */
const forNobody: readonly Purpose[] = ["rooflight", "window"];

/** Who can come. */
export function Comers({ running: { does, info } }: { running: Running }) {
  const { purpose } = info.board;
  if (forNobody.includes(purpose)) return null;
  return (
    <Row role="group" aria-label="Who comes">
      {comers
        .filter(({ comes: { is } }) => is === "person" || !forPeople.includes(purpose))
        .map(({ text, comes }) => (
          <Small key={text} $kind="outlined" onPress={() => does({ comes })}>
            {text}
          </Small>
        ))}
    </Row>
  );
}

/** Where someone brings the leaves by hand, their drives released. */
const hands = [
  { text: "Closed", at: "closed" },
  { text: "Half-way", at: "middle" },
  { text: "Open", at: "open" },
] as const;

/** Leaves that are brought somewhere by hand, or with the crank or chain of a door. */
export function ByHand({ running: { does } }: { running: Running }) {
  return (
    <Row role="group" aria-label="By hand">
      {hands.map(({ text, at }) => (
        <Small key={at} $kind="outlined" onPress={() => does({ do: { place: { at, by: "hand" } } })}>
          {text} by hand
        </Small>
      ))}
    </Row>
  );
}

/** The supply, and the inputs at their terminals. */
export function Around({ running }: { running: Running }) {
  const { info, news, lamps, does } = running;
  const { board } = info;
  return (
    <Row role="group" aria-label="Supply and inputs">
      <Toggle
        label="Power"
        value={news.powered}
        onChange={(on) => does({ do: { power: on ? "on" : "off" } })}
      />
      {board.falls.length > 0 && (
        <Toggle
          label="Mains lost"
          value={!news.mains}
          onChange={(lost) => does({ do: lost ? { fails: "mains" } : { returns: "mains" } })}
        />
      )}
      {board.inputs
        .filter(({ takes }) => !takes.some((duty) => duty.startsWith("limit") || duty === "encoder"))
        .map(({ id, label }) => (
          <Toggle
            key={id}
            label={label}
            value={lamps.tripped.includes(id)}
            onChange={(worked) => does({ works: { input: id, worked } })}
          />
        ))}
    </Row>
  );
}
