import { z } from "zod";
import { finding, wordsOf } from "./finding.ts";
import { pathText, problemText, ProblemsError } from "./problem.ts";
import { findingTable, type FindingEntry } from "./table/index.ts";
import { inspectYaml } from "./yaml.ts";
import { parseWith } from "./zod.ts";

describe("findings", () => {
  test("every trap of the trade's list has one place in the table, or a few that part it; none is numbered past the list", () => {
    const entries: FindingEntry[] = Object.values(findingTable);
    const traps = entries.flatMap((entry) => entry.trap ?? []);
    expect(Math.max(...traps)).toBeLessThanOrEqual(50);
    expect(traps).toEqual(expect.arrayContaining([1, 2, 3, 4, 5, 8, 13, 14, 18, 19, 20, 28, 29, 30, 31, 35]));
    expect(traps).toEqual(expect.arrayContaining([37, 38, 39, 40, 42, 44, 46, 47]));
  });

  test("a value that is missing, or that no sentence names, does not compile", () => {
    // @ts-expect-error the sentences name a rail and when it lives as well
    finding("rail-sleeps", [], { device: "Lock" });
    // @ts-expect-error no sentence names a colour
    finding("plugged-while-live", [], { device: "Lock", colour: "red" });
    // @ts-expect-error its sentences name nothing
    finding("plan-not-proved", [], {});
    expect(finding("plan-not-proved", []).values).toEqual({});
  });

  test("values stand in the sentence; a value never fills another value's place", () => {
    const words = wordsOf(
      finding("rail-overloaded", [], {
        rail: "{load}",
        load: "640 mA",
        when: "opening",
        limit: "500 mA",
        excess: "140 mA",
      }),
    );
    expect(words.what).toBe("{load}: 640 mA opening, against a limit of 500 mA.");
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

  test("of several mappings none of which is meant, the keys that each begins with are told", () => {
    const gesture = z.union([
      z.strictObject({ hold: z.strictObject({ key: z.string(), seconds: z.number() }) }),
      z.strictObject({ press: z.string() }),
    ]);
    const said = (value: unknown) => {
      try {
        parseWith(gesture, value, "x.yaml");
        return "nothing";
      } catch (error) {
        return (error as Error).message;
      }
    };
    const which = "x.yaml: document: expected a mapping with one of hold, press";
    expect(said({ wiggle: 3 })).toContain(which);
    expect(said({})).toContain(which);
    // Where one is meant, what is wrong with that one is told.
    expect(said({ hold: 3 })).toContain("hold: expected a value of type object, found 3");
    expect(said({ hold: { key: "A" } })).toContain("hold.seconds: expected a value of type number");
    expect(said({ press: "A" })).toBe("nothing");
  });

  test("of very many the first are told, and strange keys by the dozen", () => {
    const rows = Array.from({ length: 5_000 }, () => ({ role: "relay" }));
    const many = Object.fromEntries(Array.from({ length: 5_000 }, (_, at) => [`k${at}`, at]));
    const problems = (value: object) => {
      try {
        parseWith(schema, value, "x.yaml");
        return [];
      } catch (error) {
        return (error as ProblemsError).problems;
      }
    };
    expect(problems({ rows })).toHaveLength(100);
    expect(problems({ rows: [], ...many })[0]!.found).toMatch(/^"k0", .*"k11" and 4988 more$/);
    const noted = rows.map((_, at) => ({
      file: "x",
      path: `${at}`,
      expected: "a",
      found: "b",
      remedy: "C.",
    }));
    expect(new ProblemsError(noted).message).toMatch(/\nand 4900 more problems$/);
  });

  test("a key that stands twice in its mapping is told with its line; the same key elsewhere is none, nor is a merge", () => {
    const read = (text: string) => inspectYaml(text, "x.yaml", { schema: z.unknown() }).problems;
    expect(read("a: 1\nb: 2\na: 3")).toMatchObject([{ found: '"a"', line: 3, column: 1 }]);
    expect(read("rows:\n  - { a: 1, a: 2 }")).toMatchObject([{ line: 2, column: 13 }]);
    expect(read('1: a\n"1": b')).toMatchObject([{ found: '"1"', line: 2 }]);
    expect(read("a: { b: 1 }\nb: { a: 1, b: 2 }")).toEqual([]);
    expect(read("x: &x { a: 1 }\ny: &y { b: 1 }\nz: { <<: *x, <<: *y }")).toEqual([]);
    const keys = Array.from({ length: 3_000 }, (_, at) => `k${at}: 1`).join("\n");
    expect(read(keys)).toEqual([]);
    expect(read(`${keys}\nk7: 2`)).toMatchObject([{ found: '"k7"', line: 3_001 }]);
  });

  test("the root has a name, a line is shown where known", () => {
    expect(pathText([])).toBe("document");
    expect(
      problemText({ file: "a", path: "b", expected: "c", found: "d", remedy: "E.", line: 3, column: 2 }),
    ).toBe("a:3:2: b: expected c, found d. E.");
  });
});
