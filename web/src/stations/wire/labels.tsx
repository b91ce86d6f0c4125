import { nodeWord, seatText } from "@anvilcloud/core";
import { Printer } from "lucide-react";
import { styled } from "styled-components";
import { useJobBench } from "../../data/index.ts";
import { color, font, size, space } from "../../theme/index.ts";
import { Button, Heading, OffPaper, Panel, Quiet, Row } from "../../ui/index.ts";
import { CoreMark } from "../steps/core-table.tsx";

const Sheet = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(168px, 1fr));
  gap: ${space.xs};
  padding: 0;
  margin-top: ${space.s};
`;

const Label = styled.li`
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 0 ${space.s};
  align-items: center;
  padding: ${space.xs} ${space.s};
  border: 1px dashed ${color.strongLine};
  border-radius: 3px;
  break-inside: avoid;
  list-style: none;
  b {
    grid-row: span 2;
    font-family: ${font.mono};
    font-size: ${size.title};
  }
  b[data-long="true"] {
    max-width: 9em;
    font-size: ${size.small};
  }
  span {
    font-size: ${size.tiny};
  }
`;

/** A label for every core, to be cut out and slid over it: where it goes, and whose it is. */
export function Labels() {
  const { plan } = useJobBench();
  const cores = [...plan.wiring.cores].sort((a, b) =>
    nodeWord(a.to).localeCompare(nodeWord(b.to), "en", { numeric: true }),
  );
  return (
    <Panel>
      <Row style={{ justifyContent: "space-between" }}>
        <Heading>Terminal labels</Heading>
        <OffPaper>
          <Button $kind="outlined" onPress={() => window.print()}>
            <Printer size={20} aria-hidden /> Print
          </Button>
        </OffPaper>
      </Row>
      <Quiet>One for each core, in the order of the terminals; cut along the dashes.</Quiet>
      <Sheet aria-label="Terminal labels">
        {cores.map((core) => (
          <Label key={core.id}>
            <b data-long={core.to.kind === "pin"}>
              {core.to.kind === "joint" ? core.to.joint : seatText(core.to, plan.wiring.devices)}
            </b>
            <span>
              <CoreMark colour={core.colour} /> {core.pinLabel}
            </span>
            <span>{core.deviceName}</span>
          </Label>
        ))}
      </Sheet>
    </Panel>
  );
}
