import { readFileSync, writeFileSync } from "node:fs";
import { boardJsonSchema, boardReference } from "@anvilcloud/core";

const root = new URL("../", import.meta.url);
const example = readFileSync(new URL("boards/copperfold-sash.yaml", root), "utf8");
writeFileSync(new URL("docs/board-format.md", root), boardReference(example));
writeFileSync(new URL("docs/board.schema.json", root), `${JSON.stringify(boardJsonSchema(), null, 2)}\n`);
