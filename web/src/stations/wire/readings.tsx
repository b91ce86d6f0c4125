import {
  installationOf,
  plainNumber,
  readCircuit,
  supplyWords,
  type Readings as Read,
} from "@anvilcloud/core";
import { useMemo } from "react";
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

const supplyText = (read: Read, id: string) => {
  const state = read.supplies[id];
  return state ? `${supplyWords[state]}, ${plainNumber(read.volts[id] ?? 0)} V` : "";
};

/** How every input and device stands with power on, as it is wired now and as it is planned. */
export function Readings() {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const [now, planned] = useMemo(() => {
    const links = Object.fromEntries(plan.wiring.links.map((link) => [link.id, link.planned]));
    const landed = plan.wiring.cores.map((core) => core.id);
    const found = { ...plan.ahead, landed, links, tripped: [] };
    return [found, { ...found, sits: {} }].map((state) =>
      readCircuit(installationOf(board, plan.wiring, { ...state, powered: true })),
    ) as [Read, Read];
  }, [board, plan.wiring, plan.ahead]);
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
                const id = `${device.id}/${supply.id}`;
                return (
                  <ReadingRow
                    key={id}
                    name={`${device.name}, ${supply.id}`}
                    subject={{ kind: "device", id: device.id }}
                    now={supplyText(now, id)}
                    planned={supplyText(planned, id)}
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
