import type { ShownPlan } from "@anvilcloud/core";
import type { Content, TableCell, TDocumentDefinitions } from "pdfmake/interfaces";
import { dayText } from "../shared/words.ts";

/** What every page says of its job. */
export interface PaperTitle {
  job: string;
  site: string;
  board: string;
  installer: string;
  date: string;
}

/** The title data of a plan's papers, as they are on a day. */
export function titleOf({ bundle: { job, board } }: ShownPlan, now: Date): PaperTitle {
  return {
    job: job.title,
    site: [job.site.customer, job.site.address, job.site.town].filter(Boolean).join(", "),
    board: `${board.maker} ${board.name}, revision ${board.revision}`,
    installer: job.installer,
    date: dayText(now.toISOString()),
  };
}

/** The same in one line, for the foot of a drawing. */
export const titleLine = ({ job, board, installer, date }: PaperTitle): string =>
  [job, board, installer, date].filter(Boolean).join(" · ");

/** The font that comes with the PDF package; a drawing that names another would have none. */
export const paperFont = "Roboto";

/** A drawing as the PDF package takes it. */
export const onPaper = (drawing: string): string =>
  drawing.replace(/font-family="[^"]*"/g, `font-family="${paperFont}"`);

/** A table of texts with a head that is repeated on each page. */
export function paperTable(
  heads: readonly string[],
  rows: readonly (readonly TableCell[])[],
  widths: (string | number)[],
): Content {
  return {
    layout: "lightHorizontalLines",
    fontSize: 8.5,
    table: {
      headerRows: 1,
      // No head stays alone at the foot of a page.
      keepWithHeaderRows: 1,
      dontBreakRows: true,
      widths,
      body: [heads.map((text): TableCell => ({ text, bold: true })), ...rows.map((row) => [...row])],
    },
  };
}

/** A4 pages with what every page says at head and foot. */
export function pages(title: PaperTitle, what: string, content: Content[]): TDocumentDefinitions {
  const { job, site, board, installer, date } = title;
  return {
    info: { title: `${job}, ${what}` },
    pageSize: "A4",
    pageMargins: [36, 64, 36, 44],
    defaultStyle: { font: paperFont, fontSize: 10 },
    header: {
      margin: [36, 22, 36, 0],
      fontSize: 8,
      columns: [
        { width: "*", text: [{ text: job, bold: true }, `\n${site}`] },
        {
          width: "*",
          alignment: "right",
          text: [board, `\n${[installer, date].filter(Boolean).join(", ")}`],
        },
      ],
    },
    footer: (page, all) => ({
      text: `${job}, ${what} · page ${page} of ${all}`,
      alignment: "center",
      fontSize: 8,
    }),
    content,
  };
}

/** Makes a PDF and hands it to the browser to save; the package is fetched only now. */
export async function savePdf(paper: TDocumentDefinitions, name: string): Promise<void> {
  const [maker, fonts] = await Promise.all([
    import("pdfmake/build/pdfmake"),
    import("pdfmake/build/vfs_fonts"),
  ]);
  maker.default.addVirtualFileSystem(fonts.default);
  await maker.default.createPdf(paper).download(name);
}
