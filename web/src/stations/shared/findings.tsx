import { wordsOf, type Finding, type FindingWords } from "@anvilcloud/core";
import { ChevronDown, Info, OctagonAlert, TriangleAlert, Wrench } from "lucide-react";
import type { ReactNode } from "react";
import { styled } from "styled-components";
import { useLights } from "../../data/index.ts";
import { color, print, size, space, touch } from "../../theme/index.ts";
import { useInUnits } from "../../ui/index.ts";

/** What a finding of each severity is headed. */
const findingTitles = {
  danger: "Danger",
  fault: "To put right",
  caution: "Caution",
  note: "Note",
} as const;

const looks = {
  danger: { ink: color.danger, soft: color.dangerSoft, Icon: OctagonAlert },
  fault: { ink: color.danger, soft: color.surface, Icon: Wrench },
  caution: { ink: color.caution, soft: color.cautionSoft, Icon: TriangleAlert },
  note: { ink: color.note, soft: color.noteSoft, Icon: Info },
} as const;

const Line = styled.li<{ $ink: string; $soft: string }>`
  border-left: 4px solid ${({ $ink }) => $ink};
  background: ${({ $soft }) => $soft};
  border-radius: 0 6px 6px 0;
  font-size: ${size.small};
  summary {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr) 20px;
    gap: ${space.s};
    align-items: center;
    min-height: ${touch};
    padding: ${space.xs} ${space.s};
    cursor: pointer;
  }
  summary::-webkit-details-marker {
    display: none;
  }
  summary > svg:first-child,
  summary strong {
    color: ${({ $ink }) => $ink};
  }
  details[open] summary > svg:last-child {
    transform: rotate(180deg);
  }
  p {
    padding: 0 ${space.m} ${space.s} calc(20px + 2 * ${space.s});
  }
  ${print} {
    summary > svg:last-child {
      display: none;
    }
  }
`;

const List = styled.ul`
  display: grid;
  gap: ${space.xs};
`;

interface OneProps {
  finding: Finding;
  words: FindingWords;
  isAlone: boolean;
  beyond?: ReactNode;
}

function One({ finding, words, isAlone, beyond }: OneProps) {
  const lights = useLights(finding.subjects);
  return (
    <p {...lights}>
      {!isAlone && <strong>{words.what} </strong>}
      {words.why} <b>{words.remedy}</b> {beyond}
    </p>
  );
}

interface Props {
  findings: readonly Finding[];
  label: string;
  /** What leads on from a finding. */
  beyond?: (finding: Finding) => ReactNode;
}

/** Findings of one kind: told in a line, and opened for why and what to do. */
function Group({ findings, beyond }: Pick<Props, "findings" | "beyond">) {
  const inUnits = useInUnits();
  const [first] = findings;
  const lights = useLights(findings.flatMap(({ subjects }) => subjects));
  if (!first) return null;
  const { ink, soft, Icon } = looks[first.severity];
  const told = findings.map((finding): { finding: Finding; words: FindingWords } => {
    const { what, why, remedy } = wordsOf(finding);
    return { finding, words: { what: inUnits(what), why: inUnits(why), remedy: inUnits(remedy) } };
  });
  return (
    <Line $ink={ink} $soft={soft} {...lights}>
      <details open={first.severity === "danger"}>
        <summary>
          <Icon size={20} aria-hidden />
          <span>
            <strong>{findingTitles[first.severity]}.</strong> {told[0]?.words.what}
            {findings.length > 1 && <b> And {findings.length - 1} more like it.</b>}
          </span>
          <ChevronDown size={18} aria-hidden />
        </summary>
        {told.map(({ finding, words }, at) => (
          <One
            key={at}
            finding={finding}
            words={words}
            isAlone={told.length === 1}
            beyond={beyond?.(finding)}
          />
        ))}
      </details>
    </Line>
  );
}

/** Findings by kind, the gravest first, a line each; pointing at one lights what it is about. */
export function Findings({ findings, label, beyond }: Props) {
  if (!findings.length) return null;
  const kinds = new Map<string, Finding[]>();
  for (const finding of findings) kinds.set(finding.code, [...(kinds.get(finding.code) ?? []), finding]);
  return (
    <List aria-label={label}>
      {[...kinds].map(([code, alike]) => (
        <Group key={code} findings={alike} beyond={beyond} />
      ))}
    </List>
  );
}
