import {
  partKey,
  plainNumber,
  supplyPart,
  supplyWords,
  type PartKey,
  type Readings as Read,
  type Subject,
} from "@anvilcloud/core";
import { useJobBench } from "../../data/index.ts";
import { DataTable, Heading, Panel, Quiet, type Column } from "../../ui/index.ts";
import { litRow } from "../shared/lit-row.tsx";

interface Reading {
  id: string;
  name: string;
  subject: Subject;
  now: string;
  planned: string;
}

const differs = ({ now, planned }: Reading) => now !== planned;
const ReadingRow = litRow<Reading>(({ subject }) => [subject], differs);

const columns: Column<Reading>[] = [
  { id: "name", head: "Input or device", cell: ({ name }) => name, by: ({ name }) => name, phone: "below" },
  {
    id: "now",
    head: "As wired",
    cell: (reading) => (differs(reading) ? <b>{reading.now}</b> : reading.now),
    by: ({ now }) => now,
    phone: "first",
  },
  {
    id: "planned",
    head: "As planned",
    cell: ({ planned }) => planned,
    by: ({ planned }) => planned,
    phone: "end",
  },
];

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
  const readings: Reading[] = [
    ...board.inputs.map((input) => ({
      id: `input ${input.id}`,
      name: `${input.label} (${input.terminal})`,
      subject: { kind: "input" as const, id: input.id },
      now: inputText(now, input.id),
      planned: inputText(planned, input.id),
    })),
    ...plan.wiring.devices.flatMap((device) =>
      device.profile.supplies.map((supply) => {
        const key = partKey(supplyPart(device.id, supply.id));
        return {
          id: `supply ${key}`,
          name: `${device.name}, ${supply.id}`,
          subject: { kind: "device" as const, id: device.id },
          now: supplyText(now, key),
          planned: supplyText(planned, key),
        };
      }),
    ),
  ];
  return (
    <Panel>
      <Heading>What every input and device makes of it</Heading>
      <Quiet>
        At rest, someone at the board, with power on and the rest of the wiring done as planned; nothing
        tripped.
      </Quiet>
      <DataTable
        label="Inputs and devices as wired"
        rows={readings}
        columns={columns}
        rowKey={({ id }) => id}
        frame={ReadingRow}
      />
    </Panel>
  );
}
