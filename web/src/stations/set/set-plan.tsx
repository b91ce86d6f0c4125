import {
  behaviour,
  behaviourText,
  changesOf,
  clockText,
  controlName,
  controlSubjects,
  menuValues,
  positionsText,
  switchIds,
  type PlannedControl,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { DialShape } from "../../bench/index.ts";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, font, plate, size, space } from "../../theme/index.ts";
import { Heading, Mark, Panel, Quiet } from "../../ui/index.ts";
import { InForce } from "./in-force.tsx";
import { KeyGuide } from "../steps/keys/key-guide.tsx";

const Rows = styled.ul`
  li {
    display: grid;
    grid-template-columns: 64px 1fr;
    gap: ${space.m};
    align-items: center;
    padding: ${space.s} 0;
    border-top: 1px solid ${color.line};
  }
  li[data-lit="true"] {
    background: ${color.accentSoft};
  }
  svg {
    background: ${plate.base};
    border-radius: 6px;
  }
  p {
    font-size: ${size.small};
  }
`;

function Pair({ on }: { on: boolean[] }) {
  const width = on.length * 6 + 4;
  return (
    <svg viewBox={`0 0 ${width} 14`} width={64} height={64} aria-hidden>
      {on.map((up, at) => (
        <g key={at} transform={`translate(${2 + at * 6} 2)`}>
          <rect width={5} height={10} rx={0.6} fill={plate.slot} />
          <rect x={0.5} y={up ? 0.5 : 5.5} width={4} height={4} rx={0.4} fill={plate.knob} />
        </g>
      ))}
    </svg>
  );
}

/** What a display or a printed position says, in place of a picture. */
const Shows = styled.span`
  display: grid;
  place-items: center;
  width: 64px;
  min-height: 44px;
  border-radius: 6px;
  background: ${plate.slot};
  color: ${plate.glow};
  font-family: ${font.mono};
  font-weight: 700;
  font-size: ${size.small};
  overflow-wrap: anywhere;
  text-align: center;
`;

function ControlRow({ control }: { control: PlannedControl }) {
  const { plan } = useJobBench();
  const { board } = plan.bundle;
  const dial = board.dials.find((each) => control.kind === "dials" && each.id === control.id);
  const switches = control.kind === "switches" && control.parts.every((id) => switchIds(board).includes(id));
  const entry = menuValues(board).find(({ item }) => control.kind === "values" && item.id === control.id);
  const lights = useLights(controlSubjects(board, control));
  const stand = (at: readonly string[]) =>
    dial
      ? clockText(at[0] ?? dial.delivered, dial.sweep)
      : entry
        ? `${at[0]}${entry.item.number?.unit ? ` ${entry.item.number.unit}` : ""}`
        : positionsText(board, control.parts, at);
  return (
    <li {...lights}>
      {dial ? (
        <svg viewBox="-8 -8 16 16" width={64} height={64} aria-hidden>
          <DialShape dial={dial} clock={control.planned[0] ?? dial.delivered} ghost={control.found[0]} />
        </svg>
      ) : entry ? (
        <Shows>{entry.item.shows}</Shows>
      ) : !switches ? (
        <Shows>{control.planned.join(" ")}</Shows>
      ) : (
        <Pair on={control.planned.map((at) => at === "on")} />
      )}
      <div>
        <b>
          {dial ? controlName(dial) : entry ? entry.item.label : control.label}:{" "}
          <Mark>{stand(control.planned)}</Mark>
        </b>
        {control.change && <Quiet>found {stand(control.found)}</Quiet>}
        <p>
          {control.gives.map(({ behaviour: id, given, wanted }) => (
            <span key={id} style={{ display: "block" }}>
              {behaviour(id).label}: {given === undefined ? "not set here" : behaviourText(id, given)}
              {wanted !== undefined &&
                given !== undefined &&
                behaviourText(id, wanted) !== behaviourText(id, given) &&
                `, wanted ${behaviourText(id, wanted)}`}
            </span>
          ))}
        </p>
      </div>
    </li>
  );
}

/** The plan of the controls: what must change first, then what already stands right. */
export function SetPlan() {
  const { plan } = useJobBench();
  const change = plan.controls.controls.filter((control) => control.change);
  const right = plan.controls.controls.filter((control) => !control.change);
  const values = changesOf(plan, plan.now);
  const group = (title: string, controls: PlannedControl[]) =>
    controls.length > 0 && (
      <Panel>
        <Heading>{title}</Heading>
        <Rows>
          {controls.map((control) => (
            <ControlRow key={control.id} control={control} />
          ))}
        </Rows>
      </Panel>
    );
  return (
    <>
      <InForce />
      {values.length > 0 && <KeyGuide changes={values} />}
      {group("To change", change)}
      {group("Already right", right)}
    </>
  );
}
