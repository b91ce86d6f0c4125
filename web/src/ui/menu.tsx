import { Ellipsis } from "lucide-react";
import { Menu as AriaMenu, MenuItem, MenuTrigger, Popover } from "react-aria-components";
import { styled } from "styled-components";
import { color, space, touch } from "../theme/index.ts";
import { Button } from "./button.tsx";

const Sheet = styled(Popover)`
  min-width: 220px;
  background: ${color.surface};
  border: 1.5px solid ${color.strongLine};
  border-radius: 6px;
  box-shadow: 0 8px 24px rgb(0 0 0 / 0.2);
  [role="menu"] {
    outline: none;
    padding: ${space.xs} 0;
  }
`;

const Item = styled(MenuItem)`
  display: flex;
  align-items: center;
  min-height: ${touch};
  padding: 0 ${space.l};
  cursor: pointer;
  outline: none;
  &[data-focused] {
    background: ${color.accentSoft};
  }
`;

interface Props {
  label: string;
  acts: readonly { id: string; text: string; act: () => void }[];
}

/** What else can be done with a thing, behind three dots. */
export function Menu({ label, acts }: Props) {
  return (
    <MenuTrigger>
      <Button $kind="quiet" aria-label={label} style={{ padding: 0 }}>
        <Ellipsis size={20} aria-hidden />
      </Button>
      <Sheet placement="bottom end">
        <AriaMenu aria-label={label} onAction={(key) => acts.find(({ id }) => id === key)?.act()}>
          {acts.map(({ id, text }) => (
            <Item key={id} id={id} textValue={text}>
              {text}
            </Item>
          ))}
        </AriaMenu>
      </Sheet>
    </MenuTrigger>
  );
}
