import { metric, planJob, type JobPlan, type ShownPlan } from "@anvilcloud/core";
import { netloft } from "../../testing/bench.tsx";
import { cabinetLabel, labelPlace, labelSheets, pageMm, terminalLabels } from "./labels.ts";
import { titleLine, titleOf } from "./paper.ts";
import { wirePaper } from "./wiring.ts";

const plan: JobPlan = planJob(netloft());
const title = titleOf(plan as ShownPlan, new Date("2026-10-08T09:00:00Z"));

describe("a job's wiring on paper", () => {
  const { cores, devices, cables, links } = plan.wiring;
  const drawing = '<svg><text font-family="Atkinson">P1</text></svg>';
  const paper = (units = metric) => wirePaper({ title, drawing, cores, devices, cables, links, units });
  const text = JSON.stringify(paper().content);

  test("holds the drawing in its own font with its legend, every core with its colour, every cable, and what is done with every link", () => {
    expect(text).toContain('font-family=\\"Roboto\\"');
    expect(text).toContain("Circles are devices");
    expect(text).toContain("BN brown");
    for (const core of cores) expect(text).toContain(core.deviceName);
    for (const cable of cables) expect(text).toContain(cable.label);
    for (const { between, found, planned } of links) {
      expect(text).toContain(between.join("–"));
      expect(text).toContain(
        found === planned ? `stays ${planned}` : planned === "in" ? "PUT IN" : "TAKE OUT",
      );
    }
  });

  test("says on every page of which job, board, revision, installer and date it is, and which page", () => {
    const { header, footer } = paper();
    const head = JSON.stringify(header);
    for (const what of [
      "Netloft yard",
      "Quillmarsh Controls Tandrel, revision 2",
      "Ivet Carrandine",
      "8 Oct 2026",
    ])
      expect(head).toContain(what);
    const foot = (footer as (page: number, all: number) => { text: string })(2, 3);
    expect(foot.text).toContain("page 2 of 3");
    expect(titleLine(title)).toContain("Tandrel");
  });

  test("has its measures in the units of who prints it", () => {
    const awg = JSON.stringify(paper({ system: "imperial", conductors: "awg" }).content);
    expect(awg).toContain("AWG 18");
    expect(awg).not.toContain("mm²");
  });
});

describe("labels on sheets", () => {
  test.each(labelSheets)(
    "$name: each stands within its page and clear of the others, and the next page begins when one is full",
    (sheet) => {
      const each = sheet.across * sheet.down;
      const { width, height } = pageMm[sheet.page];
      const places = Array.from({ length: each }, (_, n) => labelPlace(sheet, n));
      for (const { page, xMm, yMm } of places) {
        expect(page).toBe(0);
        expect(xMm).toBeGreaterThanOrEqual(0);
        expect(xMm + sheet.widthMm).toBeLessThanOrEqual(width);
        expect(yMm + sheet.heightMm).toBeLessThanOrEqual(height + 0.5);
      }
      expect(sheet.pitchXMm).toBeGreaterThanOrEqual(sheet.widthMm);
      expect(sheet.pitchYMm).toBeGreaterThanOrEqual(sheet.heightMm);
      expect(labelPlace(sheet, each)).toEqual({ ...places[0], page: 1 });
    },
  );

  test("a sheet that was begun goes on where it was left", () => {
    const [sheet] = labelSheets;
    const labels = Array.from({ length: 70 }, (_, n) => ({ place: `P${n}`, core: "BN +", device: "Cell" }));
    const content = terminalLabels(labels, sheet!, 3).content as {
      absolutePosition: object;
      pageBreak?: string;
    }[];
    const first = terminalLabels(labels.slice(0, 4), sheet!).content as { absolutePosition: object }[];
    expect(content[0]!.absolutePosition).toEqual(first[3]!.absolutePosition);
    expect(content.flatMap(({ pageBreak }, at) => (pageBreak ? [at] : []))).toEqual([62]);
  });

  test("the cabinet's says what is behind the cover, and its code opens the job", () => {
    const label = JSON.stringify(
      cabinetLabel({
        ...title,
        title: title.job,
        breaker: "F3, cellar",
        nextService: "",
        address: "https://anvil.example/jobs/netloft",
      }).content,
    );
    for (const what of ["Netloft yard", "F3, cellar", "Tandrel", '"qr":"https://anvil.example/jobs/netloft"'])
      expect(label).toContain(what);
    expect(label).not.toContain("Next service");
  });
});
