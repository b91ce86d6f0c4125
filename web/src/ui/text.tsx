import { css, styled } from "styled-components";
import { color, font, narrow, print, size, space } from "../theme/index.ts";

export const Title = styled.h1`
  font-size: ${size.big};
  line-height: 1.2;
  font-weight: 700;
`;

export const Heading = styled.h2`
  font-size: ${size.lead};
  font-weight: 700;
  margin-bottom: ${space.s};
`;

export const SubHeading = styled.h3`
  font-size: ${size.body};
  font-weight: 700;
`;

export const Quiet = styled.p`
  color: ${color.quiet};
  font-size: ${size.small};
`;

/** The number of a device in its ring, as the drawing has it. */
export const ringed = css`
  display: grid;
  place-items: center;
  width: 24px;
  height: 24px;
  border: 1.5px solid ${color.ink};
  border-radius: 50%;
  font-size: ${size.tiny};
  font-style: normal;
  font-weight: 700;
`;

/** Terminal, switch or dial names: figures and letters that cannot be mistaken. */
export const Mark = styled.span`
  font-family: ${font.mono};
  font-weight: 600;
  white-space: nowrap;
`;

export const Panel = styled.section`
  --table-ground: ${color.surface};
  background: ${color.surface};
  border: 1px solid ${color.line};
  border-radius: 8px;
  padding: ${space.l};
`;

export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${space.s} ${space.m};
`;

/** What is of no use on paper. */
export const OffPaper = styled.div`
  ${print} {
    display: none;
  }
`;

const unseen = css`
  position: absolute;
  width: 1px;
  height: 1px;
  overflow: hidden;
  clip-path: inset(50%);
  white-space: nowrap;
`;

/** Text for screen readers only. */
export const Hidden = styled.span`
  ${unseen}
`;

/** Words beside a picture that stands for them where there is no room; readers hear them everywhere. */
export const WhereRoom = styled.span`
  ${narrow} {
    ${unseen}
  }
`;
