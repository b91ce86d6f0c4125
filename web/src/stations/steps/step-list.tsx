import type { Step } from "@anvilcloud/core";
import { Check, Circle, X } from "lucide-react";
import { Link } from "react-router";
import { styled } from "styled-components";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, size, space, touch } from "../../theme/index.ts";
import { Hidden, useInUnits } from "../../ui/index.ts";
import { readingsText } from "../shared/answer-text.ts";
import { stepAddress } from "../shared/words.ts";
import type { Steps } from "./use-steps.ts";

const List = styled.ol`
  border-top: 1px solid ${color.line};
  a {
    display: grid;
    grid-template-columns: 26px 1fr auto;
    gap: ${space.s};
    align-items: center;
    min-height: ${touch};
    padding: ${space.xs} ${space.s};
    border-bottom: 1px solid ${color.line};
    color: inherit;
    text-decoration: none;
  }
  a:hover,
  li[data-lit="true"] a {
    background: ${color.accentSoft};
  }
  a[aria-current="step"] {
    font-weight: 700;
    box-shadow: inset 4px 0 0 ${color.accent};
    background: ${color.accentSoft};
  }
  small {
    color: ${color.quiet};
    font-size: ${size.tiny};
  }
`;

function StepLine({ step, steps, current }: { step: Step; steps: Steps; current?: string }) {
  const { job } = useJobBench();
  const lights = useLights(step.subjects);
  const inUnits = useInUnits();
  const entry = steps.said.get(step.id);
  const Icon = entry?.outcome === "seen" ? Check : entry?.outcome === "not-seen" ? X : Circle;
  const tone =
    entry?.outcome === "seen"
      ? color.accent
      : entry?.outcome === "not-seen"
        ? color.danger
        : color.strongLine;
  return (
    <li {...lights}>
      <Link
        to={stepAddress(job.id, step.station, step.id)}
        aria-current={step.id === current ? "step" : undefined}
      >
        <Icon size={18} color={tone} aria-hidden />
        <span>
          {inUnits(step.title)}
          <Hidden>
            , {entry?.outcome === "seen" ? "seen" : entry?.outcome === "not-seen" ? "not seen" : "open"}
          </Hidden>
        </span>
        <small>
          {steps.voided.has(step.id)
            ? "open again"
            : entry?.readings
              ? readingsText(entry.readings)
              : entry?.outcome === "not-seen"
                ? "not seen"
                : ""}
        </small>
      </Link>
    </li>
  );
}

/** A station's steps, each with what was said of it. */
export function StepList({
  list,
  steps,
  current,
}: {
  list: readonly Step[];
  steps: Steps;
  current?: string;
}) {
  return (
    <List aria-label="Steps">
      {list.map((step) => (
        <StepLine key={step.id} step={step} steps={steps} current={current} />
      ))}
    </List>
  );
}
