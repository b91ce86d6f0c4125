import { count, listed, plainNumber, sentence, spanText } from "./index.ts";

test.each([
  [24, 1, "24"],
  [23.96, 1, "24"],
  [0.75, 2, "0.75"],
  [0.75, 1, "0.8"],
  [-0.04, 1, "0"],
  [1e6, 0, "1000000"],
])("%d with %d decimals reads %s", (value, digits, text) => {
  expect(plainNumber(value, digits)).toBe(text);
});

test("lists and counts read as people say them", () => {
  expect(listed([])).toBe("");
  expect(listed(["a"])).toBe("a");
  expect(listed(["a", "b"])).toBe("a and b");
  expect(listed(["a", "b", "c"])).toBe("a, b and c");
  expect(count(1, "core")).toBe("1 core");
  expect(count(3, "core")).toBe("3 cores");
  expect(count(2, "leaf", "leaves")).toBe("2 leaves");
  expect(sentence("peak force")).toBe("Peak force");
  expect(spanText(12, 30, "V")).toBe("12 to 30 V");
  expect(spanText(24, 24, "V AC")).toBe("24 V AC");
});
