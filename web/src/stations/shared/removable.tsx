import { Trash2 } from "lucide-react";
import { useState } from "react";
import { styled } from "styled-components";
import { color, size, space } from "../../theme/index.ts";
import { Button, Notice } from "../../ui/index.ts";

const One = styled.li`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: ${space.s} ${space.m};
  min-height: 56px;
  border-top: 1px solid ${color.line};
  font-size: ${size.small};
`;

interface Props {
  /** What it is, and under which name its button is read out. */
  text: string;
  name: string;
  /** Removes it; left out for what stays. What it throws is told beside it. */
  remove?: () => Promise<void>;
}

/** A line of a list that can be taken out for good, after asking once. */
export function Removable({ text, name, remove }: Props) {
  const [asked, setAsked] = useState(false);
  const [refusal, setRefusal] = useState<string>();

  async function go(act: () => Promise<void>) {
    setAsked(false);
    setRefusal(undefined);
    try {
      await act();
    } catch (error) {
      setRefusal((error as Error).message);
    }
  }

  return (
    <One>
      <span>{text}</span>
      {remove &&
        (asked ? (
          <Button $kind="danger" onPress={() => void go(remove)}>
            Remove it for good
          </Button>
        ) : (
          <Button $kind="quiet" onPress={() => setAsked(true)} aria-label={`Remove ${name}`}>
            <Trash2 size={18} aria-hidden /> Remove
          </Button>
        ))}
      {refusal && (
        <Notice tone="fault" title="Not removed">
          {refusal}
        </Notice>
      )}
    </One>
  );
}
