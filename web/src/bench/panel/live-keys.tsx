import type { Brain, PanelState } from "@anvilcloud/core";
import { useEffect } from "react";
import { styled } from "styled-components";
import { size, space } from "../../theme/index.ts";
import { Glass, Row } from "../../ui/index.ts";
import { Keys } from "./keys.tsx";
import { useKeys } from "./use-keys.ts";

const Small = styled.div`
  display: grid;
  gap: ${space.m};
  justify-items: start;
  ${Glass} {
    min-width: 9ch;
    font-size: ${size.lead};
  }
`;

/** The keys and the display of a running board, for someone who tries a way through its menus. */
export function LiveKeys({ begin, onPanel }: { begin: () => Brain; onPanel: (at: PanelState) => void }) {
  const live = useKeys(begin);
  const { panel } = live.brain;
  useEffect(() => onPanel(panel), [panel, onPanel]);
  return (
    <Small role="group" aria-label="Keys to try">
      <Glass role="status" aria-label="Display of the board that is tried">
        {live.display ? live.display.split("|").join("\n") : "—"}
      </Glass>
      <Row>
        <Keys live={live} />
      </Row>
    </Small>
  );
}
