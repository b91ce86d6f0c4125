import { boardIds, shippedBoard } from "../testing/shipped.ts";
import { unsettableFindings } from "./findings/wishes.ts";
import { commitFindings, foundPositions } from "./index.ts";
import { controlSubject } from "./subjects.ts";

const boards = boardIds().map(shippedBoard);

test("a control is named as what it is on the face: a switch of a row, a slide, a jumper, a dial, an entry of the menus", () => {
  for (const board of boards) {
    const { dips, slides, jumpers, dials } = board;
    const switches = dips.flatMap(({ id, delivered }) => delivered.map((_, at) => `${id}${at + 1}`));
    const named = (ids: readonly string[], kind: "switches" | "dials" | "values") =>
      ids.map((id) => controlSubject(board, kind, id));
    const as = (ids: readonly string[], kind: string) => ids.map((id) => ({ kind, id }));
    const idsOf = (list: readonly { id: string }[]) => list.map(({ id }) => id);
    expect(named(switches, "switches")).toEqual(as(switches, "switch"));
    expect(named(idsOf(slides), "switches")).toEqual(as(idsOf(slides), "slide"));
    expect(named(idsOf(jumpers), "switches")).toEqual(as(idsOf(jumpers), "jumper"));
    expect(named(idsOf(dials), "dials")).toEqual(as(idsOf(dials), "dial"));
    // One that the board has no longer, of a job that noted it once, is a switch as far as anyone knows.
    expect(named(["gone"], "switches")).toEqual(as(["gone"], "switch"));
  }
  expect(boards.some(({ slides, jumpers }) => slides.length && jumpers.length)).toBe(true);
});

test("what was moved and not taken is told with the keys that take it, and with no others", () => {
  let told = 0;
  for (const board of boards)
    for (const commit of board.commits) {
      const found = foundPositions(board);
      const [id] = Object.keys(found[commit.for]);
      if (id === undefined) continue;
      const moved = { ...found, [commit.for]: { ...found[commit.for], [id]: "moved" } };
      const [finding] = commitFindings(board, moved, found);
      const keys = [...JSON.stringify(commit.by).matchAll(/"key":"([^"]+)"|"keys":\[([^\]]+)\]/g)].flatMap(
        ([, one, more]) => (one ? [one] : more!.replaceAll('"', "").split(",")),
      );
      const subjects = finding!.subjects.filter(({ kind }) => kind === "key");
      expect([board.id, subjects.map((each) => each.id)]).toEqual([board.id, keys]);
      told += keys.length;
    }
  expect(told).toBeGreaterThan(2);
});

test("a wish that the board answers otherwise, whatever is set, is told of that behaviour", () => {
  let told = 0;
  for (const board of boards)
    for (const [id, given] of Object.entries(board.fixed)) {
      const wish = typeof given === "boolean" ? !given : typeof given === "number" ? given + 1 : "otherwise";
      const findings = unsettableFindings(board, { [id]: wish });
      for (const { subjects } of findings) expect(subjects).toEqual([{ kind: "behaviour", id }]);
      told += findings.length;
    }
  expect(told).toBeGreaterThan(10);
});
