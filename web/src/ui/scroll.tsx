import { styled } from "styled-components";

/** Lets a wide table scroll in itself; the keyboard can reach it to do so. */
export const Scroll = styled.div.attrs({ tabIndex: 0 })`
  overflow-x: auto;
`;
