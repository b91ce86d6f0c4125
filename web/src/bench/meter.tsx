import { terminalsOf, type ShownPlan } from "@anvilcloud/core";
import { ArrowLeftRight } from "lucide-react";
import { useState } from "react";
import { styled } from "styled-components";
import { useAnswer, type Probes } from "../planner/index.ts";
import { color, font, size, space } from "../theme/index.ts";
import { Button, Choice, Quiet, Row, Segments, SubHeading } from "../ui/index.ts";

const Frame = styled.section`
  display: grid;
  gap: ${space.s};
  padding-top: ${space.m};
  border-top: 1px solid ${color.line};
`;

const Probes = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr);
  gap: ${space.s};
  align-items: end;
`;

const Figure = styled.output`
  font-family: ${font.mono};
  font-size: ${size.title};
  font-weight: 700;
`;

const powers = [
  { id: "on", text: "Power on, volts" },
  { id: "off", text: "Power off, ohms" },
] as const;

type Power = (typeof powers)[number]["id"];

/** While the first reading is worked out. */
const nothingYet = { reading: "…", why: "" };

/** What a meter should read between two terminals on the bench as it is shown, and why. */
export function Meter({ plan, bench }: { plan: ShownPlan; bench: Probes["bench"] }) {
  const { board } = plan.bundle;
  const terminals = terminalsOf(board);
  const rail = board.rails.find((each) => each.live === "always");
  const [red, setRed] = useState(rail?.plus[0] ?? terminals[0]?.id ?? "");
  const [black, setBlack] = useState(rail?.minus[0] ?? terminals[1]?.id ?? "");
  const [power, setPower] = useState<Power>("on");
  const options = terminals.map(({ id, label, block }) => ({ id, text: `${id} ${block.label}, ${label}` }));
  const probes: Probes = { bench, red, black, powered: power === "on" };
  const { reading, why } =
    useAnswer([plan, JSON.stringify(probes)], (planner) => planner.meter(probes)) ?? nothingYet;
  return (
    <Frame aria-label="Meter">
      <Row style={{ justifyContent: "space-between" }}>
        <SubHeading as="h2">Meter</SubHeading>
        <Segments label="Power for the meter" value={power} onChange={setPower} options={powers} />
      </Row>
      <Probes>
        <Choice label="Red probe" value={red} onChange={setRed} options={options} />
        <Button
          $kind="outlined"
          aria-label="Exchange the probes"
          style={{ padding: "0 10px" }}
          onPress={() => {
            setRed(black);
            setBlack(red);
          }}
        >
          <ArrowLeftRight size={20} aria-hidden />
        </Button>
        <Choice label="Black probe" value={black} onChange={setBlack} options={options} />
      </Probes>
      <Row>
        <Figure aria-live="polite">{reading}</Figure>
        <Quiet>{why}</Quiet>
      </Row>
    </Frame>
  );
}
