import { useState } from "react";
import { TextInput } from "../../../ui/index.ts";

interface Props<T> {
  label: string;
  value: string;
  hint: string;
  /** What was typed as it is meant; undefined for what it cannot be. */
  read: (typed: string) => T | undefined;
  /** What it can be, for whoever typed something else. */
  expected: (typed: string) => string;
  onRead: (value: T) => void;
  /** The position after this one, or before it: by the arrow keys up and down. */
  beside?: (by: 1 | -1) => T | undefined;
}

const steps: Record<string, 1 | -1> = { ArrowUp: 1, ArrowDown: -1 };

/** A position as it is typed, or stepped: taken as soon as it can be read, told apart while it cannot. */
export function Typed<T>({ label, value, hint, read, expected, onRead, beside }: Props<T>) {
  const [typed, setTyped] = useState<string>();
  const wrong = typed !== undefined && typed.trim() !== "" && read(typed) === undefined;
  return (
    <div
      onKeyDown={(event) => {
        const by = steps[event.key];
        const next = by === undefined ? undefined : beside?.(by);
        if (next === undefined) return;
        event.preventDefault();
        setTyped(undefined);
        onRead(next);
      }}
    >
      <TextInput
        label={label}
        value={typed ?? value}
        hint={hint}
        {...(wrong ? { error: `Expected ${expected(typed)}, found “${typed}”.` } : {})}
        onChange={(next) => {
          setTyped(next);
          const meant = read(next);
          if (meant !== undefined) onRead(meant);
        }}
        onBlur={() => setTyped((now) => (now !== undefined && read(now) === undefined ? now : undefined))}
      />
    </div>
  );
}
