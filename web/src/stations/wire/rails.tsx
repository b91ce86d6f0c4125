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
import { DataTable, Heading, Opener, Panel, Quiet, type Column } from "../../ui/index.ts";

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

interface Gets {
  load: Load;
  /** Volts that reach it and that it bears; a card sits on the board and has none of its own. */
  reaches: string;
  bears: string;
}

function getsOf(load: Load, { reach, devices }: Reaching): Gets {
  const supply = devices
    .find(({ id }) => id === load.device)
    ?.profile.supplies.find(({ id }) => id === load.supply);
  if (load.card || !supply) return { load, reaches: "", bears: "" };
  const met = reach[partKey(supplyPart(load.device, load.supply))];
  return {
    load,
    reaches: met ? span(met.least, met.most, 2) : "nothing",
    bears: span(supply.volts.min, supply.volts.max, 1),
  };
}

const nameOf = ({ name, supply }: Load) => `${name}, ${supply}`;

const getsColumns: Column<Gets>[] = [
  {
    id: "name",
    head: "Gets",
    cell: ({ load }) => nameOf(load),
    by: ({ load }) => nameOf(load),
    phone: "below",
  },
  { id: "reaches", head: "Reaches it, V", cell: ({ reaches }) => reaches, isNumber: true },
  { id: "bears", head: "Bears, V", cell: ({ bears }) => bears, isNumber: true },
  {
    id: "inrush",
    head: "Switch-on, mA",
    cell: ({ load }) => plainNumber(load.inrushMilliamps),
    by: ({ load }) => load.inrushMilliamps,
    isNumber: true,
  },
];

/** What a load draws, or all of them together. */
interface Draw {
  name: string;
  milliamps: Load["milliamps"];
  isSum?: boolean;
}

const drawColumns = (worst: Situation): Column<Draw>[] => [
  {
    id: "name",
    head: "Draws, mA",
    cell: ({ name, isSum }) => (isSum ? <b>{name}</b> : name),
    phone: "below",
    width: "30%",
  },
  ...situations.map((each): Column<Draw> => ({
    id: each,
    head: heads[each],
    isNumber: true,
    isMarked: each === worst,
    cell: ({ milliamps, isSum }) =>
      isSum ? <b>{plainNumber(milliamps[each])}</b> : plainNumber(milliamps[each]),
  })),
];

/** What each load draws in each situation, and what reaches it. */
function Working({ rail, ...reaching }: Reaching & { rail: RailLoad }) {
  const draws: Draw[] = [
    ...rail.loads.map((load) => ({ name: nameOf(load), milliamps: load.milliamps })),
    { name: "Together", milliamps: rail.milliamps, isSum: true },
  ];
  return (
    <>
      <DataTable
        label={`${rail.label}, mA in each situation`}
        rows={draws}
        columns={drawColumns(rail.worst)}
        rowKey={({ name }) => name}
      />
      <DataTable
        label="What reaches each load"
        rows={rail.loads.map((load) => getsOf(load, reaching))}
        columns={getsColumns}
        rowKey={({ load }) => nameOf(load)}
      />
    </>
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
        <Working rail={rail} {...reaching} />
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
