import { Search } from "lucide-react";
import {
  Autocomplete,
  Collection,
  Header,
  Input,
  Label,
  ListBox,
  ListBoxItem,
  ListBoxSection,
  SearchField,
  type Selection,
} from "react-aria-components";
import { styled } from "styled-components";
import { color, size, space, touch } from "../../theme/index.ts";
import { bestFirst, underHeads, type Findable } from "./best-first.ts";

const Field = styled(SearchField)`
  display: grid;
  gap: ${space.xs};
  label {
    font-weight: 600;
    font-size: ${size.small};
  }
  > div {
    position: relative;
  }
  svg {
    position: absolute;
    left: 12px;
    top: 13px;
    color: ${color.quiet};
  }
  input {
    min-height: ${touch};
    width: 100%;
    padding: ${space.s} ${space.m} ${space.s} 40px;
    border: 1.5px solid ${color.strongLine};
    border-radius: 6px;
    background: ${color.surface};
  }
  input::-webkit-search-cancel-button {
    display: none;
  }
`;

/** What scrolls can be scrolled by keys: a stop of its own after the field that walks the list. */
const Scrolled = styled.div`
  margin-top: ${space.s};
  max-height: min(52dvh, 460px);
  overflow: auto;
  border-top: 1px solid ${color.line};
`;

const List = styled(ListBox)`
  outline: none;
  header {
    position: sticky;
    top: 0;
    z-index: 1;
    padding: ${space.s} ${space.s} ${space.xs};
    background: ${color.surface};
    color: ${color.quiet};
    font-size: ${size.tiny};
    font-weight: 600;
  }
` as typeof ListBox;

const Item = styled(ListBoxItem)`
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: center;
  min-height: ${touch};
  padding: ${space.xs} ${space.s};
  border-radius: 6px;
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: ${color.accentSoft};
  }
  &[data-unfit] > span:first-child {
    color: ${color.quiet};
  }
  small {
    display: block;
    color: ${color.quiet};
    font-size: ${size.tiny};
    line-height: 1.3;
  }
  i {
    width: 22px;
    height: 22px;
    border: 1.5px solid ${color.strongLine};
    border-radius: 5px;
    font-style: normal;
    text-align: center;
    line-height: 19px;
  }
  &[data-selected] i {
    background: ${color.accent};
    border-color: ${color.accent};
    color: ${color.onAccent};
  }
`;

interface Props {
  /** What is looked for, and what may be typed. */
  label: string;
  hint?: string;
  things: readonly Findable[];
  query: string;
  onQuery: (query: string) => void;
  /** One is chosen. */
  onChoose?: (id: string) => void;
  /** Several are chosen, and kept so until they are taken. */
  chosen?: ReadonlySet<string>;
  onChosen?: (chosen: ReadonlySet<string>) => void;
  /** False where something before it is filled in first. */
  isFirst?: boolean;
  /** Said where nothing is found. */
  none: string;
}

/** A list to look something up in: typing finds it by any of its words, arrows walk what is found, Enter chooses. */
export function Finder({
  isFirst = true,
  label,
  hint,
  things,
  query,
  onQuery,
  onChoose,
  chosen,
  onChosen,
  none,
}: Props) {
  const heads = underHeads(bestFirst(things, query));
  const several = chosen !== undefined;
  return (
    <Autocomplete inputValue={query} onInputChange={onQuery} disableAutoFocusFirst={several}>
      <Field autoFocus={isFirst}>
        <Label>{label}</Label>
        <div>
          <Search size={18} aria-hidden />
          <Input placeholder={hint} />
        </div>
      </Field>
      <Scrolled tabIndex={0}>
        <List
          aria-label={label}
          items={heads}
          {...(several
            ? {
                selectionMode: "multiple",
                selectedKeys: chosen,
                onSelectionChange: (keys: Selection) => {
                  if (keys !== "all") onChosen?.(new Set([...keys].map(String)));
                },
              }
            : { onAction: (key: string | number) => onChoose?.(String(key)) })}
          renderEmptyState={() => <p style={{ padding: 12 }}>{none}</p>}
        >
          {({ head, things: under }) => (
            <ListBoxSection id={`head ${head}`}>
              <Header>{head}</Header>
              <Collection items={under}>
                {(thing) => (
                  <Item id={thing.id} textValue={thing.text} data-unfit={thing.isUnfit || undefined}>
                    <span>
                      {thing.text}
                      {thing.says && <small>{thing.says}</small>}
                    </span>
                    {several && <i aria-hidden>{chosen.has(thing.id) ? "✓" : ""}</i>}
                  </Item>
                )}
              </Collection>
            </ListBoxSection>
          )}
        </List>
      </Scrolled>
    </Autocomplete>
  );
}
