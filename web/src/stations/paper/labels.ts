import type { Content, TDocumentDefinitions } from "pdfmake/interfaces";
import { paperFont } from "./paper.ts";

/** A sheet of labels as it is sold: so many across and down, each so large, from so far in; mm. */
export interface LabelSheet {
  id: string;
  name: string;
  page: "A4" | "LETTER";
  across: number;
  down: number;
  widthMm: number;
  heightMm: number;
  /** From the edges of the page to the first label, and from one label to the next. */
  leftMm: number;
  topMm: number;
  pitchXMm: number;
  pitchYMm: number;
}

/** Sizes that many makers sell alike. Common practice, no published source. */
export const labelSheets: readonly LabelSheet[] = [
  {
    id: "a4-65",
    name: "A4, 65 labels of 38 × 21 mm",
    page: "A4",
    across: 5,
    down: 13,
    widthMm: 38.1,
    heightMm: 21.2,
    leftMm: 4.7,
    topMm: 10.7,
    pitchXMm: 40.6,
    pitchYMm: 21.2,
  },
  {
    id: "a4-24",
    name: "A4, 24 labels of 70 × 37 mm",
    page: "A4",
    across: 3,
    down: 8,
    widthMm: 70,
    heightMm: 37,
    leftMm: 0,
    topMm: 0.5,
    pitchXMm: 70,
    pitchYMm: 37,
  },
  {
    id: "letter-30",
    name: "Letter, 30 labels of 67 × 25 mm",
    page: "LETTER",
    across: 3,
    down: 10,
    widthMm: 66.7,
    heightMm: 25.4,
    leftMm: 4.8,
    topMm: 12.7,
    pitchXMm: 69.9,
    pitchYMm: 25.4,
  },
];

/** Size of each page, mm. ISO 216; ANSI/ASME Y14.1. */
export const pageMm = { A4: { width: 210, height: 297 }, LETTER: { width: 215.9, height: 279.4 } } as const;

const points = (mm: number): number => (mm / 25.4) * 72;

/** What stands on a label: where the core goes, large; what it is; whose it is. */
export interface TerminalLabel {
  place: string;
  core: string;
  device: string;
}

/** Where the label of a number stands: its page from 0, and its corner on it, mm. */
export function labelPlace(sheet: LabelSheet, number: number): { page: number; xMm: number; yMm: number } {
  const each = sheet.across * sheet.down;
  const on = number % each;
  return {
    page: Math.floor(number / each),
    xMm: sheet.leftMm + (on % sheet.across) * sheet.pitchXMm,
    yMm: sheet.topMm + Math.floor(on / sheet.across) * sheet.pitchYMm,
  };
}

/** Clear of a label's edge, mm: printers are no more exact. */
const insetMm = 2;

/** Labels for terminals on a sheet; the first so many places are left empty, for a sheet that was begun. */
export function terminalLabels(
  labels: readonly TerminalLabel[],
  sheet: LabelSheet,
  begun = 0,
): TDocumentDefinitions {
  const width = points(sheet.widthMm - 2 * insetMm);
  let page = 0;
  const content = labels.map(({ place, core, device }, at): Content => {
    const where = labelPlace(sheet, at + begun);
    const turn = where.page > page;
    page = where.page;
    const size = place.length > 8 ? 9 : 15;
    return {
      absolutePosition: { x: points(where.xMm + insetMm), y: points(where.yMm + insetMm) },
      ...(turn ? { pageBreak: "before" as const } : {}),
      columns: [
        {
          width,
          stack: [
            { text: place, bold: true, fontSize: size },
            { text: core, fontSize: 8 },
            { text: device, fontSize: 7, noWrap: false },
          ],
        },
      ],
    };
  });
  return {
    pageSize: sheet.page,
    pageMargins: [0, 0, 0, 0],
    defaultStyle: { font: paperFont, lineHeight: 1 },
    content,
  };
}

/** What stands in the cabinet. */
export interface CabinetText {
  title: string;
  site: string;
  board: string;
  breaker: string;
  installer: string;
  date: string;
  nextService: string;
  /** Where the job is opened. */
  address: string;
}

/** One label of 100 × 62 mm for the inside of the cabinet, with a code that opens the job. */
export function cabinetLabel(text: CabinetText): TDocumentDefinitions {
  const line = (name: string, value: string): Content[] =>
    value ? [{ text: [{ text: `${name}: `, bold: true }, value], fontSize: 8, margin: [0, 1, 0, 0] }] : [];
  return {
    pageSize: { width: points(100), height: points(62) },
    pageMargins: [10, 10, 10, 8],
    defaultStyle: { font: paperFont },
    content: [
      {
        columns: [
          {
            width: "*",
            stack: [
              { text: text.title, bold: true, fontSize: 13 },
              { text: text.site, fontSize: 8, margin: [0, 0, 0, 4] },
              ...line("Board", text.board),
              ...line("Breaker", text.breaker),
              ...line("Commissioned by", [text.installer, text.date].filter(Boolean).join(", ")),
              ...line("Next service", text.nextService),
            ],
          },
          { width: 84, qr: text.address, fit: 84, alignment: "right" },
        ],
        columnGap: 8,
      },
      {
        text: "Before anything is opened: off at the breaker, battery and solar panel off where there are any, and proved dead.",
        fontSize: 7,
        margin: [0, 4, 0, 0],
      },
    ],
  };
}
