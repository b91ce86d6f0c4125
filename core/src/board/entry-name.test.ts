import { entryName, menuValues } from "./index.ts";
import { boardIds, shippedBoard } from "../testing/shipped.ts";

test("a code stands before its name, words of a display before what they mean, and nothing twice", () => {
  expect(entryName({ shows: "10", label: "Pause before closing" })).toBe("10 Pause before closing");
  expect(entryName({ shows: "movE", label: "Movement" })).toBe("movE Movement");
  expect(entryName({ shows: "Slow end", label: "Slow-down distance" })).toBe("Slow end (slow-down distance)");
  expect(entryName({ shows: "calibrate", label: "Calibrate" })).toBe("calibrate");
});

test("on every board each entry is named by what it shows first, and no two of a menu alike", () => {
  for (const id of boardIds()) {
    const values = menuValues(shippedBoard(id));
    for (const { item } of values) expect(entryName(item).startsWith(item.shows)).toBe(true);
    const names = values.map(({ item, menu }) => `${menu.id} ${entryName(item)}`);
    expect([id, new Set(names).size]).toEqual([id, names.length]);
  }
});
