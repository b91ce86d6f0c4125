import {
  bankText,
  clockBeside,
  clockText,
  controlName,
  displayPositions,
  entryName,
  nearestText,
  readBank,
  readClock,
} from "@anvilcloud/core";
import { useEffect, useRef, useState } from "react";
import { styled } from "styled-components";
import { BoardFace, layerView, TurnDial } from "../../../bench/index.ts";
import { useHighlight, useJobBench } from "../../../data/index.ts";
import { color, space } from "../../../theme/index.ts";
import { Button, Heading, Panel, Quiet, Row, Segments, SubHeading, Toggle } from "../../../ui/index.ts";
import { Typed } from "./typed.tsx";
import { useEntry, type Entered } from "./use-entry.ts";

const Face = styled.div`
  border-radius: 6px;
  overflow: hidden;
  background: ${color.sunk};
  margin: ${space.m} 0;
  [data-part^="switch"],
  [data-part^="slide"],
  [data-part^="jumper"],
  [data-part^="link"] {
    cursor: pointer;
  }
`;

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 190px), 1fr));
  gap: ${space.s} ${space.m};
  align-items: start;
  margin-bottom: ${space.m};
`;

/** Where everything stands, entered on the face itself: tapped, dragged, typed, or by keys alone. */
export function FaceEntry({ entered }: { entered: Entered }) {
  const { plan } = useJobBench();
  const { pickWith } = useHighlight();
  const entry = useEntry(entered);
  const { board, positions, links, note, count, closed } = entry;
  const { press } = entry;

  // What is pressed goes on from where it stands by then.
  const latest = useRef(press);
  useEffect(() => {
    latest.current = press;
  });
  useEffect(() => {
    if (!closed) pickWith((subject) => latest.current(subject));
    return () => pickWith(undefined);
  }, [pickWith, closed]);

  const view = layerView(plan, "found");
  const drawn = {
    ...view,
    cores: [],
    lamps: {},
    display: "",
    state: { ...view.state, positions, links: links as typeof view.state.links },
  };
  return (
    <div>
      <Quiet>
        {entry.survey
          ? "Note what you see before anything is moved: each change is saved as it is made."
          : "What differs from what is known is kept as one entry of the log, when you say so."}{" "}
        Tap a switch, a slide, a jumper or a link; drag a dial, or type it. By keys: arrows walk, Enter moves
        on, + and − turn a dial.
      </Quiet>
      {entry.survey && (
        <Toggle
          label="Everything stands here as it was found"
          value={entry.noted}
          onChange={(noted) => void entry.keep(noted)}
        />
      )}
      <Face>
        <TurnDial value={closed ? undefined : (id, clock) => note("dials", { [id]: clock })}>
          <BoardFace
            view={drawn}
            numbers={{}}
            bare
            label={`${board.name}, ${entered === "found" ? "as found" : "as left"}`}
          />
        </TurnDial>
      </Face>
      {board.dips.length > 0 && <SubHeading>Banks, 1 for on</SubHeading>}
      <Fields>
        {board.dips.map((dip) => (
          <Typed
            key={dip.id}
            label={`${dip.id}1 to ${dip.id}${dip.delivered.length}`}
            value={bankText(dip, positions.switches)}
            hint={`${dip.delivered.length} levers, from the first`}
            read={(typed) => readBank(dip, typed)}
            expected={() => `${dip.delivered.length} times 0 or 1`}
            onRead={(to) => note("switches", to)}
          />
        ))}
      </Fields>
      {board.dials.length > 0 && <SubHeading>Dials</SubHeading>}
      <Fields>
        {board.dials.map((dial) => (
          <Typed
            key={dial.id}
            label={controlName(dial)}
            value={clockText(positions.dials[dial.id] ?? dial.delivered, dial.sweep)}
            hint={`${dial.sweep.from} to ${dial.sweep.to}, or a part of it in %`}
            read={(typed) => readClock(typed.replace(/,.*$/, ""), dial.sweep)}
            expected={() => `a time from ${dial.sweep.from} to ${dial.sweep.to}, or 0 to 100 %`}
            beside={(by) => clockBeside(positions.dials[dial.id] ?? dial.delivered, dial.sweep, by)}
            onRead={(to) => note("dials", { [dial.id]: to })}
          />
        ))}
      </Fields>
      {entry.values.length > 0 && <SubHeading>Menu values</SubHeading>}
      <Fields>
        {entry.values.map(({ item, delivered }) => {
          const all = displayPositions(item);
          const shown = positions.values[item.id] ?? delivered;
          return (
            <Typed
              key={item.id}
              label={entryName(item)}
              value={shown}
              hint={all.length > 6 ? `${all[0]} to ${all.at(-1)}` : all.join(", ")}
              read={(typed) =>
                all.find((each) => each.toLowerCase() === typed.trim().replace(",", ".").toLowerCase())
              }
              expected={(typed) => nearestText(all, typed)}
              beside={(by) => all[all.indexOf(shown) + by]}
              onRead={(to) => note("values", { [item.id]: to })}
            />
          );
        })}
      </Fields>
      {!entry.survey && (
        <Row>
          <Button
            $kind="filled"
            isDisabled={closed || (entered === "left" && !count)}
            onPress={() => void entry.keep(entered === "found")}
          >
            {entered === "found"
              ? count
                ? `Keep as found: ${count} differ`
                : "Everything stands as it was left"
              : `Keep as left: ${count} changed`}
          </Button>
          {count > 0 && (
            <Button $kind="quiet" onPress={entry.drop}>
              Drop them
            </Button>
          )}
        </Row>
      )}
    </div>
  );
}

const modes = [
  { id: "found", text: "As found" },
  { id: "left", text: "As left" },
] as const;

/** The same as a panel of its own, with the choice of what is entered. */
export function EntryPanel() {
  const [entered, setEntered] = useState<Entered>("found");
  return (
    <Panel aria-label="Entered on the face">
      <Row style={{ justifyContent: "space-between" }}>
        <Heading>On the face</Heading>
        <Segments label="What is entered" value={entered} onChange={setEntered} options={modes} />
      </Row>
      <FaceEntry key={entered} entered={entered} />
    </Panel>
  );
}
