import { z } from "zod";
import { finding, findingCodes, type FindingCode } from "./codes.ts";
import { pathText, problemText, ProblemsError } from "./problem.ts";
import { wordsOf } from "./words.ts";
import { parseWith } from "./zod.ts";

describe("findings", () => {
  test("every code has what, why and what to do", () => {
    for (const code of Object.keys(findingCodes) as FindingCode[]) {
      const words = wordsOf(finding(code, []));
      for (const text of [words.what, words.why, words.remedy]) expect(text.length).toBeGreaterThan(5);
    }
  });

  test("values stand in the sentence; a value never fills another value's place", () => {
    const words = wordsOf(
      finding("rail-overloaded", [], { rail: "{load}", load: "640 mA", when: "opening", limit: "500 mA" }),
    );
    expect(words.what).toBe("{load} carries 640 mA opening, against a limit of 500 mA.");
  });
});

describe("problems", () => {
  const schema = z.strictObject({ rows: z.array(z.strictObject({ role: z.enum(["input", "rail"]) })) });

  test("say where, what was expected and what was found", () => {
    const attempt = () => parseWith(schema, { rows: [{ role: "relay" }], extra: 1 }, "x.yaml");
    expect(attempt).toThrow(ProblemsError);
    expect(attempt).toThrow('x.yaml: rows[0].role: expected one of input, rail, found "relay"');
    expect(attempt).toThrow('x.yaml: document: expected only the keys of this format, found "extra"');
  });

  test("the root has a name, a line is shown where known", () => {
    expect(pathText([])).toBe("document");
    expect(
      problemText({ file: "a", path: "b", expected: "c", found: "d", remedy: "E.", line: 3, column: 2 }),
    ).toBe("a:3:2: b: expected c, found d. E.");
  });
});
