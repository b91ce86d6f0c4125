import { Timer } from "lucide-react";
import { useEffect, useState } from "react";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Button, useShortcuts } from "../../ui/index.ts";
import { buzz, sound, speak } from "./cues.ts";

const Face = styled.div`
  display: flex;
  align-items: center;
  gap: ${space.l};
  padding: ${space.m};
  background: ${color.sunk};
  border-radius: 8px;
  output {
    font-size: 2.6rem;
    font-weight: 700;
    line-height: 1;
    min-width: 3ch;
  }
  p {
    font-size: ${size.lead};
    font-weight: 600;
  }
`;

const Track = styled.div`
  flex: 1;
  height: 14px;
  border: 1.5px solid ${color.strongLine};
  border-radius: 4px;
  overflow: hidden;
  div {
    height: 100%;
    background: ${color.accent};
  }
`;

type Phase = { kind: "ready" } | { kind: "holding"; since: number } | { kind: "over" };

interface Props {
  seconds: number;
  keyLabel: string;
  /** What is so at its end, where nothing is held. */
  over?: string;
}

/** Times a hold; its end is seen, heard and, where wanted, spoken. */
export function HoldTimer({ seconds, keyLabel, over }: Props) {
  const [phase, setPhase] = useState<Phase>({ kind: "ready" });
  const [passed, setPassed] = useState(0);

  useEffect(() => {
    if (phase.kind !== "holding") return;
    const tick = setInterval(() => {
      const now = (performance.now() - phase.since) / 1000;
      setPassed(Math.min(seconds, now));
      if (now < seconds) return;
      setPhase({ kind: "over" });
      sound();
      buzz();
      speak(over ? `${over}.` : `Let go of ${keyLabel}.`);
    }, 100);
    return () => clearInterval(tick);
  }, [phase, seconds, keyLabel, over]);

  const start = () => {
    setPassed(0);
    setPhase({ kind: "holding", since: performance.now() });
    sound(660, 0.15);
  };
  const toggle = () => (phase.kind === "holding" ? setPhase({ kind: "ready" }) : start());
  useShortcuts({ t: toggle });

  return (
    <Face>
      <output aria-live="off">{phase.kind === "over" ? "0" : Math.ceil(seconds - passed)}</output>
      <Track
        role="progressbar"
        aria-label={over ? `Time of ${keyLabel}` : `Hold of ${keyLabel}`}
        aria-valuenow={Math.round(passed)}
        aria-valuemin={0}
        aria-valuemax={seconds}
      >
        <div style={{ width: `${(passed / seconds) * 100}%` }} />
      </Track>
      {phase.kind === "over" ? (
        <p role="alert">{over ?? "Let go"}</p>
      ) : (
        <Button $kind="outlined" onPress={toggle}>
          <Timer size={20} aria-hidden /> {phase.kind === "holding" ? "Stop" : `Time ${seconds} s`}
        </Button>
      )}
    </Face>
  );
}
