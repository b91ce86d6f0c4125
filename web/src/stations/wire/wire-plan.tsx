import type { Demand } from "@anvilcloud/core";
import { Download, FileText } from "lucide-react";
import { drawingOnPage, saveText } from "../../bench/index.ts";
import { useJobBench, useLights } from "../../data/index.ts";
import { Button, Heading, Mark, Panel, Quiet, Row, Scroll, Table } from "../../ui/index.ts";
import { CoreTable } from "../steps/core-table.tsx";
import { Rails } from "./rails.tsx";
import { wireCsv } from "./wire-csv.ts";
import { savePdf } from "./wire-pdf.ts";

function LinkRow({
  id,
  between,
  found,
  planned,
  why,
}: {
  id: string;
  between: [string, string];
  found: string;
  planned: string;
  why: string;
}) {
  const lights = useLights([{ kind: "link", id }]);
  const changes = found !== planned;
  return (
    <tr {...lights} data-changed={changes}>
      <td>
        <Mark>{between.join("–")}</Mark>
      </td>
      <td style={{ whiteSpace: "nowrap" }}>
        {changes ? <b>{planned === "out" ? "take out" : "put in"}</b> : `stays ${planned}`}
      </td>
      <td>{why}</td>
    </tr>
  );
}

/** What of a device was to be placed, in a few words. */
function demandText(demand: Demand): string {
  switch (demand.kind) {
    case "contact":
      return `${demand.contact.duty} contact`;
    case "supply":
      return `supply ${demand.supply.id}`;
    case "listen":
      return `${demand.listen.to} pair`;
    case "source":
      return demand.inlet;
  }
}

function PlacementRow(props: { device: string; name: string; what: string; why: string; missing: boolean }) {
  const lights = useLights([{ kind: "device", id: props.device }]);
  return (
    <tr {...lights} data-changed={props.missing}>
      <td>{props.name}</td>
      <td>{props.what}</td>
      <td>{props.why}</td>
    </tr>
  );
}

/** The plan of the wiring: links that move, rails with what they carry, the wire list. */
export function WirePlan() {
  const { plan } = useJobBench();
  const { links, rails, reach, cores } = plan.wiring;
  const sorted = [...links].sort((a, b) => Number(b.found !== b.planned) - Number(a.found !== a.planned));
  const pdf = () =>
    savePdf(
      {
        title: plan.bundle.job.title,
        board: `${plan.bundle.board.maker} ${plan.bundle.board.name}`,
        drawing: drawingOnPage(),
        cores,
        devices: plan.wiring.devices,
        cables: plan.wiring.cables,
      },
      `${plan.bundle.job.id}-wiring.pdf`,
    );
  return (
    <>
      <Panel>
        <Heading>Links</Heading>
        <Table aria-label="Links">
          <tbody>
            {sorted.map((link) => (
              <LinkRow key={link.id} {...link} />
            ))}
          </tbody>
        </Table>
      </Panel>
      <Panel>
        <Row style={{ justifyContent: "space-between" }}>
          <Heading>Wire list</Heading>
          <Row>
            <Button $kind="outlined" onPress={() => void pdf()}>
              <FileText size={20} aria-hidden /> PDF
            </Button>
            <Button
              $kind="outlined"
              onPress={() =>
                saveText(`${plan.bundle.job.id}-wires.csv`, "text/csv", wireCsv(cores, plan.wiring.devices))
              }
            >
              <Download size={20} aria-hidden /> CSV
            </Button>
          </Row>
        </Row>
        <Quiet>Core colours vary by batch and maker: the pin decides, the colour helps.</Quiet>
        <CoreTable cores={cores} long label="Wire list" />
      </Panel>
      <Rails rails={rails} reach={reach} devices={plan.wiring.devices} />
      <Panel>
        <Heading>Why each sits where it does</Heading>
        <Scroll>
          <Table aria-label="Why each sits where it does">
            <tbody>
              {plan.wiring.placements.map(({ demand, why, place }, at) => (
                <PlacementRow
                  key={at}
                  device={demand.device.id}
                  name={demand.device.name}
                  what={demandText(demand)}
                  why={why}
                  missing={!place}
                />
              ))}
            </tbody>
          </Table>
        </Scroll>
      </Panel>
    </>
  );
}
