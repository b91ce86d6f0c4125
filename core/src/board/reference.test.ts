import { boardText, docText } from "../testing/shipped.ts";
import { behaviourIds, boardJsonSchema, boardReference, boardSchema } from "./index.ts";

describe("the reference page", () => {
  test("is the one the schema makes: run `npm run reference` after a change", () => {
    expect(docText("board-format.md")).toBe(boardReference(boardText("copperfold-casspel")));
    expect(JSON.parse(docText("board.schema.json"))).toEqual(boardJsonSchema());
  });

  test("tells every key at the top and every behaviour", () => {
    const page = docText("board-format.md");
    for (const key of Object.keys(boardSchema.shape))
      expect(page).toMatch(new RegExp(`(\`|### )${key.replace("$", "\\$")}`));
    for (const id of behaviourIds) expect(page).toContain(`| \`${id}\` |`);
  });
});
