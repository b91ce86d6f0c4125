import { cases } from "../testing/sample.ts";
import fc from "fast-check";
import { parse } from "yaml";
import { boardIds, boardText, shippedBoard } from "../testing/shipped.ts";
import {
  blankBoard,
  headingOf,
  inspectBoard,
  parseBoard,
  printBoard,
  readBoard,
  withHeading,
} from "./index.ts";

describe("the text of a profile", () => {
  test.each(boardIds())("%s: printed and read again, it says the same", (id) => {
    const board = shippedBoard(id);
    expect(readBoard(printBoard(board), id)).toEqual(board);
    expect(parseBoard(JSON.parse(JSON.stringify(board)), id)).toEqual(board);
  });

  test("a new heading changes its own values and not one other character", () => {
    const comment = fc.stringMatching(/^[a-zäöü:{}&*"'# -]{0,30}$/);
    fc.assert(
      fc.property(
        fc.constantFrom(...boardIds()),
        fc.array(fc.tuple(fc.nat(400), comment, fc.boolean()), { maxLength: 12 }),
        fc.integer({ min: 1, max: 900 }),
        fc.stringMatching(/^[A-Za-z][A-Za-z :#'"&-]{0,20}[a-z]$/),
        (id, comments, revision, name) => {
          // Comments on lines of their own and blank lines, wherever a block line ends outside text that runs on.
          const lines = boardText(id).split("\n");
          for (const [at, text, blank] of comments) {
            const index = at % lines.length;
            if (/^(\s*- |\w+:)/.test(lines[index] ?? "")) lines.splice(index, 0, blank ? "" : `# ${text}`);
          }
          const text = lines.join("\n");
          const changed = withHeading(text, { revision, name });
          const rest = (of: string) => of.split("\n").filter((line) => !/^(revision|name):/.test(line));
          expect(rest(changed)).toEqual(rest(text));
          expect(parse(changed, { merge: true })).toEqual({
            ...(parse(text, { merge: true }) as object),
            revision,
            name,
          });
        },
      ),
      { seed: 5, numRuns: cases(8) },
    );
  });

  test("what a heading lacks is put at the head; what is no mapping stays as it is", () => {
    expect(withHeading("id: a # mine\n", { revision: 2 })).toBe("revision: 2\nid: a # mine\n");
    expect(withHeading("- 1\n", { revision: 2 })).toBe("- 1\n");
    expect(withHeading("", { revision: 2 })).toBe("");
    expect(headingOf("id: a\nrevision: 3\nname: [1]\n")).toEqual({ id: "a", revision: 3 });
    expect(headingOf("a: [")).toEqual({});
  });

  test("a new profile is sound but for what only its writer knows", () => {
    expect(inspectBoard(blankBoard(), "new").problems).toEqual([]);
  });
});

describe("untrusted text", () => {
  const problemOf = (text: string) =>
    inspectBoard(text, "x")
      .problems.map((problem) => problem.expected)
      .join("; ");
  test.each([
    [
      "aliases that multiply",
      `a: &a [1,1,1]\n${"bcdefghij"
        .split("")
        .map((k, i) => `${k}: &${k} [${Array(9).fill(`*${"abcdefghi"[i]}`).join()}]`)
        .join("\n")}`,
      /few aliases|of this format|of type/,
    ],
    ["an alias to itself", "a: &a [*a]\n", /few aliases|of this format|expected|type/],
    ["50 000 brackets", "a: " + "[".repeat(50_000), /at most 60 levels/],
    ["50 000 mappings", "a: " + "{a: ".repeat(50_000), /at most 60 levels/],
    ["50 000 dashes", "- ".repeat(50_000) + "a", /at most 60 levels/],
    [
      "a staircase of keys",
      Array.from({ length: 3_000 }, (_, n) => `${" ".repeat(n)}a:`).join("\n"),
      /at most 60 levels|at most 1000000 characters/,
    ],
    ["10 MB", "#".repeat(10_000_000), /at most 1000000 characters/],
    [
      "a prototype key",
      `${boardText("copperfold-casspel")}\n__proto__: { polluted: true }\n`,
      /only the keys of this format/,
    ],
    [
      "a prototype key among settings",
      boardText("quillmarsh-tandrel").replace(
        "sets: { automatic-closing: false }",
        "sets: { __proto__: { x: 1 }, constructor: 1 }",
      ),
      /behaviour|canonical|true or false|type/,
    ],
    [
      "a merge of a prototype",
      `${boardText("copperfold-casspel")}\n<<: { __proto__: { polluted: true } }\n`,
      /only the keys|Map/,
    ],
    ["tags that make things", "id: !!js/function 'function(){}'\n", /./],
    ["control characters", "id: \u0000\u0007\n", /./],
    ["two documents", "a: 1\n---\nb: 2\n", /./],
  ])("%s is told, in good time, and changes nothing", (_name, text, message) => {
    expect(problemOf(text)).toMatch(message);
    expect(({} as Record<string, unknown>).polluted).toBeUndefined();
  });

  test("HTML in labels is text, and stays text", () => {
    const text = boardText("copperfold-casspel").replace(
      "label: OPEN",
      'label: "<img src=x onerror=alert(1)>"',
    );
    expect(inspectBoard(text, "x").value?.keys[0]?.label).toBe("<img src=x onerror=alert(1)>");
  });
});
