import { plainNumber, type RailLoad } from "@anvilcloud/core";
import { Download } from "lucide-react";
import { styled } from "styled-components";
import { saveText } from "../../bench/index.ts";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Button, Heading, Mark, Panel, Quiet, Row, Table } from "../../ui/index.ts";
import { CoreTable } from "../steps/core-table.tsx";
import { wireCsv } from "./wire-csv.ts";

const Gauge = styled.div<{ $over: boolean }>`
  position: relative;
  height: 16px;
  border: 1.5px solid ${({ $over }) => ($over ? color.danger : color.strongLine)};
  border-radius: 3px;
  overflow: hidden;
  display: flex;
  span {
    height: 100%;
    background: ${({ $over }) => ($over ? color.danger : color.accent)};
    border-right: 1.5px solid ${color.surface};
  }
`;

const RailBox = styled.div`
  padding: ${space.m} 0;
  border-top: 1px solid ${color.line};
  &[data-lit="true"] {
    background: ${color.accentSoft};
  }
  summary {
    cursor: pointer;
    font-size: ${size.small};
    color: ${color.quiet};
    min-height: 32px;
  }
`;

function Rail({ rail }: { rail: RailLoad }) {
  const lights = useLights([
    ...rail.rails.map((id) => ({ kind: "rail" as const, id })),
    ...rail.loads.map((load) => ({ kind: "device" as const, id: load.device })),
  ]);
  const over = rail.workingMilliamps > rail.limitMilliamps;
  const whole = Math.max(rail.workingMilliamps, rail.limitMilliamps);
  const margin = rail.limitMilliamps - rail.workingMilliamps;
  return (
    <RailBox {...lights}>
      <p>
        <b>{rail.label}</b>: {plainNumber(rail.workingMilliamps)} mA of {plainNumber(rail.limitMilliamps)} mA,{" "}
        {over ? `${plainNumber(-margin)} mA too much` : `${plainNumber(margin)} mA to spare`}
      </p>
      <Gauge
        $over={over}
        role="img"
        aria-label={`${Math.round((rail.workingMilliamps / rail.limitMilliamps) * 100)} % of the limit`}
      >
        {rail.loads.map((load) => (
          <span
            key={`${load.device} ${load.supply}`}
            style={{ width: `${(load.workingMilliamps / whole) * 100}%` }}
          />
        ))}
      </Gauge>
      <details>
        <summary>How this comes about</summary>
        <Table>
          <thead>
            <tr>
              <th>Load</th>
              <th data-number>At rest, mA</th>
              <th data-number>Working, mA</th>
              <th data-number>Reaches it, V</th>
              <th data-number>Needs, V</th>
            </tr>
          </thead>
          <tbody>
            {rail.loads.map((load) => (
              <tr key={`${load.device} ${load.supply}`}>
                <td>
                  {load.name}, {load.supply}
                </td>
                <td data-number>{plainNumber(load.restMilliamps)}</td>
                <td data-number>{plainNumber(load.workingMilliamps)}</td>
                <td data-number>{plainNumber(load.voltsAtDevice, 2)}</td>
                <td data-number>{plainNumber(load.leastVolts)}</td>
              </tr>
            ))}
            <tr>
              <td>
                <b>Together</b>
              </td>
              <td data-number>{plainNumber(rail.restMilliamps)}</td>
              <td data-number>
                <b>{plainNumber(rail.workingMilliamps)}</b>
              </td>
              <td />
              <td />
            </tr>
          </tbody>
        </Table>
        <Quiet>
          Sum of the working currents, as all may work at once. Volts: rail less the drop out and back over
          the device’s own cable at 20 °C, IEC 60228 resistance.
        </Quiet>
      </details>
    </RailBox>
  );
}

function LinkRow({
  id,
  between,
  found,
  planned,
  why,
}: {
  id: string;
  between: [string, string];
  found: string;
  planned: string;
  why: string;
}) {
  const lights = useLights([{ kind: "link", id }]);
  const changes = found !== planned;
  return (
    <tr {...lights} data-changed={changes}>
      <td>
        <Mark>{between.join("–")}</Mark>
      </td>
      <td style={{ whiteSpace: "nowrap" }}>
        {changes ? <b>{planned === "out" ? "take out" : "put in"}</b> : `stays ${planned}`}
      </td>
      <td>{why}</td>
    </tr>
  );
}

/** The plan of the wiring: links that move, rails with what they carry, the wire list. */
export function WirePlan() {
  const { plan } = useJobBench();
  const { links, rails, cores } = plan.wiring;
  const sorted = [...links].sort((a, b) => Number(b.found !== b.planned) - Number(a.found !== a.planned));
  return (
    <>
      <Panel>
        <Heading>Links</Heading>
        <Table aria-label="Links">
          <tbody>
            {sorted.map((link) => (
              <LinkRow key={link.id} {...link} />
            ))}
          </tbody>
        </Table>
      </Panel>
      <Panel>
        <Heading>Rails</Heading>
        {rails.map((rail) => (
          <Rail key={rail.id} rail={rail} />
        ))}
      </Panel>
      <Panel>
        <Row style={{ justifyContent: "space-between" }}>
          <Heading>Wire list</Heading>
          <Button
            $kind="outlined"
            onPress={() =>
              saveText(`${plan.bundle.job.id}-wires.csv`, "text/csv", wireCsv(plan.wiring.cores))
            }
          >
            <Download size={20} aria-hidden /> CSV
          </Button>
        </Row>
        <Quiet>Core colours vary by batch and maker: the pin decides, the colour helps.</Quiet>
        <CoreTable cores={cores} long label="Wire list" />
      </Panel>
    </>
  );
}
