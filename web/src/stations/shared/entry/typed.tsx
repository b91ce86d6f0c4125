import { useState } from "react";
import { TextInput } from "../../../ui/index.ts";

interface Props<T> {
  label: string;
  value: string;
  hint: string;
  /** What was typed as it is meant; undefined for what it cannot be. */
  read: (typed: string) => T | undefined;
  /** What it can be, for whoever typed something else. */
  expected: string;
  onRead: (value: T) => void;
}

/** A position as it is typed: taken as soon as it can be read, told apart while it cannot. */
export function Typed<T>({ label, value, hint, read, expected, onRead }: Props<T>) {
  const [typed, setTyped] = useState<string>();
  const wrong = typed !== undefined && typed.trim() !== "" && read(typed) === undefined;
  return (
    <TextInput
      label={label}
      value={typed ?? value}
      hint={hint}
      {...(wrong ? { error: `Expected ${expected}, found “${typed}”.` } : {})}
      onChange={(next) => {
        setTyped(next);
        const meant = read(next);
        if (meant !== undefined) onRead(meant);
      }}
      onBlur={() => setTyped((now) => (now !== undefined && read(now) === undefined ? now : undefined))}
    />
  );
}
