import {
  controlName,
  foundLinks,
  foundPositions,
  fractionToClock,
  displayPositions,
  menuValues,
  readableFractions,
  selectorsOf,
  type Dial,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { DialShape } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import { plate, space } from "../../theme/index.ts";
import { Choice, Quiet, Row, Segments, SubHeading, TextInput, Toggle } from "../../ui/index.ts";
import { Grid } from "./grid.ts";
import { Section } from "./section.tsx";
import { ToldFound } from "./told-found.tsx";

const Cell = styled.div`
  display: grid;
  gap: ${space.xs};
  justify-items: start;
  svg {
    background: ${plate.base};
    border-radius: 6px;
  }
`;

const kindNames = { switch: "Switch", slide: "Slide", jumper: "Jumper" } as const;
const inOut = [
  { id: "in", text: "in" },
  { id: "out", text: "out" },
] as const;

function DialFound({
  dial,
  clock,
  onChange,
}: {
  dial: Dial;
  clock: string;
  onChange: (clock: string) => void;
}) {
  const clocks = [
    ...new Set([clock, ...readableFractions(dial.sweep).map((at) => fractionToClock(at, dial.sweep))]),
  ];
  const sorted = readableFractions(dial.sweep).map((at) => fractionToClock(at, dial.sweep));
  const options = clocks
    .sort((a, b) => sorted.indexOf(a) - sorted.indexOf(b))
    .map((id) => ({ id, text: id }));
  return (
    <Row>
      <svg
        viewBox="-8 -8 16 16"
        width={64}
        height={64}
        aria-hidden
        style={{ background: plate.base, borderRadius: 6 }}
      >
        <DialShape dial={dial} clock={clock} />
      </svg>
      <Choice label={controlName(dial)} value={clock} onChange={onChange} options={options} />
    </Row>
  );
}

/** How the board stood before anything was touched: links, switches, dials, firmware. */
export function FoundForm() {
  const { job, plan, change } = useJobBench();
  const { board } = plan.bundle;
  const links = foundLinks(board, job.found.links);
  const positions = foundPositions(board, job.found);
  const entries = menuValues(board);
  return (
    <Section title="As found at the board">
      <Quiet style={{ marginBottom: 12 }}>
        Shown as delivered until noted. Note what you see before anything is moved.
      </Quiet>
      <div style={{ display: "grid", gap: 16 }}>
        <Grid>
          <TextInput
            label="Firmware"
            value={job.found.firmware}
            onChange={(firmware) => change({ kind: "firmware", firmware: firmware.slice(0, 20) })}
            hint={`this profile holds for ${board.firmware.join(", ")}`}
          />
        </Grid>
        {board.links.length > 0 && <SubHeading>Links</SubHeading>}
        <Grid $least="120px">
          {board.links.map((link) => (
            <Cell key={link.id}>
              <span>{link.between.join("–")}</span>
              <Segments
                label={`Link ${link.between.join(" to ")}`}
                value={links[link.id] ?? link.delivered}
                onChange={(to) => change({ kind: "found-link", id: link.id, to })}
                options={inOut}
              />
            </Cell>
          ))}
        </Grid>
        {selectorsOf(board).length > 0 && <SubHeading>Switches</SubHeading>}
        <Grid $least="120px">
          {selectorsOf(board).map(({ id, kind, label, positions: all, delivered }) => (
            <Cell key={id}>
              <span>{label}</span>
              <Segments
                label={`${kindNames[kind]} ${label}`}
                value={positions.switches[id] ?? delivered}
                onChange={(to) => change({ kind: "found-control", of: "switches", id, to })}
                options={(kind === "switch" ? ["off", "on"] : all).map((at) => ({ id: at, text: at }))}
              />
            </Cell>
          ))}
        </Grid>
        {board.dials.length > 0 && <SubHeading>Dials</SubHeading>}
        <Grid $least="230px">
          {board.dials.map((dial) => (
            <DialFound
              key={dial.id}
              dial={dial}
              clock={positions.dials[dial.id] ?? dial.delivered}
              onChange={(to) => change({ kind: "found-control", of: "dials", id: dial.id, to })}
            />
          ))}
        </Grid>
        {entries.length > 0 && (
          <>
            <SubHeading>Menu values</SubHeading>
            <Grid $least="230px">
              {entries.map(({ item, delivered }) => (
                <Choice
                  key={item.id}
                  label={`${item.shows} ${item.label}`}
                  value={positions.values[item.id] ?? delivered}
                  onChange={(to) => change({ kind: "found-control", of: "values", id: item.id, to })}
                  options={displayPositions(item).map((at) => ({ id: at, text: at }))}
                />
              ))}
            </Grid>
          </>
        )}
        <ToldFound />
        <Toggle
          label="Everything stands here as it was found"
          value={job.found.noted}
          onChange={(noted) => change({ kind: "noted", noted })}
        />
      </div>
    </Section>
  );
}
