import { layoutOf, partText, planJob, ranStep, showPlan, terminalsOf } from "@anvilcloud/core";
import { cleanup, fireEvent, screen } from "@testing-library/react";
import { netloft, renderInJob } from "../testing/bench.tsx";
import { BoardFace } from "./board-face.tsx";
import { around, cropBoxes, deviceNumbers, partsOf, placeOf } from "./geometry.ts";
import { benchBox, wiringOf } from "./core-routes.ts";
import { layerView, stepView } from "./view.ts";

const plan = showPlan(planJob(netloft()));
const { board } = plan.bundle;
const numbers = deviceNumbers(plan.wiring.devices);
const face = (view = layerView(plan, "planned")) =>
  renderInJob(netloft(), <BoardFace view={view} numbers={numbers} label="bench" />);

afterEach(cleanup);

describe("the board, drawn from its profile", () => {
  test("names every part for a screen reader, with its position", async () => {
    await face();
    for (const terminal of terminalsOf(board))
      expect(screen.getByRole("img", { name: new RegExp(`^Terminal ${terminal.id},`) })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Link P1 to P3, out" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Switch S1, on" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Dial PUSH, at 11:15, 42 %" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Key TAKE" })).toBeTruthy();
  });

  test("as found, links are in and the controls stand as delivered", async () => {
    await face(layerView(plan, "found"));
    expect(screen.getByRole("img", { name: "Link P1 to P3, in" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Switch S1, off" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Dial PUSH, at 7:30, 0 %" })).toBeTruthy();
  });

  test("after a step, lamps look as the core reads them", async () => {
    const power = plan.sheet.find((step) => step.id === "do:power-up:on")!;
    await face(stepView(plan, power, ranStep(plan, plan.sheet, power.id)));
    expect(screen.getByRole("img", { name: "Lamp BEAM, amber, lit" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Lamp UNREAD, white, blinking" })).toBeTruthy();
    expect(screen.getByRole("img", { name: "Lamp RADIO, blue, dark" })).toBeTruthy();
  });

  test("a dial's arrow stands at its clock angle: 11:15 is 337.5° from noon", async () => {
    await face();
    const dial = screen.getByRole("img", { name: /Dial PUSH/ });
    const turns = [...dial.querySelectorAll("g[transform^='rotate']")].map((each) =>
      each.getAttribute("transform"),
    );
    expect(turns).toEqual(["rotate(337.5)"]);
  });

  test("is one stop for the keyboard, and arrow keys walk every part once round", async () => {
    const { container } = await face();
    const stops = () => [...container.querySelectorAll("[data-part][tabindex='0']")];
    const drawing = screen.getByRole("group", { name: "bench" });
    const seen = new Set<string>();
    for (let n = 0; n < partsOf(board).length; n++) {
      expect(stops()).toHaveLength(1);
      seen.add(stops()[0]!.getAttribute("data-part")!);
      fireEvent.keyDown(drawing, { key: "ArrowRight" });
    }
    expect(seen.size).toBe(partsOf(board).length);
    fireEvent.keyDown(drawing, { key: "ArrowLeft" });
    expect(stops()).toHaveLength(1);
  });
});

describe("geometry of the shipped board", () => {
  test("every part has its place on the face", async () => {
    const { width, height } = layoutOf(board);
    for (const part of partsOf(board)) {
      const at = placeOf(board, part);
      expect([part.id, at !== undefined && at.x > 0 && at.x < width && at.y > 0 && at.y < height]).toEqual([
        part.id,
        true,
      ]);
    }
  });

  test("tags keep clear of each other and inside the bench", async () => {
    const { tags } = wiringOf(board, plan.wiring.cores);
    const box = benchBox(board, plan.wiring.cores);
    for (const side of [true, false]) {
      const xs = tags
        .filter((tag) => tag.upper === side)
        .map((tag) => tag.at.x)
        .sort((a, b) => a - b);
      xs.slice(1).forEach((x, at) => expect(x - xs[at]!).toBeGreaterThanOrEqual(2 * around.tag));
    }
    for (const tag of tags) {
      expect(tag.at.y).toBeGreaterThan(box.y + around.tag);
      expect(tag.at.y).toBeLessThan(box.y + box.height - around.tag);
    }
    expect(tags.flatMap((tag) => tag.cores)).toHaveLength(
      plan.wiring.cores.filter(({ to }) => to.kind === "terminal").length,
    );
  });

  test("a step's pictures hold all it is about; far parts get a picture of their own", async () => {
    const receiver = plan.sheet.find((step) => step.id.startsWith("wire:cell-street:receiver"))!;
    const boxes = cropBoxes(board, receiver.subjects, benchBox(board, plan.wiring.cores));
    expect(boxes).toHaveLength(2);
    for (const subject of receiver.subjects) {
      const at = placeOf(board, subject);
      if (!at) continue;
      const holds = boxes.filter(
        (b) => at.x > b.x && at.x < b.x + b.width && at.y > b.y && at.y < b.y + b.height,
      );
      expect(holds.length).toBeGreaterThan(0);
    }
    expect(cropBoxes(board, [{ kind: "device", id: "edge" }], benchBox(board, []))).toEqual([]);
  });

  test("every part has words for the line under the bench", async () => {
    for (const part of partsOf(board)) expect(partText(board, part).length).toBeGreaterThan(3);
    expect(partText(board, { kind: "terminal", id: "R1" })).toBe(
      "R1 · Accessories DC · + · holds 3 · Accessory rail, + of 24 V DC, always on, 550 mA shared",
    );
  });
});
