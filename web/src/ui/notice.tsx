import type { ReactNode } from "react";
import { Info, OctagonAlert, TriangleAlert, Wrench } from "lucide-react";
import { styled } from "styled-components";
import { color, space } from "../theme/index.ts";

export type Tone = "danger" | "fault" | "caution" | "note";

const tones = {
  danger: { ink: color.danger, soft: color.dangerSoft, Icon: OctagonAlert, word: "Danger" },
  fault: { ink: color.danger, soft: color.surface, Icon: Wrench, word: "Fault" },
  caution: { ink: color.caution, soft: color.cautionSoft, Icon: TriangleAlert, word: "Caution" },
  note: { ink: color.note, soft: color.noteSoft, Icon: Info, word: "Note" },
} as const;

const Box = styled.div<{ $ink: string; $soft: string }>`
  display: grid;
  grid-template-columns: 24px 1fr;
  gap: ${space.m};
  padding: ${space.m};
  border-left: 4px solid ${({ $ink }) => $ink};
  background: ${({ $soft }) => $soft};
  border-radius: 0 6px 6px 0;
  & + & {
    margin-top: ${space.s};
  }
  svg {
    color: ${({ $ink }) => $ink};
  }
  strong {
    color: ${({ $ink }) => $ink};
  }
`;

/** Something to be read before going on; the word says how much it matters, not the colour alone. */
export function Notice({ tone, title, children }: { tone: Tone; title?: string; children: ReactNode }) {
  const { ink, soft, Icon, word } = tones[tone];
  return (
    <Box $ink={ink} $soft={soft} role={tone === "danger" ? "alert" : undefined}>
      <Icon size={22} aria-hidden />
      <div>
        <strong>{/[.?]$/.test(title ?? word) ? title : `${title ?? word}.`} </strong>
        {children}
      </div>
    </Box>
  );
}
