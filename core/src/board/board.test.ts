import { refusal, shippedBoard, tandrel, tandrelText } from "../testing/shipped.ts";
import {
  bankText,
  cardsInSlots,
  checkBoard,
  lampOfInput,
  nearestText,
  readBank,
  readBoard,
  terminalsOf,
} from "./index.ts";

describe("the shipped board", () => {
  test("contradicts itself nowhere", () => {
    expect(checkBoard(tandrel(), "tandrel")).toEqual([]);
  });

  test("names each terminal by plug and number, once", () => {
    const ids = terminalsOf(tandrel()).map((terminal) => terminal.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect(ids).toContain("P1");
    expect(ids).toContain("C1");
  });

  test("has a lamp for each protection input", () => {
    const board = tandrel();
    for (const id of ["stop", "beam", "edge"]) expect(lampOfInput(board, id)?.label).toBe(id.toUpperCase());
  });
});

test("each card sits in one slot, one that fits two making room for one that fits a single slot", () => {
  const board = shippedBoard("hexby-hoistrum");
  const sits = (...cards: string[]) =>
    Object.fromEntries([...cardsInSlots(board, cards)].map(([slot, { id }]) => [slot, id]));
  expect(sits("loop")).toEqual({ X1: "loop" });
  expect(sits("loop", "radio")).toEqual({ X1: "radio", X2: "loop" });
  board.cards.reverse();
  expect(sits("loop", "radio")).toEqual({ X1: "radio", X2: "loop" });
  expect(sits()).toEqual({});
});

describe("reading YAML", () => {
  test("says line and column of what is wrong", () => {
    const text = tandrelText().replace("kind: ac", "kind: alternating");
    expect(refusal(() => readBoard(text, "tandrel.yaml"))).toMatch(
      /tandrel\.yaml:\d+:\d+: rails\[2\]\.kind: expected one of dc, ac, found "alternating"/,
    );
    const line = text.split("\n").findIndex((each) => each.includes("alternating")) + 1;
    expect(refusal(() => readBoard(text, "tandrel.yaml"))).toContain(`tandrel.yaml:${line}:`);
  });

  test.each([
    ["no YAML", "a: [1", /well-formed YAML/],
    ["another document", "42", /document: expected/],
    ["nothing", "", /document: expected/],
    ["unknown keys", tandrelText() + "\nrelays: []\n", /found "relays"\. Remove or rename/],
    ["a file too large", "#".repeat(1_000_001), /at most 1000000 characters/],
    [
      "aliases without end",
      "a: &a [1,1]\nb: &b [*a,*a,*a,*a]\nc: &c [*b,*b,*b,*b,*b]\nd: [*c,*c,*c,*c,*c,*c,*c]\n",
      /few aliases/,
    ],
  ])("%s is refused", (_name, text, message) => {
    expect(refusal(() => readBoard(text, "x.yaml"))).toMatch(message);
  });
});

test("a bank is typed as it stands, and what something cannot stand at names the nearest", () => {
  const bank = { ...tandrel().dips[0]!, id: "S", delivered: Array<"off">(8).fill("off") };
  const stands = readBank(bank, "1011 0010")!;
  expect([stands.S1, stands.S2, bankText(bank, stands)]).toEqual(["on", "off", "10110010"]);
  for (const wrong of ["1011001", "10110012", "on"]) expect(readBank(bank, wrong)).toBeUndefined();
  const tens = Array.from({ length: 18 }, (_, n) => String(10 * n));
  expect(nearestText(tens, "44")).toBe("0 to 170, the nearest 40");
  expect(nearestText(["no", "YES"], "maybe")).toBe("one of no, YES");
});
