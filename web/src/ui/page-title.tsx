import { useEffect, useRef } from "react";
import { useLocation } from "react-router";
import { styled } from "styled-components";
import { narrow, space } from "../theme/index.ts";
import { Title } from "./text.tsx";

const Focused = styled(Title)`
  scroll-margin-top: 120px;
  &:focus {
    outline: none;
  }
`;

/** Where the work of a page begins, under the name and the ways of what it belongs to: its steps come to the top of the window. */
export const Work = styled.div.attrs({ className: "work" })`
  scroll-margin-top: ${space.s};
  ${narrow} {
    /* The strip of stations stays over it. */
    scroll-margin-top: 54px;
  }
`;

interface Props {
  children: string;
  /** True for one of many cards of the same work, which comes to the top of the window instead of the page. */
  isCard?: boolean;
}

/**
 * The heading of a page: names the window's title; when the page was come to from another one it goes to the top and takes
 * the focus, so that a screen reader says where one is.
 */
export function PageTitle({ children, isCard = false }: Props) {
  const heading = useRef<HTMLHeadingElement>(null);
  const { key } = useLocation();
  useEffect(() => {
    document.title = `${children} · Anvilcloud`;
    // The first page of a visit leaves focus and place to the browser.
    if (key === "default") return;
    heading.current?.focus({ preventScroll: true });
    const work = isCard ? heading.current?.closest(".work") : undefined;
    if (work) work.scrollIntoView({ block: "start" });
    else window.scrollTo(0, 0);
    // Not at every new address: a choice within the page stays where it is.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [children]);
  return (
    <Focused ref={heading} tabIndex={-1}>
      {children}
    </Focused>
  );
}
