import { plainNumber, wireRows, type CablePlan, type Core, type SiteDevice } from "@anvilcloud/core";
import type { Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces";

/** What goes on paper. */
export interface WirePaper {
  title: string;
  board: string;
  /** The bench as a standing SVG; left out, only the lists. */
  drawing?: string;
  cores: readonly Core[];
  devices: readonly SiteDevice[];
  cables: readonly CablePlan[];
}

/** The font that comes with the PDF package; a drawing that names another would have none. */
const font = "Roboto";

const head = (texts: readonly string[]): TableCell[] => texts.map((text) => ({ text, bold: true }));

function table(
  heads: readonly string[],
  rows: readonly (readonly string[])[],
  widths: (string | number)[],
): Content {
  return {
    layout: "lightHorizontalLines",
    fontSize: 8.5,
    table: { headerRows: 1, widths, body: [head(heads), ...rows.map((row) => [...row])] },
  };
}

/** The wire list, the drawing and the cutting list as a document of A4 pages. */
export function wirePaper({
  title,
  board,
  drawing,
  cores,
  devices,
  cables,
}: WirePaper): TDocumentDefinitions {
  const rows = wireRows(cores, devices).map((row) => [
    row.device,
    row.pin,
    row.core,
    row.to,
    [row["size mm²"], row["length m"]].every(Boolean) ? `${row["length m"]} m, ${row["size mm²"]} mm²` : "",
  ]);
  const cuts = cables.map((cable) => [
    cable.label,
    `${cable.cores} + ${cable.spares}`,
    plainNumber(cable.sizeMm2, 2),
    plainNumber(cable.lengthM),
    plainNumber(cable.cutM),
  ]);
  const picture = drawing?.replace(/font-family="[^"]*"/g, `font-family="${font}"`);
  return {
    info: { title: `${title}, wiring` },
    pageSize: "A4",
    pageMargins: [36, 40, 36, 44],
    defaultStyle: { font, fontSize: 10 },
    footer: (page, pages) => ({ text: `${title} · ${page} of ${pages}`, alignment: "center", fontSize: 8 }),
    content: [
      { text: `${title}: wiring`, fontSize: 16, bold: true },
      { text: `Board ${board}. The pin decides, the colour helps.`, margin: [0, 2, 0, 10] },
      ...(picture
        ? [
            {
              svg: picture,
              fit: [523, 330] as [number, number],
              margin: [0, 0, 0, 10] as [number, number, number, number],
            },
          ]
        : []),
      { text: "Wire list", bold: true, margin: [0, 6, 0, 4] },
      table(["Device", "Pin", "Core", "To", "Cable"], rows, ["*", 90, 34, 110, 90]),
      { text: "Cables to cut", bold: true, margin: [0, 14, 0, 4] },
      table(["Cable", "Cores, spare", "mm²", "Run, m", "Cut, m"], cuts, ["*", 70, 40, 50, 50]),
    ],
  };
}

/** Makes the PDF and hands it to the browser to save; the package is fetched only now. */
export async function savePdf(paper: WirePaper, name: string): Promise<void> {
  const [maker, fonts] = await Promise.all([
    import("pdfmake/build/pdfmake"),
    import("pdfmake/build/vfs_fonts"),
  ]);
  maker.default.addVirtualFileSystem(fonts.default);
  await maker.default.createPdf(wirePaper(paper)).download(name);
}
