import {
  behaviour,
  behaviourText,
  type BehaviourId,
  type BehaviourValue,
  type WishLine,
} from "@anvilcloud/core";
import { styled } from "styled-components";
import { useJobBench } from "../../../data/index.ts";
import { color, size, space } from "../../../theme/index.ts";
import { Button, Opener, Quiet, SubHeading } from "../../../ui/index.ts";
import { Grid } from "../grid.ts";
import { Section } from "../section.tsx";
import { PresetChoice } from "./preset-choice.tsx";
import { WishField } from "./wish-field.tsx";

const Lines = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: ${space.s} ${space.m};
    padding: ${space.s} 0;
    border-top: 1px solid ${color.line};
    font-size: ${size.small};
  }
  p {
    flex: 1 1 240px;
  }
`;

function Decided({ line, overrule }: { line: WishLine; overrule: (value?: BehaviourValue) => void }) {
  const { id, decided } = line;
  const { label } = behaviour(id);
  if (!decided) return null;
  return (
    <li>
      <p>
        <b>
          {label}: {behaviourText(id, decided.value)}.
        </b>{" "}
        {decided.why}
      </p>
      <Button $kind="quiet" onPress={() => overrule(decided.value)} aria-label={`Overrule: ${label}`}>
        Overrule
      </Button>
    </li>
  );
}

/** What the thing should do, asked by behaviour; the board's controls follow under Set. */
export function WishesForm() {
  const { plan, change } = useJobBench();
  const lines = plan.wishes;
  const decided = lines.filter((line) => line.decided && !line.decided.overruled);
  const open = lines.filter((line) => !decided.includes(line));
  const asked = open.filter((line) => line.idle === undefined);
  const idle = open.filter((line) => line.idle !== undefined);
  const set = (id: BehaviourId, value: BehaviourValue | undefined) =>
    change({ kind: "wish", behaviour: id, value });
  const overrule = (id: BehaviourId, value?: BehaviourValue) =>
    change({ kind: "overrule", behaviour: id, value });
  const said = asked.flatMap(({ id, wished }) =>
    wished === undefined ? [] : [`${behaviour(id).label} ${behaviourText(id, wished)}`],
  );
  const says = said.length
    ? `${said.slice(0, 3).join(", ")}${said.length > 3 ? ` and ${said.length - 3} more` : ""}`
    : "all as found";
  return (
    <Section part="wishes" title="What it should do" says={says}>
      <Quiet style={{ marginBottom: 12 }}>
        Asked is what this board with these devices can use; leave as delivered what nobody wants otherwise.
        Where the controls must stand is worked out under Set.
      </Quiet>
      <PresetChoice />
      <Grid $least="240px">
        {asked.map((line) => (
          <div key={line.id}>
            <WishField
              line={line}
              value={line.wished}
              onChange={(value) => (line.decided ? overrule(line.id, value) : set(line.id, value))}
            />
            {line.decided && (
              <Quiet>
                Overruled. The site says {behaviourText(line.id, line.decided.value)}: {line.decided.why}{" "}
                <Button
                  $kind="quiet"
                  onPress={() => overrule(line.id)}
                  aria-label={`Let the site decide: ${behaviour(line.id).label}`}
                >
                  Let the site decide
                </Button>
              </Quiet>
            )}
          </div>
        ))}
      </Grid>
      {decided.length > 0 && (
        <>
          <SubHeading style={{ marginTop: 16 }}>What the site and the wiring decide</SubHeading>
          <Lines>
            {decided.map((line) => (
              <Decided key={line.id} line={line} overrule={(value) => overrule(line.id, value)} />
            ))}
          </Lines>
        </>
      )}
      {idle.length > 0 && (
        <details>
          <Opener>Not asked here: {idle.length}</Opener>
          <Lines>
            {idle.map((line) => (
              <li key={line.id}>
                <p>
                  <b>{behaviour(line.id).label}.</b> {line.idle}
                </p>
              </li>
            ))}
          </Lines>
        </details>
      )}
    </Section>
  );
}
