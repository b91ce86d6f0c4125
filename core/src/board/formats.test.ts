import { proving, sampleOf } from "../testing/sample.ts";
import { Ajv2020 } from "ajv/dist/2020.js";
import { parse } from "yaml";
import { z } from "zod";
import { boardIds, boardText, oldBoardText, oldText, shippedBoard, refusal } from "../testing/shipped.ts";
import { jobFormat, parseBundle } from "../job/index.ts";
import { planJob } from "../plan/index.ts";
import { boardSchema, migrateBoard, parseBoard, readBoard } from "./index.ts";

describe("earlier formats", () => {
  test("a board of the first format opens as the newest, with everything it said", () => {
    const board = readBoard(oldBoardText(), "old.yaml");
    expect(board).toMatchObject({
      format: "anvilcloud/board@3",
      limits: ["stops"],
      supply: { kind: "mains", volts: [230], poles: { live: "M1", neutral: "M2", earth: "M3" } },
    });
    expect(board.memories.map((memory) => memory.id).sort()).toEqual(["remote", "travel"]);
    expect(board.commits[0]?.by).toEqual({ hold: { key: "TAKE", seconds: 3 } });
    expect(board.settings[2]?.of).toEqual(["S3", "S4"]);
  });

  test("a board of the second format opens: what leaves do are words, what a step changes is claimed", () => {
    const board = readBoard(oldText("board-2.yaml"), "old.yaml");
    expect(board.programs).toEqual([]);
    const reactions = Object.fromEntries(board.inputs.map(({ id, reactions: rows }) => [id, rows.at(-1)]));
    expect(reactions.stop).toMatchObject({
      closed: { says: "stays", does: "refuse" },
      opening: "stop",
      open: { says: "stays", does: "refuse" },
      closing: "stop",
    });
    expect(reactions.beam).toMatchObject({ closed: "ignore", open: "hold", closing: "reverse" });
    expect(reactions.edge).toMatchObject({ closed: "refuse", opening: "back-off" });
    const [place, start, run] = board.procedures.find(({ id }) => id === "learn-travel")!.steps;
    expect(place!.do).toEqual([{ place: { says: "leaves fully open", by: "hand" } }]);
    expect(start!.claims).toEqual({ mode: "learning" });
    expect(run!.claims).toEqual({ mode: "idle", learn: "travel" });
    expect(board.settings.find(({ of }) => of[0] === "S3")!.rows[0]!.sets).toEqual({
      "command-logic": "open-stop-close-stop",
    });
  });

  test.each(["job-1.json", "job-2.json"])(
    "%s opens with its log, and leaves the bench as it was left",
    (file) => {
      const bundle = parseBundle(JSON.parse(oldText(file)));
      expect([bundle.format, bundle.board.format]).toEqual([jobFormat, "anvilcloud/board@3"]);
      expect(bundle.job.wishes["command-logic"]).toBe("open-stop-close-stop");
      const { now, sheet } = planJob(bundle);
      expect(now.powered).toBe(true);
      const ids = sheet.map(({ id }) => id);
      const answered = bundle.log.flatMap((entry) => (entry.kind === "step" ? [entry.step] : []));
      expect(answered.filter((id) => !ids.includes(id))).toEqual([]);
    },
  );

  test("migrating leaves the newest as it is, and what is no profile for the schema to refuse", () => {
    const board = shippedBoard("tarn-grellock");
    expect(migrateBoard(board)).toBe(board);
    for (const odd of [null, 7, [], "x", { format: "anvilcloud/board@9" }])
      expect(migrateBoard(odd)).toBe(odd);
    expect(refusal(() => parseBoard({ format: "anvilcloud/board@9" }, "x"))).toContain("anvilcloud/board@3");
  });

  test("a half-written board of the first format is refused, never a crash", () => {
    for (const part of [
      { settings: 3 },
      { commits: [7] },
      { procedures: [{ steps: "no" }] },
      { inlet: "mains" },
    ])
      expect(refusal(() => parseBoard({ format: "anvilcloud/board@1", ...part }, "x"))).toContain("expected");
  });
});

describe("the published JSON Schema, checked with a general validator", () => {
  const ajv = new Ajv2020({ strict: false, allErrors: false });
  const published = ajv.compile(z.toJSONSchema(boardSchema, { io: "input" }));
  const agrees = (document: unknown) => {
    const program = boardSchema.safeParse(document).success;
    expect(published(document)).toBe(program);
    return program;
  };

  test.each(boardIds())("accepts %s, as the program does", (id) => {
    expect(agrees(parse(boardText(id), { merge: true }))).toBe(true);
  });

  test("both refuse the same files: every value of every board, each broken in turn", () => {
    let refused = 0;
    let taken = 0;
    const strange: unknown[] = [null, -1, "", {}, [], "no such word", 1e9, true];
    const boards = proving
      ? boardIds()
      : ["quillmarsh-tandrel", "furzel-slathorn", "copperfold-casspel", "tessock-umbrick"];
    for (const id of boards) {
      const whole = parse(boardText(id), { merge: true }) as Record<string, unknown>;
      const spots: [Record<string, unknown>, string][] = [];
      const walk = (node: unknown, depth: number) => {
        if (typeof node !== "object" || node === null || depth > 7) return;
        for (const [key, value] of Object.entries(node)) {
          spots.push([node as Record<string, unknown>, key]);
          walk(value, depth + 1);
        }
      };
      walk(whole, 0);
      sampleOf(spots, 120).forEach(([parent, key], n) => {
        const was = parent[key];
        parent[key] = strange[n % strange.length];
        if (agrees(whole)) taken += 1;
        else refused += 1;
        parent[key] = was;
      });
      for (const key of Object.keys(whole)) {
        const { [key]: _gone, ...rest } = whole;
        agrees(rest);
      }
      expect(agrees({ ...whole, relays: [] })).toBe(false);
    }
    expect(refused).toBeGreaterThan(180);
    expect(taken).toBeGreaterThan(10);
  });
});
