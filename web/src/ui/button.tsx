import { Button as AriaButton } from "react-aria-components";
import { styled } from "styled-components";
import { color, print, size, space, touch } from "../theme/index.ts";

/** A button: filled for the one thing to do next, outlined for the rest, danger where it cannot be undone. */
export const Button = styled(AriaButton)<{ $kind?: "filled" | "outlined" | "quiet" | "danger" }>`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: ${space.s};
  min-height: ${touch};
  min-width: ${touch};
  padding: 0 ${space.l};
  border-radius: 6px;
  border: 1.5px solid
    ${({ $kind }) =>
      $kind === "quiet"
        ? "transparent"
        : $kind === "danger"
          ? color.danger
          : $kind === "filled"
            ? color.accent
            : color.strongLine};
  background: ${({ $kind }) => ($kind === "filled" ? color.accent : "transparent")};
  color: ${({ $kind }) => ($kind === "filled" ? color.onAccent : $kind === "danger" ? color.danger : color.ink)};
  font-size: ${size.body};
  font-weight: 600;
  cursor: pointer;
  &[data-hovered] {
    filter: brightness(1.08);
    background: ${({ $kind }) => ($kind === "filled" ? color.accent : color.sunk)};
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
  ${print} {
    display: none;
  }
`;
