import {
  partKey,
  plainNumber,
  supplyPart,
  supplyWords,
  type PartKey,
  type Readings as Read,
} from "@anvilcloud/core";
import { useJobBench, useLights } from "../../data/index.ts";
import { Heading, Panel, Quiet, Scroll, Table } from "../../ui/index.ts";

interface RowProps {
  name: string;
  subject: { kind: "input" | "device"; id: string };
  now: string;
  planned: string;
}

function ReadingRow({ name, subject, now, planned }: RowProps) {
  const lights = useLights([subject]);
  return (
    <tr {...lights} data-changed={now !== planned}>
      <td>{name}</td>
      <td>{now === planned ? now : <b>{now}</b>}</td>
      <td>{planned}</td>
    </tr>
  );
}

const inputText = (read: Read, id: string) => {
  const input = read.inputs[id];
  return input ? `${input.reads}, ${plainNumber(input.volts)} V` : "";
};

const supplyText = (read: Read, key: PartKey) => {
  const state = read.supplies[key];
  return state ? `${supplyWords[state]}, ${plainNumber(read.volts[key] ?? 0)} V` : "";
};

/** How every input and device stands with power on, as it is wired now and as it is planned. */
export function Readings() {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const { now, planned } = plan.asWired;
  return (
    <Panel>
      <Heading>What every input and device makes of it</Heading>
      <Quiet>
        At rest, someone at the board, with power on and the rest of the wiring done as planned; nothing
        tripped.
      </Quiet>
      <Scroll>
        <Table aria-label="Inputs and devices as wired">
          <thead>
            <tr>
              <th>Input or device</th>
              <th>As wired</th>
              <th>As planned</th>
            </tr>
          </thead>
          <tbody>
            {board.inputs.map((input) => (
              <ReadingRow
                key={input.id}
                name={`${input.label} (${input.terminal})`}
                subject={{ kind: "input", id: input.id }}
                now={inputText(now, input.id)}
                planned={inputText(planned, input.id)}
              />
            ))}
            {plan.wiring.devices.flatMap((device) =>
              device.profile.supplies.map((supply) => {
                const key = partKey(supplyPart(device.id, supply.id));
                return (
                  <ReadingRow
                    key={key}
                    name={`${device.name}, ${supply.id}`}
                    subject={{ kind: "device", id: device.id }}
                    now={supplyText(now, key)}
                    planned={supplyText(planned, key)}
                  />
                );
              }),
            )}
          </tbody>
        </Table>
      </Scroll>
    </Panel>
  );
}
