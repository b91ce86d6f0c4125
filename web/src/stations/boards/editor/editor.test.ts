import { readFileSync } from "node:fs";
import { resolve } from "node:path";
import { boardJsonSchema, inspectBoard, readBoard } from "@anvilcloud/core";
import { suggestions, type JsonSchema } from "./suggest.ts";
import { placeAt } from "./yaml-path.ts";

const root = resolve(import.meta.dirname, "../../../../..");
const tandrel = readFileSync(resolve(root, "boards/quillmarsh-tandrel.yaml"), "utf8");
const board = readBoard(tandrel, "tandrel");
const schema = boardJsonSchema() as JsonSchema;

/** The place of the cursor, marked ¦ in the text. */
const at = (text: string) => placeAt(text.replace("¦", ""), text.indexOf("¦"));
const words = (text: string) => suggestions(schema, at(text), board).map((each) => each.text);

describe("where the cursor stands", () => {
  test.each([
    ["fo¦", [], undefined, "fo"],
    ["a: 1\npur¦", [], undefined, "pur"],
    ["purpose: sw¦", [], "purpose", "sw"],
    ["face:\n  wid¦", ["face"], undefined, "wid"],
    ["face: { wid¦", ["face"], undefined, "wid"],
    ["face: { widthMm: 3, ¦ }", ["face"], undefined, ""],
    ["rails:\n  - id: a\n    ki¦", ["rails", "[]"], undefined, "ki"],
    ["rails:\n  - id: a\n    kind: d¦", ["rails", "[]"], "kind", "d"],
    ["rails:\n  - ¦", ["rails", "[]"], undefined, ""],
    ["rails:\n- id: a\n- ¦", ["rails", "[]"], undefined, ""],
    ["rails:\n  - { id: a, kind: ¦", ["rails", "[]"], "kind", ""],
    ["rails:\n  - { id: a, plus: [R¦", ["rails", "[]", "plus", "[]"], undefined, "R"],
    ["rails:\n  - id: a\n# note\n\n  - id: b\n    fe¦", ["rails", "[]"], undefined, "fe"],
    [
      "dials:\n  - id: A\n    zones:\n      - { from: 0, to: 1, sets: { for¦",
      ["dials", "[]", "zones", "[]", "sets"],
      undefined,
      "for",
    ],
    [
      "procedures:\n  - id: p\n    steps:\n      - id: s\n        do:\n          ho¦",
      ["procedures", "[]", "steps", "[]", "do"],
      undefined,
      "ho",
    ],
    ['summary: "a, { b"\nlab¦', [], undefined, "lab"],
  ])("%j", (text, path, key, word) => {
    const place = at(text);
    expect([place.path, place.key, place.word]).toEqual([path, key, word]);
  });

  test("keys that stand beside it already are known, in block and in flow", () => {
    expect(at("id: a\nname: b\n¦\nmaker: c").taken.sort()).toEqual(["id", "maker", "name"]);
    expect(at("rails:\n  - { id: a, kind: dc, ¦ }").taken).toEqual(["id", "kind"]);
  });

  test("in every place of every line of a whole profile it says something, and never fails", () => {
    for (let offset = 0; offset <= tandrel.length; offset += 401)
      expect(placeAt(tandrel, offset).path).toBeDefined();
  });
});

describe("what can stand at the cursor", () => {
  test("keys by the schema, without those that stand there", () => {
    expect(words("¦")).toEqual(expect.arrayContaining(["format", "blocks", "procedures"]));
    expect(words("format: anvilcloud/board@3\n¦")).not.toContain("format");
    expect(words("rails:\n  - { id: a, ¦ }")).toEqual(
      expect.arrayContaining(["label", "feeds", "limitMilliamps"]),
    );
  });

  test("words of a choice, with on and off in quotes", () => {
    expect(words("purpose: ¦")).toEqual(expect.arrayContaining(["swing-gate", "radio"]));
    expect(words("rails:\n  - kind: ¦")).toEqual(["dc", "ac"]);
    expect(words("dips:\n  - delivered: [¦")).toEqual(expect.arrayContaining(['"on"', '"off"']));
    expect(words("panel:\n  opens:\n    - { by: [{ ¦")).toEqual(
      expect.arrayContaining(["hold", "press", "together"]),
    );
  });

  test("names of this board: terminals, commons, links, keys, memories", () => {
    expect(words("inputs:\n  - { id: a, common: ¦")).toEqual(["protection", "commands"]);
    expect(words("inputs:\n  - { id: a, terminal: ¦")).toEqual(expect.arrayContaining(["P1", "R4"]));
    expect(words("links:\n  - { between: [¦")).toContain("P2");
    expect(words("procedures:\n  - steps:\n      - { do: { hold: { key: ¦")).toEqual(["MOVE", "TAKE"]);
    expect(words("procedures:\n  - needs: [{ learned: ¦")).toEqual(["travel", "remote"]);
  });

  test("what the schema says of a key stands beside it", () => {
    const [found] = suggestions(schema, at("dials:\n  - { swe¦"), board).filter(
      (each) => each.text === "sweep",
    );
    expect(found?.detail).toContain("clockwise through 12");
    const [needed] = suggestions(schema, at("¦"), board).filter((each) => each.text === "firmware");
    expect(needed?.detail).toMatch(/^needed: /);
  });
});

test("a text half written has its face as soon as its form is right, and every fault with its line", () => {
  const slip = tandrel.replace("common: commands", "common: comands");
  const { value, problems } = inspectBoard(slip, "x");
  expect(value?.name).toBe("Tandrel");
  expect(problems).toHaveLength(1);
  expect(slip.split("\n")[problems[0]!.line! - 1]).toContain("comands");
});
