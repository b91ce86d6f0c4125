import {
  allowanceM,
  billOf,
  conductorSizesMm2,
  cutStepM,
  plainNumber,
  type CablePlan,
} from "@anvilcloud/core";
import { Download } from "lucide-react";
import { useState } from "react";
import { saveText } from "../../bench/index.ts";
import { useJobBench, useLights } from "../../data/index.ts";
import { Button, Heading, Panel, Quiet, Row, Scroll, Table, TextInput } from "../../ui/index.ts";
import { Editable } from "../shared/editable.tsx";
import { cablesCsv } from "./wire-csv.ts";

/** The name of the run a cable shares, taken over when the field is left. */
function RunField({ cable, rename }: { cable: CablePlan; rename: (run: string) => void }) {
  const known = cable.run ?? "";
  const [run, setRun] = useState(known);
  return (
    <TextInput
      label={`Run that ${cable.label} shares`}
      hideLabel
      value={run}
      onChange={setRun}
      onBlur={() => run.trim() !== known && rename(run)}
      placeholder="its own"
    />
  );
}

function CableRow({ cable }: { cable: CablePlan }) {
  const { change } = useJobBench();
  const lights = useLights([
    { kind: "cable", id: cable.id },
    ...cable.ends.map((end) => ({ kind: "device" as const, id: end.device })),
  ]);
  const thin = cable.enoughMm2 === undefined || cable.enoughMm2 > cable.sizeMm2;
  const needs = cable.enoughMm2 === undefined ? "none is enough" : `needs ${plainNumber(cable.enoughMm2, 2)}`;
  const rename = (run: string) =>
    change({
      kind: "run",
      parts: cable.ends.map(({ device, part }) => ({ device, part })),
      ...(run.trim() ? { run: run.trim() } : {}),
    });
  return (
    <tr {...lights} data-changed={thin}>
      <td>
        <b>{cable.label}</b>
        <Quiet>
          {cable.ends.length > 1 ? `${cable.ends.map((end) => end.name).join(", ")}: ` : ""}
          {cable.soldCores} cores, {cable.strands}
          {cable.carries === "mains" ? ", mains" : ""}
        </Quiet>
      </td>
      <td data-number>
        {cable.cores} + {cable.spares}
      </td>
      <td data-number>
        {plainNumber(cable.sizeMm2, 2)}
        <Quiet>{thin ? <b>{needs}</b> : needs}</Quiet>
      </td>
      <td data-number>
        {plainNumber(cable.cutM)}
        <Quiet>run {plainNumber(cable.lengthM)}</Quiet>
      </td>
      <td>
        <Editable>
          <RunField key={cable.id} cable={cable} rename={rename} />
        </Editable>
      </td>
    </tr>
  );
}

/** Every cable that is pulled, what is cut for it, and what to bring. */
export function Cables() {
  const { plan, change } = useJobBench();
  const { cables, devices, cores } = plan.wiring;
  const bill = billOf(devices, cores, cables);
  const thin = cables.filter((cable) => cable.enoughMm2 !== undefined && cable.enoughMm2 > cable.sizeMm2);
  const takeSizes = () =>
    change({
      kind: "cable-sizes",
      sizes: thin.flatMap(({ ends, enoughMm2 }) => {
        const sizeMm2 = conductorSizesMm2.find((size) => size === enoughMm2);
        return sizeMm2 === undefined ? [] : ends.map(({ device, part }) => ({ device, part, sizeMm2 }));
      }),
    });
  return (
    <>
      <Panel>
        <Row style={{ justifyContent: "space-between" }}>
          <Heading>Cables</Heading>
          <Button
            $kind="outlined"
            onPress={() => saveText(`${plan.bundle.job.id}-cables.csv`, "text/csv", cablesCsv(cables))}
          >
            <Download size={20} aria-hidden /> CSV
          </Button>
        </Row>
        <Quiet>
          Cores: those needed and those to spare. Cut: the run, {plainNumber(allowanceM.cabinet)} m for the
          cabinet and {plainNumber(allowanceM.device)} m for each device, rounded up to the next{" "}
          {plainNumber(cutStepM)} m. Needs: the least size with which every device has its voltage at 70 °C.
          Devices that name the same run share its cable; mains never shares one.
        </Quiet>
        {thin.length > 0 && (
          <Editable>
            <Row>
              <Button $kind="filled" onPress={takeSizes}>
                Take the sizes that are enough
              </Button>
            </Row>
          </Editable>
        )}
        <Scroll>
          <Table aria-label="Cables" style={{ minWidth: "27rem" }}>
            <thead>
              <tr>
                <th>Cable</th>
                <th data-number>Cores</th>
                <th data-number>mm²</th>
                <th data-number>Cut, m</th>
                <th>Shares run</th>
              </tr>
            </thead>
            <tbody>
              {cables.map((cable) => (
                <CableRow key={cable.id} cable={cable} />
              ))}
            </tbody>
          </Table>
        </Scroll>
      </Panel>
      <Panel>
        <Heading>To bring</Heading>
        <Table aria-label="To bring">
          <thead>
            <tr>
              <th>What</th>
              <th data-number>How much</th>
              <th>For</th>
            </tr>
          </thead>
          <tbody>
            {bill.map((line) => (
              <tr key={line.what}>
                <td>{line.what}</td>
                <td data-number>
                  {plainNumber(line.amount)} {line.unit}
                </td>
                <td>{line.why}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      </Panel>
    </>
  );
}
