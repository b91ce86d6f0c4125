import { nodeKey, terminalIn, type Difference } from "@anvilcloud/core";
import { styled } from "styled-components";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, space } from "../../theme/index.ts";
import { Button, Heading, Mark, Panel, Quiet, Row } from "../../ui/index.ts";
import { useCores } from "./use-cores.ts";

const Item = styled.li`
  display: grid;
  gap: ${space.s};
  padding: ${space.m} 0;
  border-top: 1px solid ${color.line};
  &[data-lit="true"] {
    background: ${color.accentSoft};
  }
`;

function DifferenceItem({ difference, effect }: { difference: Difference; effect: string }) {
  const { note, want } = useCores();
  const { deviceName, core, foundText, plannedText, planned, found, pin } = difference;
  const terminal = terminalIn(found);
  const lights = useLights([
    { kind: "device", id: pin.device },
    ...(terminal ? [{ kind: "terminal" as const, id: terminal }] : []),
  ]);
  return (
    <Item {...lights}>
      <p>
        <b>{core}</b> of {deviceName} sits on <Mark>{foundText}</Mark>, planned on <Mark>{plannedText}</Mark>
      </p>
      <Quiet>{effect}</Quiet>
      <Row>
        <Button $kind="filled" onPress={() => note([{ pin, to: planned?.to ?? "off" }])}>
          Put on {plannedText}, as planned
        </Button>
        <Button
          $kind="outlined"
          isDisabled={!planned || !terminal}
          onPress={() => terminal && want(pin.device, pin.pin, terminal)}
        >
          Keep it on {foundText}
        </Button>
      </Row>
    </Item>
  );
}

/** Every core that sits elsewhere than planned, what that does, and the choice between the plan and what was found. */
export function Differences() {
  const { plan } = useJobBench();
  const found = plan.asWired.differences;
  return (
    <Panel>
      <Heading>Differences to the plan</Heading>
      {found.length === 0 && <Quiet>Every core noted sits where it is planned.</Quiet>}
      <ul aria-label="Differences to the plan">
        {found.map((difference) => (
          <DifferenceItem key={nodeKey(difference.pin)} difference={difference} effect={difference.effect} />
        ))}
      </ul>
    </Panel>
  );
}
