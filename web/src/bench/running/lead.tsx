import { ArrowRight } from "lucide-react";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Button, Quiet, Row } from "../../ui/index.ts";
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
  p {
    font-size: ${size.lead};
    font-weight: 500;
    max-width: 90ch;
  }
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
        <p>Commissioned: it runs on its own. Now stand in its way, press its edge, and see it answer.</p>
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
      <p>{step.says}</p>
      {keys && <span>Keys from here: {keys}</span>}
      {amiss.length > 0 && (
        <Amiss aria-label="What keeps it">
          {amiss.map((text) => (
            <li key={text}>{text}</li>
          ))}
        </Amiss>
      )}
      {step.ifNot && <Quiet>If nothing comes of it: {step.ifNot}</Quiet>}
    </Card>
  );
}
