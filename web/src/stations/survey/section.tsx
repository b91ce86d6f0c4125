import { sentence } from "@anvilcloud/core";
import { ArrowDown, ArrowRight, ChevronDown, ChevronRight } from "lucide-react";
import { useEffect, useRef, type ReactNode } from "react";
import { useNavigate } from "react-router";
import { styled } from "styled-components";
import { color, narrow, print, size, space } from "../../theme/index.ts";
import { Button, Row } from "../../ui/index.ts";
import { useSurveyPath, type SurveyPart } from "./path.tsx";

const Frame = styled.section`
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 8px;
  min-width: 0;
  > h2 {
    font-size: inherit;
  }
  > div {
    padding: ${space.xs} ${space.l} ${space.l};
    ${narrow} {
      padding: ${space.xs} ${space.m} ${space.m};
    }
  }
`;

const Head = styled.button`
  display: grid;
  grid-template-columns: 22px auto minmax(0, 1fr);
  align-items: baseline;
  gap: ${space.s};
  width: 100%;
  min-height: 52px;
  padding: ${space.s} ${space.l} ${space.s} ${space.m};
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  cursor: pointer;
  svg {
    align-self: center;
  }
  b {
    font-size: ${size.lead};
  }
  > span {
    color: ${color.quiet};
    font-size: ${size.small};
    font-weight: 400;
  }
  > span[data-wanted="true"] {
    color: ${color.ink};
  }
  ${narrow} {
    grid-template-columns: 22px minmax(0, 1fr);
    > span {
      grid-column: 2;
    }
  }
  ${print} {
    svg {
      display: none;
    }
  }
`;

interface Props {
  part: SurveyPart;
  title: string;
  /** What it says in a line, folded. */
  says: string;
  /** What of it is still wanted, in words. */
  wants?: readonly string[];
  children: ReactNode;
}

const names: Record<SurveyPart, string> = {
  site: "the site",
  thing: "what moves",
  board: "the board",
  devices: "the devices",
  wishes: "what it should do",
  ways: "how it is done",
  found: "the board as found",
};

/** A part of the survey: folded it says in a line what it holds and what is wanted of it; open it ends with the way on. */
export function Section({ part, title, says, wants = [], children }: Props) {
  const path = useSurveyPath();
  const open = path.isOpen(part);
  const head = useRef<HTMLButtonElement>(null);
  const wasOpen = useRef(open);
  const next = path.next(part);
  const navigate = useNavigate();
  const { onward } = path;
  useEffect(() => {
    // Whoever is led on begins at the head of the part; whoever opens it stands there already.
    if (open && !wasOpen.current && document.activeElement !== head.current) {
      head.current?.focus({ preventScroll: true });
      head.current?.scrollIntoView({ block: "start" });
    }
    wasOpen.current = open;
  }, [open]);
  return (
    <Frame aria-label={title} id={part}>
      <h2>
        <Head
          ref={head}
          type="button"
          aria-expanded={open}
          aria-controls={`${part}-fields`}
          onClick={() => path.turn(part)}
        >
          {open ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
          <b>{title}</b>
          <span data-wanted={wants.length > 0}>
            {wants.length ? `wanted: ${wants.join(", ")}` : open ? "" : says}
          </span>
        </Head>
      </h2>
      {open && (
        <div id={`${part}-fields`}>
          {children}
          <Row style={{ justifyContent: "flex-end", marginTop: 12 }}>
            {next && (
              <Button $kind="outlined" onPress={() => path.goOn(part, next)}>
                {sentence(`on to ${names[next]}`)} <ArrowDown size={18} aria-hidden />
              </Button>
            )}
            {onward && (!next || part === "found") && (
              <Button $kind="filled" onPress={() => void navigate(onward)}>
                On to the wiring <ArrowRight size={18} aria-hidden />
              </Button>
            )}
          </Row>
        </div>
      )}
    </Frame>
  );
}
