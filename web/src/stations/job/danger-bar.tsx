import { wordsOf, type Finding } from "@anvilcloud/core";
import { ChevronDown, OctagonAlert } from "lucide-react";
import { styled } from "styled-components";
import { useJobBench, useLights } from "../../data/index.ts";
import { color, narrow, print, space, touch } from "../../theme/index.ts";

const Bar = styled.ul`
  display: grid;
  gap: ${space.hair};
  margin-bottom: ${space.m};
  border: 2px solid ${color.danger};
  border-radius: 6px;
  background: ${color.dangerSoft};
  summary {
    display: grid;
    grid-template-columns: 24px 1fr 24px;
    gap: ${space.m};
    align-items: center;
    min-height: ${touch};
    padding: ${space.xs} ${space.m};
    cursor: pointer;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  details[open] svg:last-child {
    transform: rotate(180deg);
  }
  svg,
  strong {
    color: ${color.danger};
  }
  p {
    padding: 0 ${space.m} ${space.s} calc(24px + 2 * ${space.m});
  }
  ${narrow} {
    margin-top: ${space.s};
  }
  ${print} {
    display: none;
  }
`;

function Danger({ danger }: { danger: Finding }) {
  const lights = useLights(danger.subjects);
  const { what, why, remedy } = wordsOf(danger);
  return (
    <li {...lights}>
      <details>
        <summary>
          <OctagonAlert size={22} aria-hidden />
          <span>
            <strong>Danger.</strong> {what}
          </span>
          <ChevronDown size={20} aria-hidden />
        </summary>
        <p>
          {why} <b>{remedy}</b>
        </p>
      </details>
    </li>
  );
}

/** What can hurt someone, at every station and every step until it is gone. */
export function DangerBar() {
  const { plan } = useJobBench();
  if (!plan.dangers.length) return null;
  return (
    <Bar aria-label="Dangers of this job">
      {plan.dangers.map((danger, at) => (
        <Danger key={`${danger.code} ${at}`} danger={danger} />
      ))}
    </Bar>
  );
}
