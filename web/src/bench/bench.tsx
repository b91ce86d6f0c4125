import type { ShownPlan, Step } from "@anvilcloud/core";
import { formatISO } from "date-fns";
import { useState } from "react";
import { styled } from "styled-components";
import { useLights } from "../data/index.ts";
import { color, print, size, space } from "../theme/index.ts";
import { ringed, Row, Segments } from "../ui/index.ts";
import { FaceViewer } from "./face-viewer.tsx";
import { deviceNumbers } from "./geometry.ts";
import { HighlightChoice } from "./highlight-choice.tsx";
import { Meter } from "./meter.tsx";
import { layerView, useRan, type Layer } from "./view.ts";

const Frame = styled.figure`
  display: grid;
  gap: ${space.m};
`;

/** What is of no use on paper. */
const AtTheBench = styled.div`
  display: grid;
  gap: ${space.m};
  ${print} {
    display: none;
  }
`;

const Legend = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 0 ${space.m};
  font-size: ${size.small};
  li {
    display: flex;
    align-items: center;
    gap: ${space.s};
    padding: ${space.xs};
    border-radius: 4px;
  }
  li[data-lit="true"] {
    background: ${color.accentSoft};
  }
  b {
    flex: none;
    ${ringed}
  }
`;

function LegendItem({ id, name, number }: { id: string; name: string; number: string }) {
  const lights = useLights([{ kind: "device", id }]);
  return (
    <li {...lights}>
      <b aria-hidden>{number}</b>
      {name}
    </li>
  );
}

const words: Record<Layer, string> = {
  step: "Step done",
  planned: "Planned",
  found: "Found",
  now: "Now",
};

/** The bench: the board with its devices around it, in its layers. */
export function Bench({ plan, start, step }: { plan: ShownPlan; start: Layer; step?: Step }) {
  const [layer, setLayer] = useState<Layer>(step ? "step" : start);
  const layers: Layer[] = [...(step ? ["step" as const] : []), "planned", "found", "now"];
  const { board } = plan.bundle;
  const numbers = deviceNumbers(plan.wiring.devices);
  const view = layerView(plan, layer, step, useRan(plan, step));
  return (
    <Frame>
      <FaceViewer
        lead={
          <Row>
            <Segments
              label="Layer of the bench"
              value={layer}
              onChange={setLayer}
              options={layers.map((id) => ({ id, text: words[id] }))}
            />
          </Row>
        }
        view={view}
        numbers={numbers}
        label={`${board.name}, ${words[layer].toLowerCase()}`}
        fileName={`${plan.bundle.job.id}-${layer}`}
        caption={[
          [plan.bundle.job.title, words[layer].toLowerCase(), plan.bundle.job.installer]
            .filter(Boolean)
            .join(" · "),
          `${board.maker} ${board.name}, revision ${board.revision} · ${formatISO(new Date(), { representation: "date" })}`,
          plan.wiring.devices.map(({ id, name }) => `${numbers[id] ?? "?"} ${name}`).join(", "),
        ]}
      />
      <AtTheBench>
        <HighlightChoice plan={plan} />
        <Meter plan={plan} bench={layer === "step" ? { step: step?.id ?? "" } : layer} />
      </AtTheBench>
      <Legend aria-label="Devices by number">
        {plan.wiring.devices.map((device) => (
          <LegendItem key={device.id} id={device.id} name={device.name} number={numbers[device.id] ?? "?"} />
        ))}
      </Legend>
    </Frame>
  );
}
