import type { ReactNode } from "react";
import { styled } from "styled-components";
import { color, space } from "../theme/index.ts";
import { Button } from "./button.tsx";
import { Notice } from "./notice.tsx";

const Bars = styled.div`
  display: grid;
  gap: ${space.m};
  padding: ${space.l} 0;
  span {
    height: 20px;
    border-radius: 4px;
    background: ${color.sunk};
  }
`;

/** Something that stands for a whole page, on its margin. */
export const Whole = styled.main`
  padding: ${space.l};
`;

/** Something is being fetched. */
export function Loading({ what }: { what: string }) {
  return (
    <Bars role="status" aria-label={`Loading ${what}`}>
      <span style={{ width: "40%" }} />
      <span style={{ width: "80%" }} />
      <span style={{ width: "65%" }} />
    </Bars>
  );
}

/** Something could not be fetched, and what to do. */
export function Failed({ what, error, retry }: { what: string; error: Error; retry?: () => void }) {
  return (
    <Notice tone="fault" title={`${what} could not be loaded`}>
      {error.message}{" "}
      {retry && (
        <p>
          <Button $kind="outlined" onPress={retry}>
            Try again
          </Button>
        </p>
      )}
    </Notice>
  );
}

const Nothing = styled.div`
  padding: ${space.xl} ${space.l};
  text-align: center;
  border: 1.5px dashed ${color.line};
  border-radius: 8px;
  color: ${color.quiet};
`;

/** Nothing here yet, and how to begin. */
export function Empty({ children }: { children: ReactNode }) {
  return <Nothing>{children}</Nothing>;
}
