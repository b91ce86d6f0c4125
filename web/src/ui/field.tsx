import type { ReactNode } from "react";
import {
  Button,
  FieldError,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  Popover,
  Select,
  SelectValue,
  Switch,
  Text,
  TextArea,
  TextField,
} from "react-aria-components";
import { ChevronDown } from "lucide-react";
import { styled } from "styled-components";
import { color, size, space, touch } from "../theme/index.ts";
import { Hidden } from "./text.tsx";

const box = `
  min-height: ${touch};
  width: 100%;
  padding: ${space.s} ${space.m};
  border: 1.5px solid ${color.strongLine};
  border-radius: 6px;
  background: ${color.surface};
`;

/** A field with its label above and what is wrong with it below. */
export const Frame = styled.div`
  > div {
    display: flex;
    flex-direction: column;
    gap: ${space.xs};
  }
  label,
  .react-aria-Label {
    font-weight: 600;
    font-size: ${size.small};
  }
  input,
  textarea {
    ${box}
  }
  [data-invalid] input,
  [data-invalid] textarea {
    border-color: ${color.danger};
    box-shadow: inset 0 0 0 1px ${color.danger};
  }
  [slot="description"] {
    color: ${color.quiet};
    font-size: ${size.tiny};
  }
  .error {
    color: ${color.danger};
    font-size: ${size.small};
    font-weight: 600;
  }
`;

const SelectButton = styled(Button)`
  ${box}
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: ${space.s};
  text-align: left;
  white-space: nowrap;
  overflow: hidden;
  cursor: pointer;
  svg {
    flex: none;
  }
`;

const Options = styled(Popover)`
  min-width: var(--trigger-width);
  max-height: 320px;
  overflow: auto;
  background: ${color.surface};
  border: 1.5px solid ${color.strongLine};
  border-radius: 6px;
  box-shadow: 0 8px 24px rgb(0 0 0 / 0.2);
`;

const Option = styled(ListBoxItem)`
  min-height: ${touch};
  display: flex;
  align-items: center;
  padding: ${space.s} ${space.m};
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: ${color.accentSoft};
  }
  &[data-selected] {
    font-weight: 700;
  }
`;

/** What every field is told. */
export interface Common {
  label: string;
  error?: string;
  hint?: ReactNode;
}

interface TextProps extends Common {
  value: string;
  onChange: (value: string) => void;
  onBlur?: () => void;
  long?: boolean;
  autoFocus?: boolean;
  /** True where a table's head says what it is; readers still hear the label. */
  hideLabel?: boolean;
  placeholder?: string;
  /** True for what nobody looks over a shoulder should read. */
  secret?: boolean;
}

const passphrase = { type: "password", autoComplete: "current-password" } as const;

/** One line of text, or several. */
export function TextInput({
  label,
  error,
  hint,
  value,
  onChange,
  onBlur,
  long,
  autoFocus,
  hideLabel,
  placeholder,
  secret,
}: TextProps) {
  return (
    <Frame>
      <TextField value={value} onChange={onChange} onBlur={onBlur} isInvalid={!!error} autoFocus={autoFocus}>
        {hideLabel ? <Hidden as={Label}>{label}</Hidden> : <Label>{label}</Label>}
        {long ? <TextArea rows={3} /> : <Input placeholder={placeholder} {...(secret ? passphrase : {})} />}
        {hint && <Text slot="description">{hint}</Text>}
        <FieldError className="error">{error}</FieldError>
      </TextField>
    </Frame>
  );
}

interface ChoiceProps<T extends string> extends Common {
  value: T | undefined;
  onChange: (value: T) => void;
  options: readonly { id: T; text: string }[];
  placeholder?: string;
}

/** One of several words. */
export function Choice<T extends string>({
  label,
  error,
  hint,
  value,
  onChange,
  options,
  placeholder,
}: ChoiceProps<T>) {
  return (
    <Frame>
      <Select
        value={value ?? null}
        onChange={(key) => key !== null && onChange(key as T)}
        isInvalid={!!error}
        placeholder={placeholder ?? "choose"}
      >
        <Label>{label}</Label>
        <SelectButton>
          <SelectValue />
          <ChevronDown size={18} aria-hidden />
        </SelectButton>
        {hint && <Text slot="description">{hint}</Text>}
        <FieldError className="error">{error}</FieldError>
        <Options>
          <ListBox>
            {options.map((option) => (
              <Option key={option.id} id={option.id} textValue={option.text}>
                {option.text}
              </Option>
            ))}
          </ListBox>
        </Options>
      </Select>
    </Frame>
  );
}

const Track = styled(Switch)`
  display: inline-flex;
  align-items: center;
  gap: ${space.s};
  min-height: ${touch};
  font-weight: 600;
  font-size: ${size.small};
  cursor: pointer;
  .track {
    flex: none;
    width: 40px;
    height: 24px;
    border: 1.5px solid ${color.strongLine};
    border-radius: 4px;
    padding: 2px;
    background: ${color.sunk};
  }
  .track::before {
    content: "";
    display: block;
    width: 16px;
    height: 17px;
    border-radius: 2px;
    background: ${color.strongLine};
  }
  &[data-selected] .track {
    background: ${color.accent};
    border-color: ${color.accent};
  }
  &[data-selected] .track::before {
    margin-left: 17px;
    background: ${color.onAccent};
  }
  &[data-focus-visible] .track {
    outline: 3px solid ${color.focus};
    outline-offset: 2px;
  }
`;

/** On or off, with words on either side of the truth. */
export function Toggle({
  label,
  value,
  onChange,
}: {
  label: string;
  value: boolean;
  onChange: (value: boolean) => void;
}) {
  return (
    <Track isSelected={value} onChange={onChange}>
      <span className="track" aria-hidden />
      {label}
    </Track>
  );
}
