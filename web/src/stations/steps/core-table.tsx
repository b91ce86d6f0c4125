import type { Core, Step } from "@anvilcloud/core";
import { plainNumber, seatText, terminalIn } from "@anvilcloud/core";
import { Fragment } from "react";
import { styled } from "styled-components";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, coreColour } from "../../theme/index.ts";
import { Mark, Scroll, Table } from "../../ui/index.ts";

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

function CoreRow({ core, long }: { core: Core; long: boolean }) {
  const { plan } = useJobBench();
  const terminal = terminalIn(core.to);
  const lights = useLights([
    ...(core.device === undefined ? [] : [{ kind: "device" as const, id: core.device }]),
    ...(terminal === undefined ? [] : [{ kind: "terminal" as const, id: terminal }]),
  ]);
  return (
    <tr {...lights}>
      {long && <td>{core.deviceName}</td>}
      <td>{core.pinLabel}</td>
      <td>
        <CoreMark colour={core.colour} />
      </td>
      <td>
        <Mark>{seatText(core.to, plan.wiring.devices)}</Mark>
      </td>
      {long && (
        <td data-number>
          {core.cable
            ? `${plainNumber(core.cable.lengthM)} m · ${plainNumber(core.cable.sizeMm2, 2)} mm²`
            : ""}
        </td>
      )}
      {long && <td>{core.why}</td>}
    </tr>
  );
}

/** Cores with their colour and terminal. */
export function CoreTable({
  cores,
  long = false,
  label,
}: {
  cores: readonly Core[];
  long?: boolean;
  label: string;
}) {
  const Frame = long ? Scroll : Fragment;
  return (
    <Frame>
      <Table aria-label={label} style={{ minWidth: long ? "40rem" : undefined }}>
        <thead>
          <tr>
            {long && <th>Device</th>}
            <th>Pin</th>
            <th>Core</th>
            <th>To</th>
            {long && <th data-number>Cable</th>}
            {long && <th>For</th>}
          </tr>
        </thead>
        <tbody>
          {cores.map((core) => (
            <CoreRow key={core.id} core={core} long={long} />
          ))}
        </tbody>
      </Table>
    </Frame>
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
