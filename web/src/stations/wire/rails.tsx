import { plainNumber, situationNames, situations, type RailLoad, type Situation } from "@anvilcloud/core";
import { styled } from "styled-components";
import { useLights } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Heading, Panel, Quiet, Scroll, Table } from "../../ui/index.ts";

/** Heads short enough for a column. */
const heads: Record<Situation, string> = {
  idle: "Idle",
  awake: "At work",
  testing: "Test",
  opening: "Opening",
  open: "Open",
  closing: "Closing",
  battery: "Battery",
};

const Situations = styled(Scroll)`
  td:first-child {
    min-width: 9rem;
  }
  [data-worst="true"] {
    background: ${color.accentSoft};
  }
`;

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
        {over ? `${plainNumber(-margin)} mA too much` : `${plainNumber(margin)} mA to spare`},{" "}
        {situationNames[rail.worst]}
      </p>
      <Gauge
        $over={over}
        role="img"
        aria-label={`${Math.round((rail.workingMilliamps / rail.limitMilliamps) * 100)} % of the limit`}
      >
        {rail.loads.map((load) => (
          <span
            key={`${load.device} ${load.supply}`}
            style={{ width: `${(load.milliamps[rail.worst] / whole) * 100}%` }}
          />
        ))}
      </Gauge>
      <details>
        <summary>How this comes about</summary>
        <Situations>
          <Table aria-label={`${rail.label}, mA in each situation`}>
            <thead>
              <tr>
                <th>Load</th>
                {situations.map((each) => (
                  <th key={each} data-number data-worst={each === rail.worst}>
                    {heads[each]}
                  </th>
                ))}
                <th data-number>Switch-on</th>
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
                  {situations.map((each) => (
                    <td key={each} data-number data-worst={each === rail.worst}>
                      {plainNumber(load.milliamps[each])}
                    </td>
                  ))}
                  <td data-number>{plainNumber(load.inrushMilliamps)}</td>
                  <td data-number>{load.card ? "" : plainNumber(load.voltsAtDevice, 2)}</td>
                  <td data-number>{load.card ? "" : plainNumber(load.leastVolts)}</td>
                </tr>
              ))}
              <tr>
                <td>
                  <b>Together</b>
                </td>
                {situations.map((each) => (
                  <td key={each} data-number data-worst={each === rail.worst}>
                    <b>{plainNumber(rail.milliamps[each])}</b>
                  </td>
                ))}
                <td colSpan={3} />
              </tr>
            </tbody>
          </Table>
        </Situations>
        <Quiet>
          mA in each situation: what lives then, at rest or at work. A converter’s input is reckoned from its
          output by power and form factor. Volts: rail less the drop out and back over the device’s own cable
          at 20 °C, IEC 60228 resistance; the findings look at 70 °C.
        </Quiet>
      </details>
    </RailBox>
  );
}

/** What each limit carries, in every situation. */
export function Rails({ rails }: { rails: readonly RailLoad[] }) {
  return (
    <Panel>
      <Heading>Rails</Heading>
      {rails.map((rail) => (
        <Rail key={rail.id} rail={rail} />
      ))}
    </Panel>
  );
}
