import {
  conductorText,
  quantityText,
  seatText,
  terminalIn,
  type Core,
  type Step,
  type Subject,
} from "@anvilcloud/core";
import { useMemo } from "react";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, coreColour } from "../../theme/index.ts";
import { DataTable, Mark, Quiet, useUnits, type Column } from "../../ui/index.ts";
import { litRow } from "../shared/lit-row.tsx";

const Swatch = styled.i<{ $colour: Core["colour"] }>`
  display: inline-block;
  width: 26px;
  height: 10px;
  margin-right: 8px;
  border: 1px solid ${color.ink};
  border-radius: 5px;
  print-color-adjust: exact;
  background: ${({ $colour }) =>
    $colour === "GNYE"
      ? `repeating-linear-gradient(90deg, ${coreColour.GN} 0 5px, ${coreColour.YE} 5px 10px)`
      : coreColour[$colour]};
`;

/** A core's colour, drawn and by its two-letter code. */
export function CoreMark({ colour }: { colour: Core["colour"] }) {
  return (
    <Mark>
      <Swatch $colour={colour} aria-hidden />
      {colour}
    </Mark>
  );
}

const subjectsOf = ({ device, to }: Core): Subject[] => {
  const terminal = terminalIn(to);
  return [
    ...(device === undefined ? [] : [{ kind: "device" as const, id: device }]),
    ...(terminal === undefined ? [] : [{ kind: "terminal" as const, id: terminal }]),
  ];
};

const CoreRow = litRow(subjectsOf);

/** The cable a core lies in, as the head of its group names it. */
function CableHead({ cores }: { cores: readonly Core[] }) {
  const { plan } = useJobBench();
  const units = useUnits();
  const [first] = cores;
  if (!first) return null;
  const device = plan.wiring.devices.find(({ id }) => id === first.device);
  const part = device?.profile.parts.find(({ id }) => id === first.part)?.label;
  const { cable } = first;
  return (
    <span>
      {first.deviceName}
      {part && device.profile.parts.length > 1 ? `, ${part}` : ""}
      {cable && (
        <Quiet as="span">
          {" "}
          · {quantityText(cable.lengthM, "m", units)} · {conductorText(cable.sizeMm2, units)}
          {cable.run ? ` · in ${cable.run}` : ""}
        </Quiet>
      )}
    </span>
  );
}

const groupOf = ({ deviceName, part }: Core) => `${deviceName} ${part}`;
const keyOf = ({ id }: Core) => id;

/** Cores with their colour and terminal; a long list by cable, with what each is for. */
export function CoreTable({
  cores,
  long = false,
  label,
}: {
  cores: readonly Core[];
  long?: boolean;
  label: string;
}) {
  const { plan } = useJobBench();
  const { devices } = plan.wiring;
  // Where cores go to other devices, those are named, and not a terminal alone.
  const wordy = cores.some(({ to }) => to.kind === "pin");
  const columns = useMemo((): Column<Core>[] => {
    const to = (core: Core) => seatText(core.to, devices);
    return [
      {
        id: "pin",
        head: "Pin",
        cell: ({ pinLabel }) => pinLabel,
        by: ({ pinLabel }) => pinLabel,
        phone: "first",
      },
      {
        id: "core",
        head: "Core",
        cell: ({ colour }) => <CoreMark colour={colour} />,
        by: ({ colour }) => colour,
        phone: "bare",
      },
      {
        id: "to",
        head: "To",
        cell: (core) =>
          core.to.kind === "pin" ? (
            <b>{to(core)}</b>
          ) : (
            <Mark style={{ whiteSpace: "normal" }}>{to(core)}</Mark>
          ),
        by: to,
        ...(wordy ? { width: "28%" } : {}),
        phone: "end",
      },
      ...(long
        ? [
            {
              id: "why",
              head: "For",
              cell: ({ why }: Core) => <Quiet as="span">{why}</Quiet>,
              width: wordy ? "40%" : "46%",
              phone: "below" as const,
            },
          ]
        : []),
    ];
  }, [devices, long, wordy]);
  const group = useMemo(
    () => (long ? { of: groupOf, head: (rows: readonly Core[]) => <CableHead cores={rows} /> } : undefined),
    [long],
  );
  return (
    <DataTable
      label={label}
      rows={cores}
      columns={columns}
      rowKey={keyOf}
      frame={CoreRow}
      {...(group ? { group } : {})}
    />
  );
}

/** The cores of a wiring step. */
export function StepCores({ step }: { step: Step }) {
  const { plan } = useJobBench();
  if (!step.cores) return null;
  return (
    <CoreTable
      cores={plan.wiring.cores.filter((core) => step.cores?.includes(core.id))}
      label="Cores of this step"
    />
  );
}
