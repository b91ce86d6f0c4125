import { wordsOf, type Finding } from "@anvilcloud/core";
import { useLights } from "../../data/index.ts";
import { Notice } from "../../ui/index.ts";

/** What a finding of each severity is headed. */
export const findingTitles = {
  danger: "Danger",
  fault: "To put right",
  caution: "Caution",
  note: "Note",
} as const;

function FindingItem({ finding }: { finding: Finding }) {
  const lights = useLights(finding.subjects);
  const words = wordsOf(finding);
  return (
    <li {...lights}>
      <Notice tone={finding.severity} title={findingTitles[finding.severity]}>
        <strong>{words.what}</strong> {words.why} <b>{words.remedy}</b>
      </Notice>
    </li>
  );
}

/** Findings, the gravest first; pointing at one lights what it is about. */
export function Findings({ findings, label }: { findings: readonly Finding[]; label: string }) {
  if (!findings.length) return null;
  return (
    <ul aria-label={label} style={{ display: "grid", gap: "8px" }}>
      {findings.map((finding, at) => (
        <FindingItem key={`${finding.code} ${at}`} finding={finding} />
      ))}
    </ul>
  );
}
