import {
  conductorText,
  coreColourNames,
  quantityText,
  seatText,
  type CablePlan,
  type Core,
  type LinkPlan,
  type SiteDevice,
  type Units,
} from "@anvilcloud/core";
import { deviceNumbers } from "../../bench/index.ts";
import type { Content, TDocumentDefinitions } from "pdfmake/interfaces";
import { onPaper, pages, paperTable, type PaperTitle } from "./paper.ts";

/** What of a job's wiring goes on paper. */
export interface WirePaper {
  title: PaperTitle;
  /** The bench as a standing SVG; left out, only the lists. */
  drawing?: string;
  cores: readonly Core[];
  links: readonly LinkPlan[];
  devices: readonly SiteDevice[];
  cables: readonly CablePlan[];
  units: Units;
}

const heading = (text: string): Content => ({ text, bold: true, margin: [0, 10, 0, 4], headlineLevel: 1 });

/** What the drawing shows, in words. */
const legend =
  "Circles are devices, by the numbers of the list; ~ is the mains. A bow between two terminals is a link that is in, a broken line one that is out. Cores have the colours of the list.";

/** Links that are moved first, then those that stay. */
function linkRows(links: readonly LinkPlan[]): string[][] {
  const moves = ({ found, planned }: LinkPlan) => found !== planned;
  return [...links]
    .sort((a, b) => Number(moves(b)) - Number(moves(a)))
    .map((link) => [
      link.between.join("–"),
      moves(link) ? (link.planned === "in" ? "PUT IN" : "TAKE OUT") : `stays ${link.planned}`,
      link.why,
    ]);
}

/** Links to move, the drawing with its legend, the wire list and the cutting list, as pages. */
export function wirePaper({
  title,
  drawing,
  cores,
  links,
  devices,
  cables,
  units,
}: WirePaper): TDocumentDefinitions {
  const numbers = deviceNumbers(devices);
  const coreRows = cores.map((core) => [
    (core.device && numbers[core.device]) ?? "~",
    core.deviceName,
    core.pinLabel,
    core.colour,
    seatText(core.to, devices),
    core.cable
      ? `${quantityText(core.cable.lengthM, "m", units)}, ${conductorText(core.cable.sizeMm2, units)}`
      : "",
    core.why,
  ]);
  const used = [...new Set(cores.map(({ colour }) => colour))];
  const colours = used.map((colour) => `${colour} ${coreColourNames[colour]}`).join(", ");
  const cuts = cables.map((cable) => [
    cable.label,
    `${cable.cores} + ${cable.spares}`,
    conductorText(cable.sizeMm2, units),
    quantityText(cable.lengthM, "m", units),
    quantityText(cable.cutM, "m", units),
  ]);
  return pages(title, "wiring", [
    { text: "Wiring", fontSize: 16, bold: true },
    { text: "The pin decides, the colour helps.", margin: [0, 2, 0, 6] },
    ...(links.length
      ? [
          heading("Links, those to move first"),
          paperTable(["Between", "To do", "Why"], linkRows(links), [70, 70, "*"]),
        ]
      : []),
    ...(drawing
      ? [
          {
            svg: onPaper(drawing),
            fit: [523, 330] as [number, number],
            margin: [0, 10, 0, 4] as [number, number, number, number],
          },
          { text: legend, fontSize: 8 },
        ]
      : []),
    heading("Wire list"),
    paperTable(["No.", "Device", "Pin", "Core", "To", "Cable", "For"], coreRows, [
      20,
      88,
      62,
      30,
      64,
      72,
      "*",
    ]),
    { text: `Colours: ${colours}.`, fontSize: 8, margin: [0, 4, 0, 0] },
    heading("Cables to cut"),
    paperTable(["Cable", "Cores, spare", "Size", "Run", "Cut"], cuts, ["*", 70, 60, 60, 60]),
  ]);
}
