import { Radio, RadioGroup } from "react-aria-components";
import { styled } from "styled-components";
import { color, print, size, space } from "../theme/index.ts";

const Group = styled(RadioGroup)`
  display: inline-flex;
  width: fit-content;
  border: 1.5px solid ${color.strongLine};
  border-radius: 6px;
  overflow: hidden;
  ${print} {
    display: none;
  }
`;

const Segment = styled(Radio)`
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 44px;
  min-width: 44px;
  padding: 0 ${space.m};
  font-size: ${size.small};
  font-weight: 600;
  cursor: pointer;
  background: ${color.surface};
  & + & {
    border-left: 1.5px solid ${color.strongLine};
  }
  &[data-selected] {
    background: ${color.accent};
    color: ${color.onAccent};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.focus};
    outline-offset: -3px;
  }
`;

interface Props<T extends string> {
  label: string;
  value: T;
  onChange: (value: T) => void;
  options: readonly { id: T; text: string }[];
}

/** A few choices side by side, one of them taken. */
export function Segments<T extends string>({ label, value, onChange, options }: Props<T>) {
  return (
    <Group aria-label={label} value={value} onChange={(next) => onChange(next as T)} orientation="horizontal">
      {options.map((option) => (
        <Segment key={option.id} value={option.id}>
          {option.text}
        </Segment>
      ))}
    </Group>
  );
}
