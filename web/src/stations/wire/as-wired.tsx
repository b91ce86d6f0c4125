import { coreColours, terminalIn, terminalNode, type CoreColour } from "@anvilcloud/core";
import { Crosshair } from "lucide-react";
import { useEffect, useState } from "react";
import { styled } from "styled-components";
import { useHighlight } from "../../data/index.ts";
import { space } from "../../theme/index.ts";
import { Button, Choice, Heading, Panel, Quiet, Row } from "../../ui/index.ts";
import { Editable } from "../shared/editable.tsx";
import { Differences } from "./differences.tsx";
import { Readings } from "./readings.tsx";
import { seatId, useCores } from "./use-cores.ts";
import { Wishes } from "./wishes.tsx";

const Fields = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 230px), 1fr));
  gap: ${space.s} ${space.m};
  align-items: end;
  margin: ${space.m} 0;
`;

const colours = coreColours.map((id) => ({ id, text: id }));

/** Pick a core, pick where it sits: noted, its colour found, or wanted there in the plan. */
function NoteCore() {
  const { cores, places, note, want, colour } = useCores();
  const { pick, pickWith, keep } = useHighlight();
  const [coreId, setCoreId] = useState<string>();
  const [placeId, setPlaceId] = useState<string>();
  const core = cores.find((each) => each.id === coreId);
  const place = places.find((each) => each.id === placeId);
  const terminal = terminalIn(place?.seat);

  // A core or a terminal pressed on the bench stays picked no longer than this form is open.
  useEffect(() => () => pickWith(undefined), [pickWith]);

  function choose(next: string) {
    const chosen = cores.find((each) => each.id === next);
    setCoreId(next);
    setPlaceId(chosen?.planned && seatId(chosen.planned.to));
    if (chosen) keep([{ kind: "device", id: chosen.pin.device }]);
  }

  const pickPlace = () =>
    pick
      ? pickWith(undefined)
      : pickWith((subject) => {
          if (subject.kind !== "terminal") return;
          setPlaceId(seatId(terminalNode(subject.id)));
          pickWith(undefined);
        });

  return (
    <Panel>
      <Heading>Where a core really sits</Heading>
      <Quiet>
        Pick a core, then the place it was found on: from the list, or on the drawing, where Enter picks the
        terminal in hand.
      </Quiet>
      <Fields>
        <Choice
          label="Core"
          value={coreId}
          onChange={choose}
          placeholder="choose a core"
          options={cores.map(({ id, text }) => ({ id, text }))}
        />
        <Choice
          label="Sits on"
          value={placeId}
          onChange={setPlaceId}
          placeholder="choose a place"
          options={places.map(({ id, text }) => ({ id, text }))}
        />
        <Choice
          label="Colour found"
          value={core?.colour}
          onChange={(next: CoreColour) => core && colour(core.pin.device, core.pin.pin, next)}
          options={colours}
        />
      </Fields>
      <Row>
        <Button
          $kind="filled"
          isDisabled={!core || !place}
          onPress={() => core && place && note([{ pin: core.pin, to: place.seat }])}
        >
          It sits here
        </Button>
        <Button $kind="outlined" isDisabled={!core} onPress={pickPlace} aria-pressed={!!pick}>
          <Crosshair size={20} aria-hidden />{" "}
          {pick ? "Press a terminal on the drawing" : "Pick on the drawing"}
        </Button>
        <Button
          $kind="outlined"
          isDisabled={!core?.planned || !terminal}
          onPress={() => core && terminal && want(core.pin.device, core.pin.pin, terminal)}
        >
          Plan it here
        </Button>
      </Row>
    </Panel>
  );
}

/** The wiring as it was found: where cores sit, what that does, and whose wiring counts. */
export function AsWired() {
  return (
    <>
      <Editable>
        <NoteCore />
        <Differences />
        <Wishes />
      </Editable>
      <Readings />
    </>
  );
}
