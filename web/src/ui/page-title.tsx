import { useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { styled } from "styled-components";
import { Title } from "./text.tsx";

const Focused = styled(Title)`
  scroll-margin-top: 120px;
  &:focus {
    outline: none;
  }
`;

/**
 * The heading of a page: names the window's title; when the page was come to from another one it goes to the top and takes
 * the focus, so that a screen reader says where one is.
 */
export function PageTitle({ children }: { children: string }) {
  const heading = useRef<HTMLHeadingElement>(null);
  const { key } = useLocation();
  useEffect(() => {
    document.title = `${children} · Anvilcloud`;
    // The first page of a visit leaves focus and place to the browser.
    if (key === "default") return;
    heading.current?.focus({ preventScroll: true });
    window.scrollTo(0, 0);
    // Not at every new address: a choice within the page stays where it is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [children]);
  return (
    <Focused ref={heading} tabIndex={-1}>
      {children}
    </Focused>
  );
}
