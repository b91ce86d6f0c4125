import { makeRecord, nodeWord, seatText, type Core, type Whereabouts } from "@anvilcloud/core";
import { FileText, QrCode } from "lucide-react";
import { useState } from "react";
import { styled } from "styled-components";
import useSWR from "swr";
import { getJson, useJobBench, whereaboutsKey } from "../../data/index.ts";
import { color, font, size, space } from "../../theme/index.ts";
import { Button, Choice, Heading, NumberInput, OffPaper, Panel, Quiet, Row } from "../../ui/index.ts";
import { cabinetLabel, labelSheets, terminalLabels, type TerminalLabel } from "../paper/labels.ts";
import { savePdf, titleOf } from "../paper/paper.ts";
import { dayText } from "../shared/words.ts";
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

/** The sheet chosen last on this device. */
const sheetKey = "anvilcloud-label-sheet";

/** Saves the labels on a sheet as it is sold, and the one for the cabinet. */
function OnSheets({ labels }: { labels: readonly TerminalLabel[] }) {
  const { job, plan } = useJobBench();
  const { data } = useSWR<Whereabouts, Error>(whereaboutsKey, getJson);
  const [id, setId] = useState(() => localStorage.getItem(sheetKey) ?? labelSheets[0]!.id);
  const [begun, setBegun] = useState<number | undefined>(0);
  const sheet = labelSheets.find((each) => each.id === id) ?? labelSheets[0]!;
  const cabinet = () => {
    const title = titleOf(plan, new Date());
    const { handedOver } = makeRecord(plan);
    return savePdf(
      cabinetLabel({
        ...title,
        title: title.job,
        breaker: job.survey.breaker,
        nextService: handedOver ? dayText(handedOver.nextService) : "",
        address: `${data?.addresses[0] ?? location.origin}/jobs/${job.id}`,
      }),
      `${job.id}-cabinet.pdf`,
    );
  };
  return (
    <OffPaper>
      <Row style={{ alignItems: "end" }}>
        <div style={{ flex: "1 1 230px" }}>
          <Choice
            label="Sheet"
            value={sheet.id}
            onChange={(next) => {
              setId(next);
              localStorage.setItem(sheetKey, next);
            }}
            options={labelSheets.map(({ id: each, name }) => ({ id: each, text: name }))}
          />
        </div>
        <div style={{ flex: "0 1 150px" }}>
          <NumberInput label="Labels already used" value={begun} onChange={setBegun} />
        </div>
        <Button
          $kind="filled"
          onPress={() =>
            void savePdf(
              terminalLabels(
                labels,
                sheet,
                Math.max(0, Math.round(begun ?? 0)) % (sheet.across * sheet.down),
              ),
              `${job.id}-labels.pdf`,
            )
          }
        >
          <FileText size={20} aria-hidden /> Labels as PDF
        </Button>
        <Button $kind="outlined" onPress={() => void cabinet()}>
          <QrCode size={20} aria-hidden /> Cabinet label
        </Button>
      </Row>
      <Quiet>
        The cabinet label has a code that opens this job
        {data && !data.addresses.length ? ", on this machine only as long as others do not reach it" : ""}.
      </Quiet>
    </OffPaper>
  );
}

/** A label for every core, to be slid over it or stuck beside it: where it goes, and whose it is. */
export function Labels() {
  const { plan } = useJobBench();
  const cores = [...plan.wiring.cores].sort((a, b) =>
    nodeWord(a.to).localeCompare(nodeWord(b.to), "en", { numeric: true }),
  );
  const placeOf = ({ to }: Core) => (to.kind === "joint" ? to.joint : seatText(to, plan.wiring.devices));
  const labels = cores.map((core) => ({
    place: placeOf(core),
    core: `${core.colour} ${core.pinLabel}`,
    device: core.deviceName,
  }));
  return (
    <Panel>
      <Heading>Terminal labels</Heading>
      <Quiet>One for each core, in the order of the terminals.</Quiet>
      <OnSheets labels={labels} />
      <Sheet aria-label="Terminal labels">
        {cores.map((core) => (
          <Label key={core.id}>
            <b data-long={core.to.kind === "pin"}>{placeOf(core)}</b>
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
