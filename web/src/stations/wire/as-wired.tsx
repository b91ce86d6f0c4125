import { coreColours, type CoreColour } from "@anvilcloud/core";
import { Crosshair } from "lucide-react";
import { useEffect, useState } from "react";
import { styled } from "styled-components";
import { useHighlight } from "../../data/index.ts";
import { space } from "../../theme/index.ts";
import { Button, Choice, Heading, Panel, Quiet, Row } from "../../ui/index.ts";
import { Differences } from "./differences.tsx";
import { Readings } from "./readings.tsx";
import { useCores } from "./use-cores.ts";
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
  const [pin, setPin] = useState<string>();
  const [place, setPlace] = useState<string>();
  const core = cores.find((each) => each.pin === pin);
  const terminal = place?.startsWith("board/") ? place.slice("board/".length) : undefined;

  // A core or a terminal pressed on the bench stays picked no longer than this form is open.
  useEffect(() => () => pickWith(undefined), [pickWith]);

  function choose(next: string) {
    const chosen = cores.find((each) => each.pin === next);
    setPin(next);
    setPlace(chosen?.planned?.to);
    if (chosen) keep([{ kind: "device", id: chosen.device }]);
  }

  const pickPlace = () =>
    pick
      ? pickWith(undefined)
      : pickWith((subject) => {
          if (subject.kind !== "terminal") return;
          setPlace(`board/${subject.id}`);
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
          value={pin}
          onChange={choose}
          placeholder="choose a core"
          options={cores.map(({ pin: id, text }) => ({ id, text }))}
        />
        <Choice
          label="Sits on"
          value={place}
          onChange={setPlace}
          placeholder="choose a place"
          options={places}
        />
        <Choice
          label="Colour found"
          value={core?.colour}
          onChange={(next: CoreColour) => core && colour(core.device, core.pinId, next)}
          options={colours}
        />
      </Fields>
      <Row>
        <Button
          $kind="filled"
          isDisabled={!core || !place}
          onPress={() => core && place && note([{ pin: core.pin, to: place }])}
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
          onPress={() => core && terminal && want(core.device, core.pinId, terminal)}
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
      <NoteCore />
      <Differences />
      <Wishes />
      <Readings />
    </>
  );
}
