import type { ReactNode } from "react";
import { Tab, TabList, TabPanel, Tabs as AriaTabs } from "react-aria-components";
import { styled } from "styled-components";
import { color, size, space } from "../theme/index.ts";

const List = styled(TabList)`
  display: flex;
  flex-wrap: wrap;
  border-bottom: 1.5px solid ${color.strongLine};
`;

const Handle = styled(Tab)`
  display: flex;
  align-items: center;
  min-height: 44px;
  padding: 0 ${space.m};
  font-size: ${size.small};
  font-weight: 600;
  cursor: pointer;
  border-bottom: 4px solid transparent;
  &[data-selected] {
    border-color: ${color.accent};
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.focus};
    outline-offset: -3px;
  }
`;

const Panel = styled(TabPanel)`
  padding-top: ${space.m};
  &[data-focus-visible] {
    outline: 3px solid ${color.focus};
    outline-offset: 3px;
  }
`;

interface Page {
  id: string;
  title: string;
  content: ReactNode;
}

/** Pages of one thing, one shown at a time. */
export function Tabs({ label, pages }: { label: string; pages: readonly Page[] }) {
  return (
    <AriaTabs>
      <List aria-label={label}>
        {pages.map((page) => (
          <Handle key={page.id} id={page.id}>
            {page.title}
          </Handle>
        ))}
      </List>
      {pages.map((page) => (
        <Panel key={page.id} id={page.id}>
          {page.content}
        </Panel>
      ))}
    </AriaTabs>
  );
}
