import { Check, X } from "lucide-react";
import { styled } from "styled-components";
import { color, narrow, size, space } from "../../theme/index.ts";
import { Button } from "../../ui/index.ts";

const Bar = styled.div`
  position: sticky;
  bottom: 0;
  z-index: 1;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: ${space.m};
  margin: 0 calc(-1 * ${space.l}) calc(-1 * ${space.l});
  padding: ${space.s} ${space.l} ${space.m};
  background: ${color.surface};
  border-top: 1px solid ${color.line};
  border-radius: 0 0 10px 10px;
  button {
    min-height: 56px;
    font-size: ${size.lead};
  }
  ${narrow} {
    margin: 0 calc(-1 * ${space.m});
    padding: ${space.s} ${space.m};
    border-radius: 0;
  }
`;

interface Props {
  /** Why it takes no "seen" just now; undefined where it does. */
  waits: string | undefined;
  /** True while it takes no answer at all. */
  resting: boolean;
  say: (outcome: "seen" | "not-seen") => void;
}

/** The two answers, always within reach. */
export function AnswerBar({ waits, resting, say }: Props) {
  return (
    <Bar>
      <Button $kind="danger" isDisabled={resting} onPress={() => say("not-seen")}>
        <X size={22} aria-hidden /> Not seen
      </Button>
      <Button $kind="filled" isDisabled={resting || waits !== undefined} onPress={() => say("seen")}>
        <Check size={22} aria-hidden /> {waits ?? "Seen"}
      </Button>
    </Bar>
  );
}
