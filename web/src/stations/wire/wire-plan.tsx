import type { Demand, LinkPlan, ShownPlan } from "@anvilcloud/core";
import { Download, FileText } from "lucide-react";
import { drawingOnPage, saveText } from "../../bench/index.ts";
import { useJobBench } from "../../data/index.ts";
import {
  Button,
  DataTable,
  Heading,
  Mark,
  Panel,
  Quiet,
  Row,
  useUnits,
  type Column,
} from "../../ui/index.ts";
import { litRow } from "../shared/lit-row.tsx";
import { CoreTable } from "../steps/core-table.tsx";
import { Rails } from "./rails.tsx";
import { wireCsv } from "./wire-csv.ts";
import { savePdf, titleOf } from "../paper/paper.ts";
import { wirePaper } from "../paper/wiring.ts";

const moves = ({ found, planned }: LinkPlan) => found !== planned;
const LinkRow = litRow<LinkPlan>(({ id }) => [{ kind: "link", id }], moves);

const linkColumns: Column<LinkPlan>[] = [
  {
    id: "between",
    head: "Between",
    cell: ({ between }) => <Mark>{between.join("–")}</Mark>,
    by: ({ between }) => between.join(" "),
    phone: "first",
  },
  {
    id: "planned",
    head: "To do",
    cell: (link) =>
      moves(link) ? (
        <b style={{ whiteSpace: "nowrap" }}>{link.planned === "out" ? "take out" : "put in"}</b>
      ) : (
        `stays ${link.planned}`
      ),
    by: (link) => `${moves(link) ? 0 : 1} ${link.planned}`,
    phone: "end",
  },
  { id: "why", head: "Why", cell: ({ why }) => why, width: "60%", phone: "below" },
];

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

type Placement = ShownPlan["wiring"]["placements"][number];

const PlacementRow = litRow<Placement>(
  ({ demand }) => [{ kind: "device", id: demand.device.id }],
  ({ place }) => !place,
);

const placementColumns: Column<Placement>[] = [
  {
    id: "what",
    head: "What",
    cell: ({ demand }) => demandText(demand),
    by: ({ demand }) => demandText(demand),
    width: "30%",
    phone: "first",
  },
  { id: "why", head: "Why", cell: ({ why }) => why, phone: "below" },
];

const placementKey = ({ demand }: Placement) => `${demand.device.id} ${demandText(demand)}`;

const placementGroups = {
  of: ({ demand }: Placement) => demand.device.name,
  head: (rows: readonly Placement[]) => rows[0]?.demand.device.name,
};

/** The plan of the wiring: links that move, rails with what they carry, the wire list. */
export function WirePlan() {
  const { plan } = useJobBench();
  const { links, rails, reach, cores } = plan.wiring;
  const units = useUnits();
  const sorted = [...links].sort((a, b) => Number(b.found !== b.planned) - Number(a.found !== a.planned));
  const pdf = () =>
    savePdf(
      wirePaper({
        title: titleOf(plan, new Date()),
        drawing: drawingOnPage(),
        cores,
        links: plan.wiring.links,
        devices: plan.wiring.devices,
        cables: plan.wiring.cables,
        units,
      }),
      `${plan.bundle.job.id}-wiring.pdf`,
    );
  return (
    <>
      <Panel>
        <Heading>Links</Heading>
        <DataTable
          label="Links"
          rows={sorted}
          columns={linkColumns}
          rowKey={({ id }) => id}
          frame={LinkRow}
        />
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
        <DataTable
          label="Why each sits where it does"
          rows={plan.wiring.placements}
          columns={placementColumns}
          rowKey={placementKey}
          group={placementGroups}
          frame={PlacementRow}
        />
      </Panel>
    </>
  );
}
