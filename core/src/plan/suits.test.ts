import { draftJob } from "../job/index.ts";
import { boardIds, shippedBoard, shippedDevices, usualDevices } from "../testing/shipped.ts";
import { suitsOf } from "./index.ts";

const devices = shippedDevices();
const suits = (id: string) => {
  const board = shippedBoard(id);
  return suitsOf(draftJob("site", "A site", "Someone", board), board, devices);
};

describe("what suits a board", () => {
  test.each(boardIds())(
    "%s: what it is usually fitted with suits it, each other says why not, and those that fit come first",
    (id) => {
      const all = suits(id);
      expect(all.map(({ device }) => device).sort()).toEqual(devices.map((each) => each.id).sort());
      const fitting = all.filter(({ fits }) => fits).map(({ device }) => device);
      const alone = usualDevices(id).filter((each) => !needsAnother.has(each));
      expect(fitting).toEqual(expect.arrayContaining(alone));
      expect(all.map(({ fits }) => fits)).toEqual(
        all.map(({ fits }) => fits).sort((a, b) => Number(b) - Number(a)),
      );
      for (const { fits, why } of all) expect(why === "").toBe(fits);
    },
  );

  test("a battery suits a board with terminals for one, and the other is told that it has none", () => {
    const reserve = (id: string) => suits(id).find(({ device }) => device === "quillmarsh-reserve")!;
    expect(reserve("osierbeck-quernish").fits).toBe(true);
    expect(reserve("quillmarsh-tandrel")).toMatchObject({
      fits: false,
      why: expect.stringContaining("no terminals for a battery"),
    });
  });

  test("a device that takes what a converter on the job makes suits with it", () => {
    const board = shippedBoard("quillmarsh-tandrel");
    const job = draftJob("site", "A site", "Someone", board);
    const maker = devices.find(({ id }) => id === "brackwater-turn")!;
    const clasp = (made: typeof job) =>
      suitsOf(made, board, devices).find(({ device }) => device === "brackwater-clasp")!;
    expect(clasp(job).fits).toBe(false);
    const cables = Object.fromEntries(
      maker.parts.map(({ id }) => [id, { lengthM: 5, sizeMm2: 0.75 as const }]),
    );
    const ref = { id: maker.id, revision: maker.revision };
    expect(clasp({ ...job, devices: [{ id: "turn", device: ref, name: "Turn", cables }] }).fits).toBe(true);
  });
});

/** What is usual only beside another device that feeds it, or with a card fitted. */
const needsAnother = new Set(["brackwater-clasp", "brackwater-shoot"]);
