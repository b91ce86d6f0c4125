import {
  partKey,
  plainNumber,
  situationNames,
  situations,
  supplyPart,
  type Load,
  type RailLoad,
  type SiteDevice,
  type Situation,
  type WiringPlan,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { useLights } from "../../data/index.ts";
import { color, size, space } from "../../theme/index.ts";
import { Heading, Opener, Panel, Quiet, Scroll, Table } from "../../ui/index.ts";

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
    font-size: ${size.small};
    color: ${color.quiet};
  }
`;

interface Reaching {
  reach: WiringPlan["reach"];
  devices: readonly SiteDevice[];
}

const span = (least: number, most: number, digits: number) =>
  least === most ? plainNumber(least, digits) : `${plainNumber(least, digits)}–${plainNumber(most, digits)}`;

/** The volts that reach a load, and those it bears; a card sits on the board and has none of its own. */
function VoltsCells({ load, reach, devices }: Reaching & { load: Load }) {
  const supply = devices
    .find(({ id }) => id === load.device)
    ?.profile.supplies.find(({ id }) => id === load.supply);
  const met = reach[partKey(supplyPart(load.device, load.supply))];
  if (load.card || !supply) return <td colSpan={2} />;
  return (
    <>
      <td data-number>{met ? span(met.least, met.most, 2) : "nothing"}</td>
      <td data-number>{span(supply.volts.min, supply.volts.max, 1)}</td>
    </>
  );
}

/** What each load draws in each situation. */
function Currents({ rail }: { rail: RailLoad }) {
  return (
    <Situations>
      <Table aria-label={`${rail.label}, mA in each situation`}>
        <thead>
          <tr>
            <th>Draws, mA</th>
            {situations.map((each) => (
              <th key={each} data-number data-worst={each === rail.worst}>
                {heads[each]}
              </th>
            ))}
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
          </tr>
        </tbody>
      </Table>
    </Situations>
  );
}

/** What reaches each load, against what it bears: a table of its own, for beside the situations it would lie off the page. */
function Volts({ loads, reach, devices }: Reaching & { loads: readonly Load[] }) {
  return (
    <Scroll>
      <Table aria-label="What reaches each load">
        <thead>
          <tr>
            <th>Gets</th>
            <th data-number>Reaches it, V</th>
            <th data-number>Bears, V</th>
            <th data-number>Switch-on, mA</th>
          </tr>
        </thead>
        <tbody>
          {loads.map((load) => (
            <tr key={`${load.device} ${load.supply}`}>
              <td>
                {load.name}, {load.supply}
              </td>
              <VoltsCells load={load} reach={reach} devices={devices} />
              <td data-number>{plainNumber(load.inrushMilliamps)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Scroll>
  );
}

/** A current with its unit on the same line. */
const mA = (value: number) => `${plainNumber(value)}\u00a0mA`;

function Rail({ rail, ...reaching }: Reaching & { rail: RailLoad }) {
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
        <b>{rail.label}</b>: {mA(rail.workingMilliamps)} of {mA(rail.limitMilliamps)},{" "}
        {over ? `${mA(-margin)} too much` : `${mA(margin)} to spare`}, {situationNames[rail.worst]}
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
        <Opener>How this comes about</Opener>
        <Currents rail={rail} />
        <Volts loads={rail.loads} {...reaching} />
        <Quiet>
          mA in each situation: what lives then, at rest or at work. A converter’s input follows from its
          output by power and form factor. Volts: the least with cores at 70 °C and everything at work, and
          the most with cores at 20 °C, from the solved circuit, IEC 60228 resistance; the findings judge the
          same.
        </Quiet>
      </details>
    </RailBox>
  );
}

/** What each limit carries, in every situation. */
export function Rails({ rails, ...reaching }: Reaching & { rails: readonly RailLoad[] }) {
  return (
    <Panel>
      <Heading>Rails</Heading>
      {rails.map((rail) => (
        <Rail key={rail.label} rail={rail} {...reaching} />
      ))}
    </Panel>
  );
}
