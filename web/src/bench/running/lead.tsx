import { ArrowRight } from "lucide-react";
import { styled } from "styled-components";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Button, Opener, Quiet, Row } from "../../ui/index.ts";
import type { Running } from "./use-running.ts";

const Card = styled.section`
  display: grid;
  gap: ${space.xs};
  padding: ${space.m};
  background: ${color.surface};
  border: 1px solid ${color.line};
  position: sticky;
  top: 0;
  z-index: 2;
  border-left: 4px solid ${color.accent};
  border-radius: 8px;
  ${narrow} {
    padding: ${space.s} ${space.m};
    max-height: 42dvh;
    overflow-y: auto;
  }
`;

const Says = styled.strong`
  font-size: ${size.lead};
  font-weight: 500;
  max-width: 90ch;
  ${narrow} {
    font-size: inherit;
    line-height: 1.3;
  }
`;

const Caution = styled.span`
  font-size: ${size.small};
  color: ${color.caution};
`;

const Keys = styled.span`
  font-size: ${size.small};
`;

const Amiss = styled.ul`
  color: ${color.danger};
  font-weight: 600;
`;

/** The step at hand of someone who commissions the bench, and what keeps it from being done. */
export function LeadCard({ running }: { running: Running }) {
  const { step, at, of, nod, amiss, keys } = running.news.lead;
  if (!step)
    return (
      <Card aria-label="Step by step">
        <Says>
          Commissioned: it runs on its own. Now stand in its way, press its edge, and see it answer.
        </Says>
      </Card>
    );
  return (
    <Card aria-label="Step by step" aria-live="polite">
      <Row style={{ justifyContent: "space-between" }}>
        <Quiet>
          Step {at} of {of}: {step.title}
        </Quiet>
        {nod && (
          <Button $kind="outlined" onPress={() => void running.host.nod()}>
            Done <ArrowRight size={20} aria-hidden />
          </Button>
        )}
      </Row>
      <Says>{step.says}</Says>
      {step.caution && (
        <Caution>
          <b>On site:</b> {step.caution}
        </Caution>
      )}
      {keys && <Keys>Keys from here: {keys}</Keys>}
      {amiss.length > 0 && (
        <Amiss aria-label="What keeps it">
          {amiss.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </Amiss>
      )}
      {step.ifNot && (
        <details>
          <Opener>If it goes otherwise</Opener>
          <Quiet>{step.ifNot}</Quiet>
        </details>
      )}
    </Card>
  );
}
