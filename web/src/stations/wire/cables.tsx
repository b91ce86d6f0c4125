import {
  allowanceM,
  billOf,
  conductorSizesMm2,
  conductorText,
  cutStepM,
  plainNumber,
  quantityText,
  type CablePlan,
  type Units,
} from "@anvilcloud/core";
import { Download } from "lucide-react";
import { useMemo, useState } from "react";
import { saveText } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import {
  Button,
  DataTable,
  Heading,
  Panel,
  Quiet,
  Row,
  TextInput,
  useUnits,
  type Column,
} from "../../ui/index.ts";
import { litRow } from "../shared/lit-row.tsx";
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
      placeholder="own"
    />
  );
}

const isThin = ({ enoughMm2, sizeMm2 }: CablePlan) => enoughMm2 === undefined || enoughMm2 > sizeMm2;

const CableRow = litRow<CablePlan>(
  ({ id, ends }) => [
    { kind: "cable", id },
    ...ends.map((end) => ({ kind: "device" as const, id: end.device })),
  ],
  isThin,
);

/** Columns of the cutting list, in someone's units. */
function columnsIn(units: Units, rename: (cable: CablePlan, run: string) => void): Column<CablePlan>[] {
  const needs = ({ enoughMm2 }: CablePlan) =>
    enoughMm2 === undefined ? "none is enough" : `needs ${conductorText(enoughMm2, units)}`;
  return [
    {
      id: "cable",
      head: "Cable",
      isHead: true,
      cell: (cable) => (
        <>
          <b>{cable.label}</b>
          <Quiet>
            {cable.ends.length > 1 ? `${cable.ends.map((end) => end.name).join(", ")}: ` : ""}
            {cable.soldCores} cores, {cable.strands}
            {cable.carries === "mains" ? ", mains" : ""}
          </Quiet>
        </>
      ),
      by: ({ label }) => label,
      width: "38%",
      phone: "below",
    },
    {
      id: "cores",
      head: "Cores",
      cell: ({ cores, spares }) => `${cores} + ${spares}`,
      by: ({ cores }) => cores,
      isNumber: true,
    },
    {
      id: "size",
      head: "Size",
      cell: (cable) => (
        <>
          {conductorText(cable.sizeMm2, units)}
          <Quiet>{isThin(cable) ? <b>{needs(cable)}</b> : needs(cable)}</Quiet>
        </>
      ),
      by: ({ sizeMm2 }) => sizeMm2,
      isNumber: true,
    },
    {
      id: "cut",
      head: "Cut",
      cell: ({ cutM, lengthM }) => (
        <>
          {quantityText(cutM, "m", units)}
          <Quiet>run {quantityText(lengthM, "m", units)}</Quiet>
        </>
      ),
      by: ({ cutM }) => cutM,
      isNumber: true,
      phone: "end",
    },
    {
      id: "run",
      head: "Shares run",
      cell: (cable) => (
        <Editable>
          <RunField key={cable.id} cable={cable} rename={(run) => rename(cable, run)} />
        </Editable>
      ),
      width: "19%",
      phone: "below",
    },
  ];
}

type BillLine = ReturnType<typeof billOf>[number];

const billColumns: Column<BillLine>[] = [
  { id: "what", head: "What", cell: ({ what }) => what, by: ({ what }) => what, phone: "first" },
  {
    id: "amount",
    head: "How much",
    cell: ({ amount, unit }) => `${plainNumber(amount)} ${unit}`,
    by: ({ amount }) => amount,
    isNumber: true,
    phone: "end",
  },
  { id: "why", head: "For", cell: ({ why }) => why, phone: "below" },
];

/** Every cable that is pulled, what is cut for it, and what to bring. */
export function Cables() {
  const { plan, change } = useJobBench();
  const { cables, devices, cores } = plan.wiring;
  const units = useUnits();
  const columns = useMemo(
    () =>
      columnsIn(units, ({ ends }, run) =>
        change({
          kind: "run",
          parts: ends.map(({ device, part }) => ({ device, part })),
          ...(run.trim() ? { run: run.trim() } : {}),
        }),
      ),
    [units, change],
  );
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
          Cores: those needed and those to spare. Cut: the run, {quantityText(allowanceM.cabinet, "m", units)}{" "}
          for the cabinet and {quantityText(allowanceM.device, "m", units)} for each device, rounded up to the
          next {quantityText(cutStepM, "m", units)}. Needs: the least size with which every device has its
          voltage at 70 °C. Devices that name the same run share its cable; mains never shares one.
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
        <DataTable label="Cables" rows={cables} columns={columns} rowKey={({ id }) => id} frame={CableRow} />
      </Panel>
      <Panel>
        <Heading>To bring</Heading>
        <DataTable label="To bring" rows={bill} columns={billColumns} rowKey={({ what }) => what} />
      </Panel>
    </>
  );
}
